import { Kind, unreadable } from '../kind.js';

/**
 * Yes or no; no unless given. As an attribute it is there or not there, as HTML's boolean attributes are
 * (https://html.spec.whatwg.org/#boolean-attributes).
 *
 * @example prop.flag()
 */
export function flag(): Kind<boolean, boolean, 'fallback'> {
  return new Kind<boolean>({
    word: 'flag',
    expected: 'true or false',
    accepts: (value) => typeof value === 'boolean',
    explain: (value) =>
      value === 'true' || value === 'false'
        ? `takes true or false, and got the text "${value}"; write ${value} without quotes`
        : undefined,
    read: readFlag,
    write: (value) => (value ? '' : null),
    schema: { type: 'boolean' },
  }).fallback(false);
}

export function readFlag(written: string): unknown {
  return written === 'false' ? unreadable : true;
}
