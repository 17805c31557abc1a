import { isScriptUrl } from '../../problem/script-url.js';
import { show } from '../../problem/show.js';
import { Kind, unreadable } from '../kind.js';

/**
 * A URL, absolute or relative, that carries no script: `javascript:`, `vbscript:` and `data:` documents are refused.
 *
 * @example prop.url().fallback('/varieties')
 */
export function url(): Kind<string> {
  return new Kind<string>({
    word: 'url',
    expected: 'a URL that carries no script',
    accepts: (value) => typeof value === 'string' && !isScriptUrl(value),
    explain: (value) =>
      typeof value === 'string' ? `refuses ${show(value)}, since its scheme can carry a script` : undefined,
    read: (written) => (isScriptUrl(written) ? unreadable : written),
    write: (value) => value,
    schema: { type: 'string', format: 'uri-reference' },
  });
}
