const inText = /[&<>\r\0]/;
const inAttribute = /[&<>"\r\0]/;

/** From how many characters on it is quicker to look for each by itself. */
const long = 100;

/**
 * Text made safe to stand between tags, so that a parser reads back the same text. A carriage return is written as
 * a reference, since a parser makes a line feed of it; U+0000, which HTML cannot hold, becomes U+FFFD
 * (https://html.spec.whatwg.org/#escapingString, https://html.spec.whatwg.org/#preprocessing-the-input-stream).
 *
 * @example escapeText('a < b & c') // 'a &lt; b &amp; c'
 */
export function escapeText(text: string): string {
  return (text?.length > long ? isLongSafe(text) : !inText.test(text)) ? text : written(text, false);
}

/**
 * Text made safe to stand in a double-quoted attribute value.
 *
 * @example escapeAttribute('say "hi"') // 'say &quot;hi&quot;'
 */
export function escapeAttribute(text: string): string {
  const isClean = text?.length > long ? isLongSafe(text) && !text.includes('"') : !inAttribute.test(text);
  return isClean ? text : written(text, true);
}

/** Whether text stands in an attribute and between tags just as it is. */
export function isSafe(text: string): boolean {
  return !inAttribute.test(text);
}

/** Whether a value is text that stands in an attribute and between tags just as it is. */
export function isSafeText(value: unknown): boolean {
  return typeof value === 'string' && !inAttribute.test(value);
}

/** Whether a long text has nothing to escape between tags. */
function isLongSafe(text: string): boolean {
  return (
    !text.includes('&') &&
    !text.includes('<') &&
    !text.includes('>') &&
    !text.includes('\r') &&
    !text.includes('\0')
  );
}

/** Text with its characters written so that a parser reads them back. */
function written(text: string, isQuoted: boolean): string {
  let out = '';
  let from = 0;
  for (let at = 0; at < text.length; at++) {
    let reference: string;
    switch (text.charCodeAt(at)) {
      case 38:
        reference = '&amp;';
        break;
      case 60:
        reference = '&lt;';
        break;
      case 62:
        reference = '&gt;';
        break;
      case 34:
        if (!isQuoted) continue;
        reference = '&quot;';
        break;
      case 13:
        reference = '&#13;';
        break;
      case 0:
        reference = '\uFFFD';
        break;
      default:
        continue;
    }
    out += text.slice(from, at) + reference;
    from = at + 1;
  }
  return out + text.slice(from);
}
