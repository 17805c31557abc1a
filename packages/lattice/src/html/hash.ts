/** Returns two hashes of a text as one word of digits and letters. */
export function hashOf(text: string): string {
  let [a, b] = [0x9e3779b9, 0x85ebca6b];
  for (let at = 0; at < text.length; at++) {
    const unit = text.charCodeAt(at);
    a = Math.imul(a ^ unit, 2654435761);
    b = Math.imul(b ^ unit, 1597334677);
  }
  return `${(a >>> 0).toString(36)}${(b >>> 0).toString(36)}`;
}
