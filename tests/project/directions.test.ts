import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, test } from 'vitest';
import { standIn, standIns } from '../../scripts/stand-ins.mjs';

const packages = fileURLToPath(new URL('../../packages', import.meta.url));

/** Rooms from the bottom up; a room may read those on lower floors, and its own. Rooms of one floor are listed together. */
const floors: readonly (readonly string[])[] = [
  ...[
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
    ['mail'],
    ['index.ts', 'browser.ts', 'internal'],
  ].map((rooms) => rooms.map((room) => `lattice/src/${room}`)),
  ...[
    ['adopt', 'samples'],
    ['check', 'describe', 'ahead'],
    ['batch', 'shots', 'testing', 'tree-page', 'inspect'],
    ['vite', 'bundlers'],
    ['reading'],
    ['preview', 'pack', 'editor'],
    ['cli'],
  ].map((rooms) => rooms.map((room) => `tools/src/${room}`)),
];

const files = ['lattice/src', 'tools/src'].flatMap((folder) =>
  readdirSync(join(packages, folder), { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.ts'))
    .map((name) => `${folder}/${name}`),
);

interface Import {
  readonly to: string;
  readonly typeOnly: boolean;
}

/** Every import of a text: of names, of a whole module, for its effects alone, when it is needed, and of types in place. */
function importsIn(file: string, text: string): readonly Import[] {
  const code = text.replace(/^\s*(?:\/?\*|\/\/).*$/gm, '');
  const named = /^(?:import|export)( type)?[^'"`;]*?from\s+'([^']+)'/gm;
  const bare = /^import\s+'([^']+)'/gm;
  const called = /(typeof )?\bimport\(\s*'([^']+)'/g;
  const found = [
    ...[...code.matchAll(named)].map(([, type, path = '']) => ({ path, typeOnly: type !== undefined })),
    ...[...code.matchAll(bare)].map(([, path = '']) => ({ path, typeOnly: false })),
    ...[...code.matchAll(called)].map(([, type, path = '']) => ({ path, typeOnly: type !== undefined })),
  ];
  return found.flatMap(({ path, typeOnly }) => {
    const to = fileOf(path, file);
    return to === undefined ? [] : [{ to, typeOnly }];
  });
}

function fileOf(path: string, from: string): string | undefined {
  if (path.startsWith('.'))
    return relative(packages, resolve(packages, dirname(from), path)).replace(/\.js$/, '.ts');
  if (path.startsWith('#')) return `lattice/src/${standIn(path, 'node')}.ts`;
  const [, inner] = /^zesty-lattice(?:\/(.*))?$/.exec(path) ?? [];
  if (/^zesty-lattice(?:\/|$)/.test(path))
    return inner === undefined ? 'lattice/src/index.ts' : `lattice/src/${inner}/index.ts`;
  return path.startsWith('zesty-lattice-tools/')
    ? `tools/src/${path.slice('zesty-lattice-tools/'.length)}/index.ts`
    : undefined;
}

test('one table says which files stand for `#…` imports', () => {
  const { compilerOptions } = JSON.parse(readFileSync(join(packages, '../tsconfig.json'), 'utf8'));
  const inTypes = Object.entries(compilerOptions.paths).filter(([name]) => name.startsWith('#'));
  const wanted = standIns.map((name) => [name, [`./packages/lattice/src/${standIn(name, 'node')}.ts`]]);
  expect(Object.fromEntries(inTypes)).toEqual(Object.fromEntries(wanted));
});

const all = new Map(files.map((file) => [file, importsIn(file, readFileSync(join(packages, file), 'utf8'))]));
const imports = (file: string): readonly Import[] => all.get(file) ?? [];
const roomOf = (file: string): string => file.split('/').slice(0, 3).join('/');
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
          if (roomOf(file) === 'lattice/src/generated') return !typeOnly;
          return floorOf(to) >= floorOf(file);
        })
        .map(({ to }) => `${file} → ${to}`),
    );
    expect(wrong).toEqual([]);
  });

  test('html and elements do not read each other', () => {
    const crossing = files
      .filter((file) => /^lattice\/src\/(html|elements)\//.test(file))
      .flatMap((file) => imports(file).map(({ to }) => [roomOf(file), roomOf(to)]));
    expect(crossing).not.toContainEqual(['lattice/src/html', 'lattice/src/elements']);
    expect(crossing).not.toContainEqual(['lattice/src/elements', 'lattice/src/html']);
    expect(crossing).toContainEqual(['lattice/src/html', 'lattice/src/tree']);
  });

  test('what every page of elements loads reads nothing that plans them', () => {
    const wrong = files
      .filter((file) => file.startsWith('lattice/src/elements/runtime/'))
      .flatMap((file) =>
        imports(file)
          .filter(({ typeOnly }) => !typeOnly)
          .filter(
            ({ to }) =>
              /^lattice\/src\/(plan|tree|elements\/(compile|code))\/|\/index\.ts$/.test(to) &&
              to !== 'lattice/src/problem/index.ts',
          )
          .map(({ to }) => `${file} → ${to}`),
      );
    expect(wrong).toEqual([]);
  });

  /** Files whose types speak of each other. */
  const groups = [
    'lattice/src/component/core.ts lattice/src/component/kind.ts lattice/src/component/slot.ts',
    'lattice/src/elements/code/expressions.ts lattice/src/elements/code/writer.ts',
    'lattice/src/elements/compile/call.ts lattice/src/elements/compile/dependencies.ts lattice/src/elements/compile/level.ts lattice/src/elements/compile/view.ts',
    'lattice/src/elements/runtime/adopted.ts lattice/src/elements/runtime/adoption.ts lattice/src/elements/runtime/block.ts lattice/src/elements/runtime/featured.ts lattice/src/elements/runtime/in-place.ts lattice/src/elements/runtime/instance.ts lattice/src/elements/runtime/live.ts lattice/src/elements/runtime/report.ts lattice/src/elements/runtime/view.ts lattice/src/elements/runtime/watching.ts',
    'lattice/src/html/frame.ts lattice/src/html/lower/steps.ts lattice/src/html/pass.ts lattice/src/html/problems-of.ts lattice/src/html/runtime.ts',
    'lattice/src/html/lower/env.ts lattice/src/html/lower/lowering.ts',
    'lattice/src/plan/block.ts lattice/src/plan/plan.ts',
    'lattice/src/plan/nodes/each.ts lattice/src/plan/nodes/element.ts lattice/src/plan/nodes/given.ts lattice/src/plan/nodes/index.ts lattice/src/plan/nodes/kind.ts lattice/src/plan/nodes/slot.ts lattice/src/plan/nodes/trusted.ts lattice/src/plan/nodes/use.ts lattice/src/plan/planner.ts',
    'lattice/src/problem/problem.ts lattice/src/problem/words.ts',
    'lattice/src/tree/build.ts lattice/src/tree/element-checks.ts',
    'lattice/src/tree/ids.ts lattice/src/tree/known.ts lattice/src/tree/scope.ts',
  ];

  test('no files import one another in a circle', () => {
    expect(circles(({ typeOnly }) => !typeOnly)).toEqual([]);
    // Types of one room may speak of each other.
    expect(circles(() => true).filter((group) => new Set(group.map(roomOf)).size > 1)).toEqual([]);
    expect(circles(() => true).map((group) => group.join(' '))).toEqual(groups);
  });

  test('what plans and compiles knows of what a page runs no more than the names', () => {
    const wrong = files
      .filter((file) => /^lattice\/src\/(template|component|plan|elements\/compile)\//.test(file))
      .flatMap((file) =>
        imports(file)
          .filter(
            ({ to, typeOnly }) =>
              !typeOnly && /^lattice\/src\/(elements\/(runtime|code)|html|tree)\//.test(to),
          )
          .map(({ to }) => `${file} → ${to}`),
      );
    expect(wrong).toEqual([]);
  });

  test('no file evaluates text as code, but the one that makes it of the plan', () => {
    const wrong = files.filter((file) =>
      /\beval\(|new Function\(|Function\(['"`]/.test(readFileSync(join(packages, file), 'utf8')),
    );
    expect(wrong).toEqual(['lattice/src/html/code/making.ts']);
  });
});
