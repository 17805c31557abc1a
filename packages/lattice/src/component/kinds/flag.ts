import { Kind } from '../kind.js';
import { rule, unreadable } from '../rule.js';

export const flagRule = /* @__PURE__ */ rule(
  'true or false',
  (value) => typeof value === 'boolean',
  (text) => (text === 'false' ? unreadable : true),
);

/**
 * Yes or no; no unless given. As an attribute it is there or not there, as HTML's boolean attributes are
 * (https://html.spec.whatwg.org/#boolean-attributes).
 *
 * @example prop.flag()
 */
export function flag(): Kind<boolean, boolean, 'fallback'> {
  return new Kind<boolean>({
    ...flagRule,
    word: 'flag',
    code: { name: 'flagRule' },
    explain: (value) =>
      value === 'true' || value === 'false'
        ? `expects true or false, but received the text "${value}"; write ${value} without quotes, in HTML ${value === 'true' ? 'the name alone' : 'leave the attribute out'}`
        : undefined,
    write: (value) => (value ? '' : null),
  }).fallback(false);
}
