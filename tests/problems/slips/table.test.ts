import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { type AnyComponent, LatticeError, type Problem, resolve } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { check } from 'zesty-lattice-tools/check';
import { root } from '../../cli/lattice.js';
import { type Slip, slips } from './cases.js';

// Each slip as it is written and as its hint says: compiled, run and checked. docs/slips.md is what comes of it.

const home = mkdtempSync(join(root, 'tests/problems/slips/out-'));
afterAll(() => rmSync(home, { recursive: true }));

const imports = `import { calc, component, eachOf, el, given, phrase, prop, slot, trusted, uid } from 'zesty-lattice';
import { AnyList, BoardRow, CrateCounter, NeedBox, NoteCard, PlainSign, PriceTag, press, RowList, StallBoard, TextLine } from './prelude.js';
`;
const around = `props: { open: prop.flag(), items: prop.list(prop.text()).fallback([]), name: prop.text().fallback(''), count: prop.number().fallback(0) },
  slots: { default: slot(), badge: slot() },
  state: () => ({ count: 0 }),
  handlers: { add: ({ state }, step: number) => ({ count: state.count + step }) },
  helpers: { upper: (text: string) => text.toUpperCase() },
  uses: [BoardRow, NeedBox, NoteCard, PlainSign, PriceTag, RowList, StallBoard],`;

/** A module or document with a slip in it, and its name. */
function fileOf({ in: where }: Slip, code: string, index: number): readonly [name: string, text: string] {
  const name = `slip-${index}`;
  if (where === 'page')
    return [
      `${name}.html`,
      `<!doctype html>\n<html lang="en"><head><title>x</title></head><body><h1>x</h1>\n${code}\n</body></html>\n`,
    ];
  const made =
    where === 'define'
      ? code
      : where === 'use'
        ? `component('${name}', {\n  ${around}\n  template: ({ props, state, slots, handlers }) => ${code},\n})`
        : `component('${name}', {\n  ${around}\n  template: ${JSON.stringify(code)},\n})`;
  return [`${name}.ts`, `${imports}export default ${made};\n`];
}

/** What is beside the point: the parts around a slip that it does not use. */
const beside = /^(?:prop-unread|slot-unplaced|component-unused)$/;
const asideFrom = (slip: Slip, problems: readonly Problem[]): readonly Problem[] =>
  problems.filter(({ code }) => code === slip.code || !beside.test(code));

/** What is told of each file of a folder by `lattice check`, and which of them TypeScript does not take. */
async function looked(folder: string, write: (slip: Slip) => string) {
  mkdirSync(folder);
  const names = slips.map((slip, index) => {
    const [name, text] = fileOf(slip, write(slip), index);
    writeFileSync(join(folder, name), text);
    return name;
  });
  writeFileSync(
    join(folder, 'tsconfig.json'),
    JSON.stringify({
      extends: '../../../../../tsconfig.json',
      compilerOptions: { noUnusedLocals: false, noUnusedParameters: false, rootDir: root },
      include: ['*.ts'],
      exclude: [],
    }),
  );
  // The documents' components are the prelude's.
  writeFileSync(join(folder, 'prelude.ts'), readFileSync(join(root, 'tests/problems/slips/prelude.ts')));
  const { problems } = await check([folder]);
  const { stdout } = spawnSync('npx', ['tsc', '-p', folder], { cwd: root, encoding: 'utf8' });
  return names.map((name) => ({
    told: problems.filter(({ source }) => source && basename(source.file).split(' ')[0] === name),
    isRed: stdout.includes(`${name}(`),
  }));
}

/** What a program is told that renders it. */
async function atRunTime(folder: string, name: string, isDefinition: boolean): Promise<readonly Problem[]> {
  try {
    const { default: made } = (await import(join(folder, name))) as { readonly default: AnyComponent };
    const { problems } = resolve(made);
    // What a whole definition needs is not at hand.
    if (!isDefinition) (renderHtml as (...given: unknown[]) => string)(made, {});
    return problems;
  } catch (thrown) {
    if (!(thrown instanceof LatticeError)) throw thrown;
    return thrown.problems;
  }
}

interface Outcome {
  readonly told: readonly Problem[];
  readonly isRed: boolean;
}
let wrong: readonly Outcome[] = [];
let right: readonly Outcome[] = [];
const ran = new Map<number, string>();
beforeAll(async () => {
  wrong = await looked(join(home, 'wrong'), (slip) => slip.wrong);
  right = await looked(join(home, 'right'), (slip) => slip.right);
}, 120_000);

test('there are at least 120 of them, each of its own', () => {
  expect(slips.length).toBeGreaterThanOrEqual(120);
  expect(new Set(slips.map(({ in: where, wrong: written }) => `${where} ${written}`)).size).toBe(
    slips.length,
  );
});

describe.each(slips.map((slip, index) => ({ ...slip, index })))('$in: $what', (slip) => {
  const { index } = slip;

  test('is told, and its hint leads to what is right', async () => {
    const told = asideFrom(slip, wrong[index]?.told ?? []);
    const named = told.find(({ code }) => code === slip.code);
    expect(named, `check says ${told.map(({ code }) => code).join() || 'nothing'}`).toBeDefined();
    expect(`${named?.message} ${named?.hint}`).toContain(slip.hint);
    expect(named?.source?.line).toBeGreaterThan(0);
    expect(asideFrom(slip, right[index]?.told ?? [])).toEqual([]);
    if (slip.in === 'page') return;
    expect(right[index]?.isRed).toBe(false);
    const problems = await atRunTime(join(home, 'wrong'), `slip-${index}.ts`, slip.in === 'define');
    ran.set(index, problems.find(({ code }) => code === slip.code)?.code ?? '');
    expect(
      asideFrom(slip, await atRunTime(join(home, 'right'), `slip-${index}.ts`, slip.in === 'define')),
    ).toEqual([]);
  });
});

test('docs/slips.md says what comes of each', () => {
  const cell = (text: string): string => `\`${text.replace(/\s+/g, ' ').replace(/\|/g, '\\|')}\``;
  const rows = slips.map((slip, index) => {
    const said =
      slip.in === 'page' ? 'told by `lattice render`, too' : ran.get(index) === '' ? 'says nothing' : 'told';
    const editor =
      slip.in === 'text' || slip.in === 'page'
        ? 'told by `lattice editor`'
        : wrong[index]?.isRed
          ? 'red'
          : 'not red';
    return `| ${slip.what} | ${cell(slip.wrong)} | ${cell(slip.right)} | ${editor} | ${said} | [${slip.code}](problems.md#${slip.code}) |`;
  });
  const table = `# Slips

What beginners write by mistake, ${slips.length} of it, and what it leads to: each is compiled, run, checked and mended as its hint
says by \`tests/problems/slips\`, which writes this page. From JavaScript what is red in an editor is told at run time.

| slip | as it is written | as the hint says | in the editor | at run time | \`lattice check\` |
|---|---|---|---|---|---|
${rows.join('\n')}
`;
  const path = join(root, 'docs/slips.md');
  if (process.env.LATTICE_WRITE) writeFileSync(path, table);
  expect(readFileSync(path, 'utf8')).toBe(table);
});
