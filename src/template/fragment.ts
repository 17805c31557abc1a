import { failure, finding, reasonOf } from '../problem/index.js';
import type { DomFragment } from './dom-names.js';

interface Policy {
  createHTML(html: string): string;
}

interface PolicyFactory {
  createPolicy(name: string, rules: Policy): Policy;
}

let policy: Policy | undefined;

/**
 * Parses ready-made HTML, where a page asks for Trusted Types by the policy named `zesty-lattice`
 * (https://www.w3.org/TR/trusted-types/). Only text handed to
 * `trusted()` comes here, and the constant parts of templates that were planned as the page was built.
 */
export function htmlFragment(html: string): DomFragment {
  const types = (globalThis as { trustedTypes?: PolicyFactory }).trustedTypes;
  // Where a browser has no such thing, an element of the page may be called so.
  if (!policy && typeof types?.createPolicy === 'function') policy = made(types);
  const template = Document.prototype.createElement.call(document, 'template') as HTMLTemplateElement;
  template.innerHTML = policy?.createHTML(html) ?? html;
  return template.content;
}

function made(types: PolicyFactory): Policy {
  try {
    return types.createPolicy('zesty-lattice', { createHTML: (text) => text });
  } catch (thrown) {
    throw failure(finding('policy-forbidden', { reason: reasonOf(thrown) }));
  }
}
