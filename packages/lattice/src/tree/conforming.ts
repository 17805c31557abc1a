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

/** Elements that a parser opens again where they were not closed (https://html.spec.whatwg.org/#formatting): that is reported. */
const formatting = set('a b big code em font i nobr s small strike strong tt u');

/** What may stand in these, and nothing else. */
const children: Readonly<Record<string, { readonly of: ReadonlySet<string>; readonly link: string }>> = {
  ul: { of: set('li script template'), link: '#the-ul-element' },
  ol: { of: set('li script template'), link: '#the-ol-element' },
  menu: { of: set('li script template'), link: '#the-menu-element' },
  dl: { of: set('dt dd div script template'), link: '#the-dl-element' },
};

/** Elements that are no phrasing content (https://html.spec.whatwg.org/#phrasing-content-2), as far as the tag alone tells. */
const blocks = set(
  'address article aside blockquote details dialog div dl fieldset figure footer form h1 h2 h3 h4 h5 h6 header hgroup hr main menu nav ol p pre search section table ul',
);

/** Elements that take phrasing content alone. */
const phrasing = set(
  'abbr b bdi bdo button cite code data dfn em h1 h2 h3 h4 h5 h6 i kbd label mark meter output p pre progress q s samp small span strong sub sup time u var',
);

/** Elements that take what the one around them takes (https://html.spec.whatwg.org/#transparent-content-models). */
const transparent = set('a audio canvas del ins map noscript object slot video');

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
  const isKnown = parent !== undefined && !/^\?|-/.test(parent) && !formatting.has(parent);
  const misplaced = (place: string, hint: string): Finding =>
    finding('element-misplaced', { tag, place: `in <${place}>`, hint });
  const rule = Object.hasOwn(parents, tag) ? parents[tag] : undefined;
  if (rule && isKnown && !rule.of.has(parent)) {
    const wanted = [...rule.of].filter((one) => one !== 'template' && one !== 'div').map((one) => `<${one}>`);
    return misplaced(parent, `It belongs into ${wanted.join(' or ')} (${standard}${rule.link}).`);
  }
  const holds = parent !== undefined && Object.hasOwn(children, parent) ? children[parent] : undefined;
  if (
    holds &&
    parent !== undefined &&
    !holds.of.has(tag) &&
    !formatting.has(tag) &&
    !/^\?|-/.test(tag) &&
    tag !== 'slot'
  )
    return misplaced(
      parent,
      `There it takes ${[...holds.of]
        .slice(0, -2)
        .map((one) => `<${one}>`)
        .join(' or ')}: put it into one (${standard}${holds.link}).`,
    );
  const around = blocks.has(tag) ? open.findLast((one) => !transparent.has(one)) : undefined;
  if (around !== undefined && phrasing.has(around) && !formatting.has(around))
    return misplaced(
      around,
      `There it takes text and what stands in text: write <span> for <${tag}>, or another element around it (${standard}#phrasing-content-2).`,
    );
  return misplacedControl(tag, has, open);
}

const standard = 'https://html.spec.whatwg.org/';

/** One thing that is operated inside another one. */
function misplacedControl(
  tag: string,
  has: (attribute: string) => boolean,
  open: readonly string[],
): Finding | undefined {
  const isOperated =
    interactive.has(tag) || (tag === 'a' && has('href')) || (tag === 'input' && !has('hidden'));
  const around = isOperated
    ? open.findLast((one) => one === 'a' || one === 'button' || (one === 'label' && tag === 'label'))
    : undefined;
  if (around === undefined) return undefined;
  return finding('element-misplaced', {
    tag,
    place: `in <${around}>`,
    hint: `One cannot be operated inside the other: put them side by side (${standard}#interactive-content-2).`,
  });
}

/** What a start tag of one of these has to be followed by first, as far as elements go. */
const firsts: Readonly<Record<string, readonly [child: string, link: string]>> = {
  details: ['summary', '#the-details-element'],
};

/** Whether the elements in an element are in the order that the standard asks for. */
export function childrenFault(tag: string, inside: readonly string[]): Finding | undefined {
  const [first, link] = (Object.hasOwn(firsts, tag) ? firsts[tag] : undefined) ?? [];
  if (first !== undefined && inside[0] !== first && inside[0] !== 'slot' && !/^\?|-/.test(inside[0] ?? ''))
    return finding('element-missing', { tag, child: first, link: `${standard}${link}` });
  const legend = tag === 'fieldset' ? inside.indexOf('legend') : -1;
  if (legend > 0)
    return finding('element-misplaced', {
      tag: 'legend',
      place: `behind other elements of <fieldset>`,
      hint: `It comes first there (${standard}#the-fieldset-element).`,
    });
  return undefined;
}
