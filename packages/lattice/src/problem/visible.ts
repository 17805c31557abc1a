/** Characters that steer a terminal or turn the order of what is read: all but tab and line feed. */
const steering = /[\x00-\x08\x0b-\x1f\x7f-\x9f\u061c\u200e\u200f\u2028-\u202e\u2066-\u2069]/g;

/**
 * Returns a text with its control characters shown, for a terminal or a log: data never steers either.
 *
 * @example visible('\x1b[2JSold out') // '\\x1b[2JSold out'
 */
export function visible(text: string): string {
  return text.replace(steering, (char) => {
    const code = char.charCodeAt(0).toString(16);
    return code.length > 2 ? `\\u${code.padStart(4, '0')}` : `\\x${code.padStart(2, '0')}`;
  });
}
