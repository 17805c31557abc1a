import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { root } from '../cli/lattice.js';
import { isLong } from '../support/runs.js';

// The table "What to touch" of docs/how-it-works.md: each thing is added in a copy, and the compiler names the files.

let copy = '';
beforeAll(() => {
  copy = mkdtempSync(join(root, 'out-touch-'));
  cpSync(join(root, 'packages'), join(copy, 'packages'), {
    recursive: true,
    filter: (path) => !/\/(?:dist|docs|node_modules)$/.test(path),
  });
  symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'));
  const config = JSON.parse(readFileSync(join(root, 'tsconfig.json'), 'utf8')) as Record<string, unknown>;
  writeFileSync(join(copy, 'tsconfig.json'), JSON.stringify({ ...config, include: ['packages/*/src'] }));
});
afterAll(() => rmSync(copy, { recursive: true, force: true }));

type Addition = readonly [thing: string, file: string, before: RegExp, added: string];

/** The files in which `tsc` finds something missing once texts are put into some of them. */
function namedBy(additions: readonly Addition[]): readonly string[] {
  const texts = additions.map(([, file, before, added]) => {
    const path = join(copy, 'packages/lattice/src', file);
    const text = readFileSync(path, 'utf8');
    expect(text).toMatch(before);
    writeFileSync(
      path,
      text.replace(before, (found) => found + added),
    );
    return [path, text] as const;
  });
  const { stdout } = spawnSync(join(root, 'node_modules/.bin/tsc'), ['-p', copy, '--pretty', 'false'], {
    encoding: 'utf8',
    cwd: copy,
  });
  for (const [path, text] of texts) writeFileSync(path, text);
  const files = [...stdout.matchAll(/^packages\/(?:(tools)|lattice)\/src\/([^(]+)\(/gm)];
  return [...new Set(files.map(([, tools, name]) => (tools ? `tools/${name}` : (name as string))))].sort();
}

/** The files that the table says of a thing: those that the compiler names. */
function inTable(thing: string): readonly string[] {
  const docs = readFileSync(join(root, 'docs/how-it-works.md'), 'utf8');
  const row = docs.split('\n').find((line) => line.startsWith(`| ${thing} |`));
  const [, , , named = ''] = row?.split(' | ').flatMap((cell, at) => (at === 0 ? ['', cell] : [cell])) ?? [];
  return [...named.matchAll(/`([^`]+\.ts)`/g)].map(([, file = '']) => file).sort();
}

const additions: readonly Addition[] = [
  ['a kind of prop', 'component/kind-words.ts', /export type KindWord =/, "\n  | 'weight'"],
  ['a kind of step', 'html/lower/steps.ts', /export type Step =/, "\n  | { readonly kind: 'twist' }"],
  ['an operation', 'template/expression/ops.ts', /export type Op =/, "\n  | { readonly op: 'twist' }"],
  ['a kind of node', 'plan/plan.ts', /export type PlanNode =/, "\n  | { readonly kind: 'twist' }"],
];

// A usual run adds all of them at once; which file asks for which is read from a run for each.
test.runIf(isLong).each(additions.map((one) => [one]))(
  'what is added is asked for by the compiler in the files of the table',
  (...added) => {
    const named = namedBy(added);
    console.log(`${added.map(([thing]) => thing).join(', ')}: ${named.join(', ')}`);
    expect(named.length).toBeGreaterThan(1);
    expect([...new Set(added.flatMap(([thing]) => inTable(thing)))].sort()).toEqual(named);
  },
);
