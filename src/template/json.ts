/**
 * A value as JSON that can stand in a `script` data block: nothing in it can end the block or open a comment
 * (https://html.spec.whatwg.org/#restrictions-for-contents-of-script-elements).
 */
export function jsonBlock(value: unknown): string {
  const json = JSON.stringify(value) ?? 'null';
  return json.replace(
    /[<>&\u2028\u2029]/g,
    (char) => `\\u${char.charCodeAt(0).toString(16).padStart(4, '0')}`,
  );
}
