import { svgTags } from '../generated/tags.js';
import { escapedTextElements, voidElements } from '../template/index.js';

/**
 * Where an element or text may stand so that a parser reads back what was written. Only rules that would make a
 * parser move, close or drop something are here (https://html.spec.whatwg.org/#parsing-main-inbody and the
 * insertion modes after it).
 */

const set = (words: string): ReadonlySet<string> => new Set(words.split(' '));

/** Start tags that close a `p` that is open around them. */
const closesParagraph = set(
  'address article aside blockquote center dd details dialog dir div dl dt fieldset figcaption figure footer form h1 h2 h3 h4 h5 h6 header hgroup hr li listing main menu nav ol p plaintext pre search section summary table ul xmp',
);

const headings = set('h1 h2 h3 h4 h5 h6');

/** Elements that end the search for an open element (https://html.spec.whatwg.org/#has-an-element-in-scope). */
const scopeEnds = set('caption table td th object template foreignObject desc svg:title html');

/** The standard's "special" elements, at which the search for an open list item ends, save for three of them. */
const special = set(
  'article aside blockquote button caption center col colgroup dd details dir dl dt embed fieldset figcaption figure footer form h1 h2 h3 h4 h5 h6 header hgroup hr iframe img input li link listing main menu meta nav noscript object ol pre script section select source style summary table tbody td template textarea tfoot th thead title tr track ul wbr foreignObject desc svg:title',
);

/** The only children that these elements keep; text is kept by none of them. */
const onlyChildren: Readonly<Record<string, ReadonlySet<string>>> = {
  table: set('caption colgroup thead tbody tfoot script style template'),
  thead: set('tr script style template'),
  tbody: set('tr script style template'),
  tfoot: set('tr script style template'),
  tr: set('td th script style template'),
  colgroup: set('col template'),
  select: set('option optgroup hr script template'),
  optgroup: set('option script template'),
};

/** The only parents in which a parser keeps these elements. */
const onlyParents: Readonly<Record<string, ReadonlySet<string>>> = {
  caption: set('table'),
  colgroup: set('table'),
  thead: set('table'),
  tbody: set('table'),
  tfoot: set('table'),
  tr: set('thead tbody tfoot'),
  td: set('tr'),
  th: set('tr'),
  col: set('colgroup'),
  rt: set('ruby'),
  rp: set('ruby'),
  rb: set('ruby'),
  rtc: set('ruby'),
};

const textOnly = new Set([...escapedTextElements, 'option', 'iframe']);
const pageParts = set('html head body frameset frame');
const bothWorlds = set('a script style title');
const htmlInSvg = set('foreignObject desc svg:title');

/** What stands in the way of an element or text: how to go on from there. */
export interface Misfit {
  readonly place: string;
  readonly hint: string;
}

/** What a tag is called among the open elements; SVG's `title` reads its content another way than HTML's. */
export function openName(tag: string, open: readonly string[]): string {
  return tag === 'title' && isInSvg(open) ? 'svg:title' : tag;
}

/** Why an element may not stand inside the open ones (outermost first); undefined where it may. */
export function elementMisfit(tag: string, open: readonly string[]): Misfit | undefined {
  const parent = open.at(-1);
  if (parent?.startsWith('?')) return undefined;
  if (pageParts.has(tag))
    return { place: 'in a component', hint: 'renderPage writes html, head and body; leave them out.' };
  if (isInSvg(open)) return svgMisfit(tag, parent);
  if (tag !== 'svg' && svgTags.has(tag) && !bothWorlds.has(tag)) {
    return {
      place: 'outside <svg>',
      hint: 'It is an element of SVG: write <svg> around it, in the same template.',
    };
  }
  return parentMisfit(tag, parent) ?? ancestorMisfit(tag, open);
}

function svgMisfit(tag: string, parent: string | undefined): Misfit | undefined {
  if (svgTags.has(tag)) return undefined;
  return {
    place: `in <${parent}>`,
    hint: 'Inside SVG only SVG elements can stand; put HTML into el.foreignObject(…).',
  };
}

/** Whether a parser reads what comes next as SVG. */
function isInSvg(open: readonly string[]): boolean {
  const last = open.findLastIndex((tag) => tag === 'svg' || htmlInSvg.has(tag));
  return open[last] === 'svg';
}

function parentMisfit(tag: string, parent: string | undefined): Misfit | undefined {
  if (parent !== undefined) {
    if (voidElements.has(parent) || textOnly.has(parent)) return contentMisfit(parent);
    const allowed = onlyChildren[parent];
    if (allowed && !allowed.has(tag)) {
      return {
        place: `straight in <${parent}>`,
        hint: `<${parent}> takes ${listed(allowed)}.${rowHint(tag, parent)}`,
      };
    }
  }
  // A template's content stands in nothing as yet.
  const parents = parent === 'template' ? undefined : onlyParents[tag];
  if (parents && (parent === undefined || !parents.has(parent))) {
    if (parent === undefined) return undefined;
    return { place: `in <${parent}>`, hint: `It stands only in ${listed(parents)}.${rowHint(tag, parent)}` };
  }
  return undefined;
}

function rowHint(tag: string, parent: string): string {
  return tag === 'tr' && parent === 'table' ? ' Write el.table(el.tbody(el.tr(…))).' : '';
}

function ancestorMisfit(tag: string, open: readonly string[]): Misfit | undefined {
  const parent = open.at(-1) ?? '';
  if (closesParagraph.has(tag) && inScope('p', open, 'button')) {
    return {
      place: 'inside <p>',
      hint: 'A parser would end the paragraph before it. Use a <div> around both, or inline elements inside.',
    };
  }
  if (headings.has(tag) && headings.has(parent)) {
    return {
      place: `in <${parent}>`,
      hint: 'A parser would end the outer heading. Use a <span> inside the heading.',
    };
  }
  if (tag === 'li' || tag === 'dd' || tag === 'dt') return itemMisfit(tag, open);
  if ((tag === 'button' || tag === 'nobr') && inScope(tag, open)) {
    return {
      place: `inside another <${tag}>`,
      hint: 'A parser would end the outer one. Put them side by side.',
    };
  }
  if (
    (tag === 'a' && inScope('a', open)) ||
    (tag === 'form' && open.lastIndexOf('form') > open.lastIndexOf('template'))
  ) {
    return {
      place: `inside another <${tag}>`,
      hint: 'A parser would end or drop one of them. Put them side by side.',
    };
  }
  if ((tag === 'option' || tag === 'optgroup') && parent === 'option') return contentMisfit(parent);
  return undefined;
}

function itemMisfit(tag: string, open: readonly string[]): Misfit | undefined {
  const rivals = tag === 'li' ? set('li') : set('dd dt');
  for (const name of [...open].reverse()) {
    if (rivals.has(name)) {
      return {
        place: `inside <${name}>`,
        hint: `A parser would end the outer item. Put a nested list, such as <${tag === 'li' ? 'ul' : 'dl'}>, around the inner one.`,
      };
    }
    if (special.has(name)) return undefined;
  }
  return undefined;
}

function inScope(wanted: string, open: readonly string[], also?: string): boolean {
  for (const name of [...open].reverse()) {
    if (name === wanted) return true;
    if (scopeEnds.has(name) || name === also) return false;
  }
  return false;
}

/** Why text may not stand in the innermost open element; undefined where it may. */
export function textMisfit(text: string | undefined, open: readonly string[]): Misfit | undefined {
  const parent = open.at(-1);
  if (parent === undefined || parent.startsWith('?')) return undefined;
  if (voidElements.has(parent) || parent === 'iframe') return contentMisfit(parent);
  const allowed = onlyChildren[parent];
  if (
    !allowed ||
    (text !== undefined && /^[ \t\n\f\r]*$/.test(text) && parent !== 'select' && parent !== 'optgroup')
  )
    return undefined;
  return {
    place: `straight in <${parent}>`,
    hint: `<${parent}> takes ${listed(allowed)}; put the text into a cell, a caption or an option.`,
  };
}

function contentMisfit(parent: string): Misfit {
  if (voidElements.has(parent))
    return { place: `in <${parent}>`, hint: `<${parent}> takes no content; put it after the element.` };
  if (parent === 'iframe')
    return {
      place: 'in <iframe>',
      hint: 'An <iframe> accepts no content. Use src, or srcdoc with trusted(…).',
    };
  return { place: `in <${parent}>`, hint: `<${parent}> takes text alone.` };
}

function listed(tags: ReadonlySet<string>): string {
  return [...tags].map((tag) => `<${tag}>`).join(', ');
}
