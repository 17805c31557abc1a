import { type Finding, finding } from '../problem/index.js';

/** Names that the HTML standard keeps for itself (https://html.spec.whatwg.org/#valid-custom-element-name). */
const reservedNames: ReadonlySet<string> = new Set([
  'annotation-xml',
  'color-profile',
  'font-face',
  'font-face-src',
  'font-face-uri',
  'font-face-format',
  'font-face-name',
  'missing-glyph',
]);

/** Letters, digits, `-`, `.`, `_` and the wider letters of the standard's PCENChar; a hyphen is asked for apart. */
const allowed =
  /^[a-z][-.0-9_a-z\u00B7\u00C0-\u00D6\u00D8-\u00F6\u00F8-\u037D\u037F-\u1FFF\u200C-\u200D\u203F-\u2040\u2070-\u218F\u2C00-\u2FEF\u3001-\uD7FF\uF900-\uFDCF\uFDF0-\uFFFD\u{10000}-\u{EFFFF}]*$/u;

/** What keeps a name from being a custom element's (https://html.spec.whatwg.org/#valid-custom-element-name). */
export function nameFault(name: string): Finding | undefined {
  const say = (why: string): Finding => finding('name-invalid', { name, why, better: betterName(name) });
  if (typeof name !== 'string' || name === '') return say('it is empty');
  if (/[A-Z]/.test(name)) return say('it has upper-case letters');
  if (!name.includes('-')) return say('it has no hyphen');
  if (reservedNames.has(name)) return say('the HTML standard reserves it');
  if (!allowed.test(name))
    return say('it has a character that a tag name may not have, or starts with no letter');
  return undefined;
}

/** A valid name near to one that is not. */
function betterName(name: string): string {
  const words = String(name)
    .replace(/([a-z0-9])([A-Z])/g, '$1-$2')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[-0-9]+|-+$/g, '');
  if (words === '') return 'my-part';
  return words.includes('-') && !reservedNames.has(words) ? words : `my-${words}`;
}
