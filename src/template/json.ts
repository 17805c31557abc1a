/** Whether a value is the same when it has been JSON: no dates, maps, functions, numbers that JSON has not. */
export function isJson(value: unknown, around: readonly unknown[] = []): boolean {
  if (value === null || typeof value === 'string' || typeof value === 'boolean') return true;
  if (typeof value === 'number') return Number.isFinite(value);
  if (value === undefined) return around.length === 0;
  if (typeof value !== 'object' || around.includes(value)) return false;
  const inside = [...around, value];
  if (Array.isArray(value)) return value.every((one) => isJson(one, inside));
  const above = Object.getPrototypeOf(value);
  if (above !== null && above !== Object.prototype) return false;
  return Object.values(value).every((one) => one === undefined || isJson(one, inside));
}

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
