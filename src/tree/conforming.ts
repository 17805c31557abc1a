import { type Finding, finding } from '../problem/index.js';

// What the HTML standard forbids and a parser keeps all the same: a page shows it, and readers stumble over it.

const set = (words: string): ReadonlySet<string> => new Set(words.split(' '));

/** What one operates (https://html.spec.whatwg.org/#interactive-content-2), so far as the tag alone tells. */
const interactive = set('button details embed iframe label select textarea');

/** The parents that these have to have: lists, and what belongs to one element. */
const parents: Readonly<Record<string, { readonly of: ReadonlySet<string>; readonly link: string }>> = {
  li: { of: set('ul ol menu template'), link: '#the-li-element' },
  dt: { of: set('dl div template'), link: '#the-dt-element' },
  dd: { of: set('dl div template'), link: '#the-dd-element' },
  figcaption: { of: set('figure template'), link: '#the-figcaption-element' },
  legend: { of: set('fieldset template'), link: '#the-legend-element' },
  summary: { of: set('details template'), link: '#the-summary-element' },
};

/** Elements that a parser opens again where they were not closed (https://html.spec.whatwg.org/#formatting): that is told. */
const formatting = set('a b big code em font i nobr s small strike strong tt u');

/**
 * Why an element may not stand inside the open ones (outermost first), though a parser keeps it there.
 *
 * @param has its attributes by name, where it matters that one is there
 */
export function misplacedElement(
  tag: string,
  has: (attribute: string) => boolean,
  open: readonly string[],
): Finding | undefined {
  const parent = open.at(-1);
  const rule = Object.hasOwn(parents, tag) ? parents[tag] : undefined;
  const isKnown = parent !== undefined && !/^\?|-/.test(parent) && !formatting.has(parent);
  if (rule && isKnown && !rule.of.has(parent)) {
    const wanted = [...rule.of].filter((one) => one !== 'template' && one !== 'div').map((one) => `<${one}>`);
    return finding('element-misplaced', {
      tag,
      place: `in <${parent}>`,
      hint: `It belongs into ${wanted.join(' or ')} (https://html.spec.whatwg.org/${rule.link}).`,
    });
  }
  const isOperated =
    interactive.has(tag) || (tag === 'a' && has('href')) || (tag === 'input' && !has('hidden'));
  const around = isOperated
    ? open.findLast((one) => one === 'a' || one === 'button' || (one === 'label' && tag === 'label'))
    : undefined;
  if (around === undefined) return undefined;
  return finding('element-misplaced', {
    tag,
    place: `in <${around}>`,
    hint: 'One cannot be operated inside the other: put them side by side (https://html.spec.whatwg.org/#interactive-content-2).',
  });
}
