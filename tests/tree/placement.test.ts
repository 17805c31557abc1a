import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { type Content, component, el, given, LatticeError, resolve, slot, type Use } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { check } from 'zesty-lattice-tools/check';
import { editorData, elementsManifest } from 'zesty-lattice-tools/describe';
import { root } from '../cli/lattice.js';

// A board holds rows; so does whatever calls itself a board. A fair page stands on a page alone.
const BoardRow = component('board-row', {
  description: 'One stall on a board.',
  placement: { parents: ['stall-board', 'board'] },
  template: () => el.p('North gate'),
});
const box = (name: string, placement?: { names: string[] }, wrap?: (content: Content) => Content) =>
  component(name, {
    ...(placement && { placement }),
    slots: { default: slot() },
    template: ({ slots }) => el.div(wrap ? wrap(slots.default()) : slots.default()),
  });
const StallBoard = box('stall-board');
const ShiftBoard = box('shift-board', { names: ['board'] });
const NoteBox = box('note-box');
/** Its content is shown by a board inside. */
const FramedBoard = box('framed-board', undefined, (content) => StallBoard({}, content));
/** A board whose content is shown by a box inside. */
const ScrolledBoard = box('scrolled-board', { names: ['board'] }, (content) => NoteBox({}, content));
const FairPage = component('fair-page', { placement: { parents: [] }, template: () => el.main() });

const faults = (use: Use): readonly string[] =>
  resolve(use).problems.map(({ code, message }) => `${code}: ${message}`);
const misplaced = (name: string, place: string): string[] => [
  `component-misplaced: <${name}> stands ${place}, where it may not be used.`,
];

describe('where a component may be used', () => {
  test.each<[string, Use]>([
    ['in the component that it names', StallBoard({}, BoardRow({}))],
    ['in one with a free name that it names', ShiftBoard({}, BoardRow({}))],
    ['inside elements and conditions in it', StallBoard({}, el.section(given(true, BoardRow({}))))],
    ['handed on to one that shows it', FramedBoard({}, BoardRow({}))],
    ['written in one that hands it on', ScrolledBoard({}, BoardRow({}))],
    ['alone, to be tried and tested', BoardRow({})],
    ['on the page itself', FairPage({})],
  ])('it stands right %s', (_where, use) => {
    expect(faults(use)).toEqual([]);
    expect(renderHtml(use)).toMatch(/^<(?:div|p|main)/);
  });

  test('anywhere else it is reported, by the tree and inline, with where it belongs', () => {
    const use = NoteBox({}, BoardRow({}));
    expect(faults(use)).toEqual(misplaced('board-row', 'in <note-box>'));
    const [problem] = resolve(use).problems;
    expect(problem?.hint).toBe('It stands in <stall-board> or what is called "board".');
    expect(() => renderHtml(use)).toThrow(LatticeError);
    expect(() => renderHtml(StallBoard({}, el.p(NoteBox({}, BoardRow({})))))).toThrow('in <note-box>');
    expect(faults(NoteBox({}, FairPage({})))).toEqual(misplaced('fair-page', 'in <note-box>'));
  });

  test('a template is looked at as content is, in functions and in HTML text', () => {
    const byFunction = component('shift-list', { template: () => el.div(BoardRow({})) });
    const byText = component('shift-list', {
      uses: [BoardRow],
      template: '<div><board-row></board-row></div>',
    });
    for (const one of [byFunction, byText]) {
      expect(faults(one({}))).toEqual(misplaced('board-row', 'in <shift-list>'));
      const { problems } = resolve(one);
      expect(problems.map(({ code }) => code)).toEqual(['component-misplaced']);
      expect(problems[0]?.source?.file).toContain('placement.test.ts');
    }
    const board = component('shift-list', {
      placement: { names: ['board'] },
      uses: [BoardRow],
      template: '<board-row></board-row>',
    });
    expect(faults(board({}))).toEqual([]);
  });

  test('a page itself is in no component, which check tells with the line', async () => {
    const folder = mkdtempSync(join(root, 'tests/tree/out-'));
    const page = (body: string): string =>
      `<!doctype html>\n<html lang="en"><head><title>Fair</title></head><body>\n${body}\n</body></html>`;
    writeFileSync(
      join(folder, 'board.ts'),
      `import { component } from 'zesty-lattice';
export const BoardRow = component('board-row', { placement: { parents: ['stall-board'] }, template: '<p>North</p>' });
export const StallBoard = component('stall-board', { template: '<div><slot></slot></div>' });`,
    );
    writeFileSync(join(folder, 'page.html'), page('<board-row></board-row>'));
    writeFileSync(join(folder, 'good.html'), page('<stall-board><board-row></board-row></stall-board>'));
    const { problems } = await check([folder]);
    expect(
      problems.map(({ code, source }) => [code, source?.file.endsWith('page.html'), source?.line]),
    ).toEqual([['component-misplaced', true, 3]]);
    rmSync(folder, { recursive: true });
  });

  test('it is described', () => {
    const said = 'One stall on a board. It stands in <stall-board> or what is called "board".';
    const manifest = JSON.stringify(elementsManifest([{ path: './board.js', exports: { BoardRow } }]));
    expect(manifest).toContain(JSON.stringify(said));
    expect(editorData([BoardRow]).tags[0]?.description.value).toBe(said);
  });

  test.each<[string, unknown, string]>([
    ['a word alone', { parents: 'board' }, '"parents" that has to be a list of names'],
    ['a part that there is not', { parent: ['board'] }, 'has "parent", where there is only'],
    ['text', 'board', 'has to be a record with "names" or "parents"'],
  ])('%s in its place is reported where it is written', (_what, placement, words) => {
    expect(() => component('board-row', { placement: placement as never, template: () => el.p() })).toThrow(
      words,
    );
  });
});
