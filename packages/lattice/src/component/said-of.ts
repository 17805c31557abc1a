import { type Finding, saidInText } from '../problem/index.js';
import type { ComponentCore } from './core.js';

/** A finding about a component: in the words that its template is written in, with its line unless it has one of its own. */
export function saidOf(found: Finding, { source, template }: ComponentCore): Finding {
  const said = typeof template === 'function' ? found : saidInText(found);
  return source && !said.source ? { ...said, source } : said;
}
