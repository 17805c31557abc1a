import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type Content, component, eachOf, el, given, prop, resolve, slot } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { type Plain, parsed } from '../support/parsing.js';
import { runsOf } from '../support/runs.js';

/** A piece of a page as it is written: text, an element, a condition, a list. */
type Piece =
  | { readonly kind: 'text'; readonly text: string }
  | {
      readonly kind: 'element';
      readonly tag: string;
      readonly attributes: Record<string, string | boolean | number | null>;
      readonly inside: readonly Piece[];
    }
  | {
      readonly kind: 'given';
      readonly holds: boolean;
      readonly yes: readonly Piece[];
      readonly no: readonly Piece[];
    }
  | { readonly kind: 'each'; readonly times: number; readonly row: readonly Piece[] };

const tags =
  'div p span b a ul li dl dt dd h2 h3 section article header button form table caption tbody thead tr td th select option optgroup details summary figure pre textarea label em ruby rt svg g circle foreignObject title br img input template blockquote ol'.split(
    ' ',
  );

const text = fc.oneof(
  fc.string({ maxLength: 8 }),
  fc.constantFrom('<b>', '&amp;', '\n', '\r\n x', ' ', '"', "'", '</p>', '\u00A0', 'é'),
);
const attributes = fc.dictionary(
  fc.constantFrom('title', 'id', 'data-a', 'lang', 'hidden', 'aria-hidden', 'class'),
  fc.oneof(text, fc.boolean(), fc.integer(), fc.constant(null)),
  { maxKeys: 3 },
);

const { pieces } = fc.letrec<{ pieces: Piece[]; piece: Piece }>((tie) => ({
  pieces: fc.array(tie('piece'), { maxLength: 4, depthIdentifier: 'page' }),
  piece: fc.oneof(
    { depthIdentifier: 'page', depthSize: 'medium', withCrossShrink: true },
    fc.record({ kind: fc.constant('text' as const), text }),
    fc.record({
      kind: fc.constant('element' as const),
      tag: fc.constantFrom(...tags),
      attributes,
      inside: tie('pieces'),
    }),
    fc.record({
      kind: fc.constant('element' as const),
      tag: fc.constantFrom('div', 'span', 'section'),
      attributes,
      inside: tie('pieces'),
    }),
    fc.record({
      kind: fc.constant('given' as const),
      holds: fc.boolean(),
      yes: tie('pieces'),
      no: tie('pieces'),
    }),
    fc.record({
      kind: fc.constant('each' as const),
      times: fc.integer({ min: 0, max: 3 }),
      row: tie('pieces'),
    }),
  ),
}));

type Builder = (attributes: unknown, ...content: Content[]) => Content;

/** The page as a template writes it; texts and conditions become values when `changing`. */
function written(all: readonly Piece[], value: (it: unknown) => unknown): Content {
  return all.map((piece): Content => {
    switch (piece.kind) {
      case 'text':
        return value(piece.text) as Content;
      case 'element': {
        const build = (el as unknown as Record<string, Builder>)[piece.tag] as Builder;
        const given = Object.fromEntries(
          Object.entries(piece.attributes).map(([name, one]) => [name, value(one)]),
        );
        return build(given, ...piece.inside.map((one) => written([one], value)));
      }
      case 'given':
        return given(value(piece.holds) as boolean, written(piece.yes, value), written(piece.no, value));
      case 'each':
        return eachOf(value(Array.from({ length: piece.times }, (_, n) => n)) as number[], () =>
          written(piece.row, value),
        );
    }
  });
}

/** The tree that the page is to come out as, with neighbouring texts joined. */
function meant(all: readonly Piece[]): Plain[] {
  const nodes = all.flatMap((piece): Plain[] => {
    switch (piece.kind) {
      case 'text':
        return [piece.text.replace(/\0/g, '\uFFFD')];
      case 'element':
        return [[piece.tag, meantAttributes(piece.attributes), meant(piece.inside)]];
      case 'given':
        return meant(piece.holds ? piece.yes : piece.no);
      case 'each':
        return Array.from({ length: piece.times }, () => meant(piece.row)).flat();
    }
  });
  return nodes.reduce<Plain[]>((joined, node) => {
    const last = joined.at(-1);
    if (typeof node === 'string' && typeof last === 'string') joined[joined.length - 1] = last + node;
    else if (node !== '') joined.push(node);
    return joined;
  }, []);
}

function meantAttributes(
  attributes: Record<string, string | boolean | number | null>,
): Record<string, string> {
  const entries = Object.entries(attributes).flatMap(([name, value]): [string, string][] => {
    if (value === null || (name === 'class' && typeof value === 'boolean')) return [];
    if (name === 'class' && value === '') return [];
    if (typeof value === 'boolean')
      return name.startsWith('aria-') ? [[name, String(value)]] : value ? [[name, '']] : [];
    return [[name, String(value).replace(/\0/g, '\uFFFD')]];
  });
  return Object.fromEntries(entries);
}

const Spot = component('spot-frame', {
  slots: { default: slot() },
  template: ({ slots }) => slots.default(),
});
let kept = 0;
let refused = 0;

describe('for random pages of elements, text, conditions and lists', () => {
  test('parsing returns exactly what was written, or the tree says what a parser would change', () => {
    fc.assert(
      fc.property(pieces, (page) => {
        const Constant = component('random-page', { template: () => el.main(written(page, (it) => it)) });
        const values: unknown[] = [];
        const Changing = component('changing-page', {
          props: { values: prop.list<unknown>() },
          template: ({ props }) =>
            el.main(
              written(page, (it) => (props.values as unknown as readonly unknown[])[values.push(it) - 1]),
            ),
        });
        if (
          resolve(Constant).problems.some(
            (problem) => problem.severity === 'error' && problem.code !== 'id-doubled',
          )
        ) {
          refused++;
          return;
        }
        // What is only warned of is kept by a parser all the same.
        if (resolve(Constant).problems.some(({ severity }) => severity === 'error')) return;
        kept++;
        const html = renderHtml(Constant);
        expect(parsed(html)).toEqual([['main', {}, meant(page)]]);
        expect(renderHtml(Spot({}, el.main(written(page, (it) => it))))).toBe(html);
        if (!resolve(Changing).problems.some(({ severity }) => severity === 'error'))
          expect(renderHtml(Changing, { values })).toBe(html);
      }),
      runsOf('round trips', 4000),
    );
    expect(kept).toBeGreaterThan(60);
    expect(refused).toBeGreaterThan(15);
  });
});
