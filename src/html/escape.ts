const inText = /[&<>\r\0]/;
const inAttribute = /[&<>"\r\0]/;
const nextInText = /[&<>\r\0]/g;
const nextInAttribute = /[&<>"\r\0]/g;

/** What a character is written as. A parser would drop or change the last two if they stood as they are. */
const written: Readonly<Record<number, string>> = {
  38: '&amp;',
  60: '&lt;',
  62: '&gt;',
  34: '&quot;',
  13: '&#13;',
  0: '\uFFFD',
};

/**
 * Text made safe to stand between tags, so that a parser reads back the same text. A carriage return is written as
 * a reference, since a parser makes a line feed of it; U+0000, which HTML cannot hold, becomes U+FFFD
 * (https://html.spec.whatwg.org/#escapingString, https://html.spec.whatwg.org/#preprocessing-the-input-stream).
 *
 * @example escapeText('a < b & c') // 'a &lt; b &amp; c'
 */
export function escapeText(text: string): string {
  return (isLong(text) ? isLongSafe(text) : !inText.test(text)) ? text : escaped(text, nextInText);
}

/**
 * Text made safe to stand in a double-quoted attribute value.
 *
 * @example escapeAttribute('say "hi"') // 'say &quot;hi&quot;'
 */
export function escapeAttribute(text: string): string {
  const isClean = isLong(text) ? isLongSafe(text) && !text.includes('"') : !inAttribute.test(text);
  return isClean ? text : escaped(text, nextInAttribute);
}

/** Text that is safe between tags made safe in a double-quoted attribute value as well. */
export function quoted(text: string): string {
  return text.includes('"') ? text.replaceAll('"', '&quot;') : text;
}

/** Whether text stands in an attribute and between tags just as it is. */
export function isSafe(text: string): boolean {
  return !inAttribute.test(text);
}

/** Whether a value is text that stands in an attribute and between tags just as it is. */
export function isSafeText(value: unknown): boolean {
  return typeof value === 'string' && !inAttribute.test(value);
}

/** Whether it is quicker to look for each character by itself: in long text, if its characters are of one byte. */
function isLong(text: string): boolean {
  return text?.length > 100 && text.charCodeAt(0) < 256 && text.charCodeAt(text.length >> 1) < 256;
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
function escaped(text: string, next: RegExp): string {
  if (text.length <= 100) return escapedShort(text, next === nextInAttribute);
  let out = '';
  let from = 0;
  next.lastIndex = 0;
  while (next.test(text)) {
    const at = next.lastIndex - 1;
    out += text.slice(from, at) + written[text.charCodeAt(at)];
    from = at + 1;
  }
  return out + text.slice(from);
}

/** The same for a short text, which is quickest walked through. */
function escapedShort(text: string, isQuoted: boolean): string {
  let out = '';
  let from = 0;
  for (let at = 0; at < text.length; at++) {
    const unit = text.charCodeAt(at);
    if (unit > 62) continue;
    let reference: string;
    switch (unit) {
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
