const inText = /[&<>\r\0]/;
const inAttribute = /[&<>"\r\0]/;

/** What a character is written as. A parser would drop or change the last two if they stood as they are. */
const written: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  '\r': '&#13;',
  '\0': '\uFFFD',
};

/**
 * Text made safe to stand between tags, so that a parser reads back the same text. A carriage return is written as
 * a reference, since a parser makes a line feed of it; U+0000, which HTML cannot hold, becomes U+FFFD
 * (https://html.spec.whatwg.org/#escapingString, https://html.spec.whatwg.org/#preprocessing-the-input-stream).
 *
 * @example escapeText('a < b & c') // 'a &lt; b &amp; c'
 */
export function escapeText(text: string): string {
  return inText.test(text) ? text.replace(/[&<>\r\0]/g, (char) => written[char] ?? char) : text;
}

/**
 * Text made safe to stand in a double-quoted attribute value.
 *
 * @example escapeAttribute('say "hi"') // 'say &quot;hi&quot;'
 */
export function escapeAttribute(text: string): string {
  return inAttribute.test(text) ? text.replace(/[&<>"\r\0]/g, (char) => written[char] ?? char) : text;
}
