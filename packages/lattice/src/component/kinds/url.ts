import { printValue } from '../../problem/print-value.js';
import { isScriptUrl } from '../../problem/script-url.js';
import { Kind } from '../kind.js';
import { rule } from '../rule.js';

export const urlRule = /* @__PURE__ */ rule(
  'a URL that carries no script',
  (value) => typeof value === 'string' && !isScriptUrl(value),
);

/**
 * A URL, absolute or relative, that carries no script: `javascript:`, `vbscript:` and `data:` documents are refused.
 *
 * @example prop.url().fallback('/varieties')
 */
export function url(): Kind<string> {
  return new Kind<string>({
    ...urlRule,
    word: 'url',
    code: { name: 'urlRule' },
    explain: (value) =>
      typeof value === 'string'
        ? `refuses ${printValue(value)}, since its scheme can carry a script`
        : undefined,
    write: (value) => value,
  });
}
