import { dev, failure, finding, reasonOf } from '../problem/index.js';
import type { DomFragment } from './dom-names.js';

interface Policy {
  createHTML(html: string): string;
}

/** Where copies of the library in one page find the policy of the first. */
const shared: unique symbol = Symbol.for('zesty-lattice') as never;

interface PolicyFactory {
  createPolicy(name: string, rules: Policy): Policy;
  [shared]: Policy | undefined;
}

/**
 * Parses ready-made HTML, where a page asks for Trusted Types by the policy named `zesty-lattice`
 * (https://www.w3.org/TR/trusted-types/). Only text handed to
 * `trusted()` comes here, and the constant parts of templates that were planned as the page was built.
 */
export function htmlFragment(html: string): DomFragment {
  const types = (globalThis as { trustedTypes?: Partial<PolicyFactory> }).trustedTypes;
  // Where a browser has no such thing, an element of the page may be called so.
  // A page's policy may allow the name once, and the page may hold several copies of the library.
  if (types)
    types[shared] ??= dev
      ? reportingPolicy(types)
      : types.createPolicy?.('zesty-lattice', { createHTML: (text) => text });
  const template = Document.prototype.createElement.call(document, 'template') as HTMLTemplateElement;
  template.innerHTML = types?.[shared]?.createHTML(html) ?? html;
  return template.content;
}

/** A built page has the browser's own words for a policy that is refused. */
function reportingPolicy(types: Partial<PolicyFactory> | undefined): Policy | undefined {
  try {
    return types?.createPolicy?.('zesty-lattice', { createHTML: (text) => text });
  } catch (thrown) {
    throw failure(finding('policy-forbidden', { reason: reasonOf(thrown) }));
  }
}
