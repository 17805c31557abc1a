const nextInText = /[&<>\r\0]/g;
const nextInAttribute = /[&<>"\r\0]/g;

/**
 * Text made safe to stand between tags, so that a parser reads back the same text. A carriage return is written as
 * a reference, since a parser makes a line feed of it; U+0000, which HTML cannot hold, becomes U+FFFD
 * (https://html.spec.whatwg.org/#escapingString, https://html.spec.whatwg.org/#preprocessing-the-input-stream).
 *
 * @example escapeText('a < b & c') // 'a &lt; b &amp; c'
 */
export function escapeText(text: string): string {
  return isLong(text) && isLongSafe(text) ? text : escaped(text, nextInText, false);
}

/**
 * Text made safe to stand in a double-quoted attribute value.
 *
 * @example escapeAttribute('say "hi"') // 'say &quot;hi&quot;'
 */
export function escapeAttribute(text: string): string {
  return isLong(text) && isLongSafe(text) && !text.includes('"')
    ? text
    : escaped(text, nextInAttribute, true);
}

/** Text that is safe between tags made safe in a double-quoted attribute value as well. */
export function quoted(text: string): string {
  return text.includes('"') ? text.replaceAll('"', '&quot;') : text;
}

/** Whether text stands in an attribute and between tags just as it is. */
export function isSafe(text: string): boolean {
  if (isLong(text)) return isLongSafe(text) && !text.includes('"');
  nextInAttribute.lastIndex = 0;
  return !nextInAttribute.test(text);
}

/** Whether a value is text that stands in an attribute and between tags just as it is. */
export function isSafeText(value: unknown): boolean {
  return typeof value === 'string' && isSafe(value);
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

/** How far one more character is looked for by walking on, since they often stand close together. */
const near = 12;

/** Text with its characters written so that a parser reads them back. */
function escaped(text: string, next: RegExp, isQuoted: boolean): string {
  next.lastIndex = 0;
  if (!next.test(text)) return text;
  let out = '';
  let from = 0;
  let at = next.lastIndex - 1;
  while (true) {
    out += text.slice(from, at) + referenceOf(text.charCodeAt(at));
    from = at + 1;
    const end = Math.min(text.length, from + near);
    at = from;
    while (at < end && !isEscaped(text.charCodeAt(at), isQuoted)) at++;
    if (at < end) continue;
    next.lastIndex = at;
    if (!next.test(text)) return out + text.slice(from);
    at = next.lastIndex - 1;
  }
}

function isEscaped(unit: number, isQuoted: boolean): boolean {
  if (unit > 62) return false;
  return unit === 38 || unit === 60 || unit === 62 || (unit === 34 && isQuoted) || unit === 13 || unit === 0;
}

/** What a character is written as. A parser would drop or change the last two if they stood as they are. */
function referenceOf(unit: number): string {
  switch (unit) {
    case 38:
      return '&amp;';
    case 60:
      return '&lt;';
    case 62:
      return '&gt;';
    case 34:
      return '&quot;';
    case 13:
      return '&#13;';
    default:
      return '\uFFFD';
  }
}
