import { type DefaultTreeAdapterMap, parseFragment } from 'parse5';
import { expect, test } from 'vitest';
import { closedBy, impliedParents } from '../../packages/lattice/src/markup/syntax/optional-tags.js';
import { elementMisfit, openName, textMisfit } from '../../packages/lattice/src/tree/nesting.js';
import { isLong } from '../support/runs.js';

type Parent = DefaultTreeAdapterMap['parentNode'];
type Child = DefaultTreeAdapterMap['childNode'];

/** Elements of every kind that a parser has rules for. */
const tags =
  'a address article b br button caption center col colgroup dd details dialog div dl dt em fieldset figure footer form h1 h3 header hgroup hr i iframe img input li link main menu meta nav nobr object ol optgroup option p pre rb rp rt rtc ruby script search section select source span style summary table tbody td template textarea tfoot th thead title tr ul video svg g path desc foreignObject circle'.split(
    ' ',
  );
const voids = new Set('br col hr img input link meta source'.split(' '));
/** Tags that stand where their parents do: in a page's text they are dropped. */
const parts = /^(?:caption|col|colgroup|tbody|td|tfoot|th|thead|tr)$/;

/** The innermost of nested elements as a parser has them, and whether all stand as they are written. */
function isKept(chain: readonly string[], inside: string): boolean {
  const open = chain.map((tag) => `<${tag}>`).join('');
  const close = [...chain]
    .reverse()
    .map((tag) => (voids.has(tag) ? '' : `</${tag}>`))
    .join('');
  let at: Parent = parseFragment(`<div>${open}${inside}${close}</div>`);
  for (const tag of ['div', ...chain]) {
    const only: Child | undefined = at.childNodes[0];
    if (at.childNodes.length !== 1 || !only || !('tagName' in only) || only.tagName !== tag) return false;
    at = tag === 'template' && 'content' in only ? only.content : only;
  }
  return inside === ''
    ? at.childNodes.length === 0
    : at.childNodes.length === 1 && at.childNodes[0]?.nodeName === '#text';
}

/** The names that the rules have for what is open. */
function opened(chain: readonly string[]): readonly string[] {
  const open = ['div'];
  for (const tag of chain) open.push(openName(tag, open));
  return open;
}

const isRight = (chain: readonly string[]): boolean =>
  chain.every((tag, at) => elementMisfit(tag, opened(chain.slice(0, at))) === undefined);

/** What is refused although a parser keeps it: no standard has it there. */
function isStrange(chain: readonly string[]): boolean {
  const open = opened(chain.slice(0, -1));
  return chain.some((tag, at) => {
    const parent = chain[at - 1] ?? 'div';
    const world = open.slice(0, at + 1).findLast((one) => /^(?:svg|desc|foreignObject|svg:title)$/.test(one));
    const isInSvg = world === 'svg';
    return (
      (/^r(?:b|p|t|tc)$/.test(tag) && parent !== 'ruby') ||
      (/^(?:g|path|desc|circle|foreignObject)$/.test(tag) && !isInSvg) ||
      (isInSvg && !/^(?:a|script|style|title|svg|g|path|desc|circle|foreignObject)$/.test(tag)) ||
      /^(?:option|optgroup|select)$/.test(parent) ||
      (tag === 'form' && (/^(?:table|tbody|tfoot|thead|tr)$/.test(parent) || chain.indexOf('form') < at))
    );
  });
}

test('what may stand in what is what a parser keeps there: all elements in all, and in those that may be around', () => {
  const moved: string[] = [];
  const refused: string[] = [];
  let looked = 0;
  const look = (chain: readonly string[]): void => {
    looked++;
    const [says, keeps] = [isRight(chain), isKept(chain, '')];
    if (says && !keeps) moved.push(chain.join(' '));
    if (!says && keeps && !isStrange(chain)) refused.push(chain.join(' '));
  };
  // What stands in a script or in rules is text, whatever it looks like.
  const isText = (tag: string): boolean => tag === 'script' || tag === 'style';
  for (const outer of tags) {
    if (parts.test(outer) || isText(outer)) continue;
    look([outer]);
    for (const tag of tags) {
      look([outer, tag]);
      if (isText(tag) || !isRight([outer, tag])) continue;
      // A third of them in a usual run, all in a long one.
      for (const [at, inner] of tags.entries())
        if (isLong || (at + looked) % 3 === 0) look([outer, tag, inner]);
    }
  }
  expect(looked).toBeGreaterThan(15_000);
  expect(moved).toEqual([]);
  expect(refused).toEqual([]);
});

test('text may stand where a parser keeps it, and is refused elsewhere', () => {
  const moved: string[] = [];
  const refused: string[] = [];
  for (const outer of tags) {
    if (parts.test(outer)) continue;
    for (const inner of ['', ...tags]) {
      const chain = inner === '' ? [outer] : [outer, inner];
      if (!isRight(chain) || (inner !== '' && /^(?:script|style)$/.test(outer))) continue;
      const says = textMisfit('x', opened(chain)) === undefined;
      if (says && !isKept(chain, 'x')) moved.push(chain.join(' '));
      if (!says && isKept(chain, 'x') && !/^(?:iframe|select|optgroup)$/.test(chain.at(-1) ?? ''))
        refused.push(chain.join(' '));
      // White space is kept by tables, too.
      const spaceStands = textMisfit(' \n', opened(chain)) === undefined;
      if (
        spaceStands !== isKept(chain, ' \n') &&
        !/^(?:iframe|select|optgroup|pre|textarea)$/.test(chain.at(-1) ?? '')
      )
        moved.push(`white space in ${chain.join(' ')}`);
    }
  }
  expect(moved).toEqual([]);
  expect(refused).toEqual([]);
});

test('end tags that may be left out are ended by what follows, as a parser has it', () => {
  const wrong: string[] = [];
  /** What has to stand around an element so that a parser takes it. */
  const around: Readonly<Record<string, readonly string[]>> = {
    tr: ['table', 'tbody'],
    td: ['table', 'tbody', 'tr'],
    th: ['table', 'tbody', 'tr'],
    thead: ['table'],
    tbody: ['table'],
    tfoot: ['table'],
    caption: ['table'],
    colgroup: ['table'],
    option: ['select'],
    optgroup: ['select'],
    rt: ['ruby'],
    rp: ['ruby'],
    li: ['ul'],
    dt: ['dl'],
    dd: ['dl'],
    p: ['div'],
  };
  for (const [open, outer] of Object.entries(around))
    for (const next of tags) {
      const html = `${outer.map((tag) => `<${tag}>`).join('')}<${open}><${next}>`;
      let at: Parent = parseFragment(html);
      for (const tag of outer)
        at =
          at.childNodes.find((one): one is Child & Parent => 'tagName' in one && one.tagName === tag) ?? at;
      const first = at.childNodes.find((one): one is Child & Parent => one.nodeName === open);
      const isInside = first?.childNodes.some((one) => one.nodeName === next) === true;
      // What ends it has to be a neighbour of its, or of what is around it.
      if (closedBy(open, next) && isInside) wrong.push(`<${open}> is not ended by <${next}>`);
    }
  expect(wrong).toEqual([]);
});

test.each([
  ['tr', ['table'], ['tbody']],
  ['td', ['table'], ['tbody', 'tr']],
  ['th', ['table'], ['tbody', 'tr']],
  ['td', ['table', 'tbody'], ['tr']],
  ['th', ['thead'], ['tr']],
  ['td', ['tfoot'], ['tr']],
  ['col', ['table'], ['colgroup']],
  ['tr', ['tbody'], []],
  ['td', ['tr'], []],
  ['col', ['colgroup'], []],
  ['tr', [], []],
  ['td', ['div'], []],
  ['caption', ['table'], []],
])('<%s> in %j has %j put around it', (tag, names, wanted) => {
  expect(impliedParents(tag, names)).toEqual(wanted);
});
