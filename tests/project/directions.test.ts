import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, test } from 'vitest';

const source = fileURLToPath(new URL('../../src', import.meta.url));

/** Rooms from the bottom up; a room may read those on lower floors, and its own. Rooms of one floor are listed together. */
const floors: readonly (readonly string[])[] = [
  ['problem'],
  ['generated'],
  ['template'],
  ['component'],
  ['plan'],
  ['code'],
  ['styles'],
  ['tree'],
  ['html', 'elements'],
  ['markup'],
  ['samples'],
  ['check', 'describe', 'ahead'],
  ['batch', 'mail', 'shots', 'testing', 'tree-page', 'inspect'],
  ['index.ts', 'browser.ts'],
  ['vite', 'bundlers'],
  ['reading'],
  ['preview', 'pack', 'editor'],
  ['cli'],
];

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

/** Groups of files that lead back to themselves by imports of a kind, each sorted (Tarjan's strongly connected components). */
function circles(counts: (one: { readonly typeOnly: boolean }) => boolean): readonly (readonly string[])[] {
  const order = new Map<string, number>();
  const lowest = new Map<string, number>();
  const open: string[] = [];
  const found: string[][] = [];
  const visit = (file: string): number => {
    const own = order.size;
    order.set(file, own);
    lowest.set(file, own);
    open.push(file);
    for (const { to } of imports(file).filter(counts)) {
      if (!files.includes(to)) continue;
      const low = order.has(to) ? (open.includes(to) ? (order.get(to) ?? 0) : own) : visit(to);
      lowest.set(file, Math.min(lowest.get(file) ?? own, low));
    }
    if (lowest.get(file) === own) {
      const group = open.splice(open.indexOf(file));
      if (group.length > 1) found.push(group.sort());
    }
    return lowest.get(file) ?? own;
  };
  for (const file of files) if (!order.has(file)) visit(file);
  return found.sort();
}

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
          return floorOf(to) >= floorOf(file);
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
      .filter((file) => file.startsWith('elements/runtime/'))
      .flatMap((file) =>
        imports(file)
          .filter(({ typeOnly }) => !typeOnly)
          .filter(
            ({ to }) =>
              /^(plan|tree|elements\/(compile|code))\/|\/index\.ts$/.test(to) && to !== 'problem/index.ts',
          )
          .map(({ to }) => `${file} → ${to}`),
      );
    expect(wrong).toEqual([]);
  });

  /** Files whose types speak of each other. */
  const groups = [
    'elements/code/expressions.ts elements/code/writer.ts',
    'elements/compile/call.ts elements/compile/dependencies.ts elements/compile/level.ts elements/compile/view.ts',
    'elements/runtime/adopted.ts elements/runtime/adoption.ts elements/runtime/block.ts elements/runtime/fixed.ts elements/runtime/instance.ts elements/runtime/live.ts elements/runtime/look.ts elements/runtime/view.ts',
    'html/frame.ts html/lower/steps.ts html/pass.ts html/problems-of.ts html/runtime.ts',
    'html/lower/env.ts html/lower/lowering.ts',
    'markup/template/attributes.ts markup/template/content.ts markup/template/directives.ts markup/template/use.ts',
    'plan/block.ts plan/plan.ts',
    'plan/nodes/each.ts plan/nodes/element.ts plan/nodes/given.ts plan/nodes/index.ts plan/nodes/kind.ts plan/nodes/slot.ts plan/nodes/trusted.ts plan/nodes/use.ts plan/planner.ts',
    'problem/problem.ts problem/words.ts',
    'tree/build.ts tree/element-checks.ts',
    'tree/ids.ts tree/known.ts tree/scope.ts',
  ];

  test('no files import one another in a circle, but those that recurse together', () => {
    const recursion = [
      [
        'markup/template/attributes.ts',
        'markup/template/content.ts',
        'markup/template/directives.ts',
        'markup/template/use.ts',
      ],
    ];
    expect(circles(({ typeOnly }) => !typeOnly)).toEqual(recursion);
    // Types of one room may speak of each other.
    expect(circles(() => true).filter((group) => new Set(group.map(roomOf)).size > 1)).toEqual([]);
    expect(circles(() => true).map((group) => group.join(' '))).toEqual(groups);
  });

  test('what plans and compiles knows of what a page runs no more than the names', () => {
    const wrong = files
      .filter((file) => /^(template|component|plan|elements\/compile)\//.test(file))
      .flatMap((file) =>
        imports(file)
          .filter(({ to, typeOnly }) => !typeOnly && /^(elements\/(runtime|code)|html|tree)\//.test(to))
          .map(({ to }) => `${file} → ${to}`),
      );
    expect(wrong).toEqual([]);
  });

  test('no file evaluates text as code, but the one that makes it of the plan', () => {
    const wrong = files.filter((file) =>
      /\beval\(|new Function\(|Function\(['"`]/.test(readFileSync(join(source, file), 'utf8')),
    );
    expect(wrong).toEqual(['html/code/index.ts']);
  });
});
