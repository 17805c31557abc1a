import { Kind } from '../kind.js';
import { rule, unreadable } from '../rule.js';

/**
 * Numbers as HTML's valid floating-point numbers, with white space around and a plus sign as well: what JavaScript reads save
 * for nothing, other bases and Infinity (https://html.spec.whatwg.org/#valid-floating-point-number).
 */
export const numberRule = /* @__PURE__ */ rule('a number', Number.isFinite, (text) =>
  /[xob]|^\D*$/i.test(text) || !Number.isFinite(+text) ? unreadable : +text,
);

/**
 * A finite number. Text is not a number: `crates: '4'` is a problem, while the attribute `crates="4"` is read as 4.
 *
 * @example prop.number().fallback(0)
 */
export function number(): Kind<number> {
  return new Kind<number>({
    ...numberRule,
    word: 'number',
    code: { name: 'numberRule' },
    explain: (value) =>
      typeof value === 'string' && numberRule.read(value) !== unreadable
        ? `expects a number, but received the text ${JSON.stringify(value)}; write ${Number(value)} without quotes`
        : undefined,
    write: String,
  });
}
