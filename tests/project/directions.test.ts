import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, test } from 'vitest';

const source = fileURLToPath(new URL('../../src', import.meta.url));

/** Rooms from the bottom up; a room may read those on lower floors, and its own. Rooms of one floor are listed together. */
const floors: readonly (readonly string[])[] = [
  ['problem'],
  ['generated'],
  ['component', 'template'],
  ['tree'],
  ['html', 'elements'],
  ['markup'],
  ['check', 'describe', 'ahead'],
  ['index.ts'],
  ['cli', 'vite'],
];
/** Rooms of one floor that may read one another. */
const neighbours = [['component', 'template']];

const files = readdirSync(source, { recursive: true, encoding: 'utf8' }).filter((name) =>
  name.endsWith('.ts'),
);
const imports = (file: string): { readonly to: string; readonly typeOnly: boolean }[] =>
  [
    ...readFileSync(join(source, file), 'utf8').matchAll(/^(import|export)( type)?[^'"]*?from '(\.[^']+)'/gm),
  ].map(([, , type, path = '']) => ({
    to: relative(source, resolve(source, dirname(file), path)).replace(/\.js$/, '.ts'),
    typeOnly: type !== undefined,
  }));
const roomOf = (file: string): string => file.split('/')[0] ?? '';
const floorOf = (file: string): number => floors.findIndex((rooms) => rooms.includes(roomOf(file)));

describe('imports go one way', () => {
  test('every file stands in a known room', () => {
    expect(files.filter((file) => floorOf(file) < 0)).toEqual([]);
    expect(files.length).toBeGreaterThan(50);
  });

  test('no room reads a higher floor, nor a neighbour', () => {
    const wrong = files.flatMap((file) =>
      imports(file)
        .filter(({ to }) => !to.startsWith('..') && roomOf(to) !== roomOf(file))
        .filter(({ to, typeOnly }) => {
          if (roomOf(file) === 'generated') return !typeOnly;
          const isNeighbour = neighbours.some(
            (pair) => pair.includes(roomOf(to)) && pair.includes(roomOf(file)),
          );
          return floorOf(to) > floorOf(file) || (floorOf(to) === floorOf(file) && !isNeighbour);
        })
        .map(({ to }) => `${file} → ${to}`),
    );
    expect(wrong).toEqual([]);
  });

  test('html and elements do not read each other', () => {
    const crossing = files
      .filter((file) => /^(html|elements)\//.test(file))
      .flatMap((file) => imports(file).map(({ to }) => [roomOf(file), roomOf(to)]));
    expect(crossing).not.toContainEqual(['html', 'elements']);
    expect(crossing).not.toContainEqual(['elements', 'html']);
    expect(crossing).toContainEqual(['html', 'tree']);
  });

  test('what every page of elements loads reads nothing that plans them', () => {
    const wrong = files
      .filter((file) => file.startsWith('elements/live/'))
      .flatMap((file) =>
        imports(file)
          .filter(({ typeOnly }) => !typeOnly)
          .filter(
            ({ to }) =>
              /^(tree|elements\/(draft|written))\/|\/index\.ts$/.test(to) && to !== 'problem/index.ts',
          )
          .map(({ to }) => `${file} → ${to}`),
      );
    expect(wrong).toEqual([]);
  });

  test('no file evaluates text as code', () => {
    const wrong = files.filter((file) =>
      /\beval\(|new Function\(|Function\(['"`]/.test(readFileSync(join(source, file), 'utf8')),
    );
    expect(wrong).toEqual([]);
  });
});
