import { reasonOf } from '../problem/index.js';
/** Whether a value is the same when it has been JSON: no dates, maps, functions, numbers that JSON has not. */
export function isJson(value: unknown, around: readonly unknown[] = []): boolean {
  if (value === null || typeof value === 'string' || typeof value === 'boolean') return true;
  if (typeof value === 'number') return Number.isFinite(value);
  if (value === undefined) return around.length === 0;
  if (typeof value !== 'object' || around.includes(value)) return false;
  const inside = [...around, value];
  if (Array.isArray(value)) return value.every((one) => isJson(one, inside));
  const above = Object.getPrototypeOf(value);
  // What `fetch` gave may be of another realm, whose `Object.prototype` is another object.
  if (above !== null && Object.getPrototypeOf(above) !== null) return false;
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

/**
 * Why a value cannot be written as JSON, in words that go on after its name; `thrown` is what writing it threw.
 *
 * @example jsonFault(thrown, { crates: 9n }) // 'has a BigInt in "crates", which JSON has not'
 */
export function jsonFault(thrown: unknown, value: unknown): string {
  if (thrown instanceof RangeError) return 'is nested deeper than JSON can be written';
  return misfitIn(value, '', []) ?? `stopped with an error: ${reasonOf(thrown)}`;
}

function misfitIn(value: unknown, path: string, around: readonly unknown[]): string | undefined {
  const inside = path === '' ? '' : ` in "${path}"`;
  if (typeof value === 'bigint') return `has a BigInt${inside}, which JSON has not`;
  if (typeof value !== 'object' || value === null) return undefined;
  if (around.includes(value)) return `holds itself${inside}, which JSON cannot say`;
  // What says by itself what it is in JSON is not looked into.
  if ('toJSON' in value) return undefined;
  const further = [...around, value];
  for (const [key, one] of Object.entries(value)) {
    const found = misfitIn(one, path === '' ? key : `${path}.${key}`, further);
    if (found) return found;
  }
  return undefined;
}
