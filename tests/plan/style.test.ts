import { expect, test } from 'vitest';
import { stylePieces } from '../../packages/lattice/src/plan/attributes/style.js';
import type { Finding } from '../../packages/lattice/src/problem/index.js';

/** What a style comes to: its declarations, and what is said of the others. */
function planned(style: unknown): { readonly parts: readonly string[]; readonly said: readonly string[] } {
  const said: string[] = [];
  const report = ({ code, hint, message }: Finding): void => void said.push(`${code}: ${message} ${hint}`);
  const parts = stylePieces('p', style, report).map(
    ([name, { op }]) => `${name}: ${op.op === 'literal' ? String(op.value) : op.op}`,
  );
  return { parts, said };
}

test.each<[style: unknown, parts: string[]]>([
  ['color: red', ['color: red']],
  ['color: red;', ['color: red']],
  [' color : red ; margin:0 auto ;; ', ['color: red', 'margin: 0 auto']],
  ['background: url("/a;b.png"); top: 1px', ['background: url("/a;b.png")', 'top: 1px']],
  ['--Tone: a b; -webkit-x: y', ['--Tone: a b', '-webkit-x: y']],
  ['COLOR: red', ['COLOR: red']],
  ['a: b:c', ['a: b:c']],
  ['', []],
  [' ; ', []],
  [{ color: 'red', 'margin-top': 0, '--Tone': 'x' }, ['color: red', 'margin-top: 0', '--Tone: x']],
  [{}, []],
])('%j is planned', (style, parts) => {
  expect(planned(style)).toEqual({ parts, said: [] });
});

test.each<[style: unknown, parts: string[], said: string[]]>([
  ['color', [], ['attribute-unsafe: .*says "color", which is no declaration']],
  ['color:', [], ['which is no declaration']],
  [': red', [], ['which is no declaration']],
  ['1x: red; top: 0', ['top: 0'], ['says "1x: red", which names no CSS property']],
  ['a b: c', [], ['is no declaration']],
  ['color: (red; top: 0', [], ['which has a bracket that is not closed']],
  ['top: 0; color: }; left: 0', ['top: 0'], ['says "color: }; left: 0", which has a brace']],
  ['background: url(javascript:x); top: 0', ['top: 0'], ['holds a URL that can carry a script']],
  [
    { marginTop: 0 },
    [],
    [
      'attribute-invalid: .*names "marginTop", which is no CSS property.* Write it as CSS does: \'margin-top\'',
    ],
  ],
  [{ 'Margin-top': 0 }, [], ['Write names as CSS does|Write it as CSS does']],
  [{ '1x': 0 }, [], ["Write names as CSS does: 'margin-top', '--tone'"]],
  [{ 'a b': 0, color: 'red' }, ['color: red'], ['names "a b"']],
  [['color: red'], [], ['expects a record of CSS properties, but received']],
  [3, [], ['expects a record of CSS properties, but received']],
  [true, [], ['expects a record of CSS properties, but received']],
])('%j is reported, and all else of it planned', (style, parts, said) => {
  const found = planned(style);
  expect(found.parts).toEqual(parts);
  expect(found.said).toHaveLength(said.length);
  for (const [at, one] of said.entries()) expect(found.said[at]).toMatch(new RegExp(one, 's'));
});
