/**
 * Elements whose end tag may be left out, and whose start tag may be
 * (https://html.spec.whatwg.org/#optional-tags).
 */
const set = (words: string): ReadonlySet<string> => new Set(words.split(' '));

/** Elements that need no end tag, as far as what follows ends them. */
export const mayStayOpen = set(
  'p li dt dd option optgroup rt rp thead tbody tfoot tr td th colgroup caption html head body',
);

const blocks = set(
  'address article aside blockquote details dialog div dl fieldset figcaption figure footer form h1 h2 h3 h4 h5 h6 header hgroup hr main menu nav ol p pre search section table ul',
);

/** The start tags that end an element which is open innermost. */
const enders: Readonly<Record<string, ReadonlySet<string>>> = {
  p: blocks,
  li: set('li'),
  dt: set('dt dd'),
  dd: set('dt dd'),
  option: set('option optgroup hr'),
  optgroup: set('optgroup hr'),
  rt: set('rt rp'),
  rp: set('rt rp'),
  colgroup: set('colgroup thead tbody tfoot tr caption'),
  caption: set('colgroup thead tbody tfoot tr'),
  thead: set('tbody tfoot'),
  tbody: set('tbody tfoot thead'),
  tfoot: set('tbody thead'),
  tr: set('tr tbody tfoot thead'),
  td: set('td th tr tbody tfoot thead'),
  th: set('td th tr tbody tfoot thead'),
};

/** Whether an open element ends where a start tag comes. */
export function closedBy(open: string, tag: string): boolean {
  return enders[open]?.has(tag) ?? false;
}

/** The elements that the standard puts around a start tag by itself, outermost first. */
export function impliedParents(tag: string, names: readonly string[]): readonly string[] {
  const parent = names.at(-1);
  if (tag === 'tr' && parent === 'table') return ['tbody'];
  if ((tag === 'td' || tag === 'th') && parent === 'table') return ['tbody', 'tr'];
  if ((tag === 'td' || tag === 'th') && /^t(body|head|foot)$/.test(parent ?? '')) return ['tr'];
  if (tag === 'col' && parent === 'table') return ['colgroup'];
  return [];
}
