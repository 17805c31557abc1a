import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { type AnyComponent, LatticeError, type Problem, resolve } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { check } from 'zesty-lattice-tools/check';
import { root } from '../../cli/lattice.js';
import { type Mistake, mistakes } from './cases.js';

// Each mistake as it is written and as its hint says: compiled, run and checked. README.md beside it is the result.

const home = mkdtempSync(join(root, 'tests/problems/mistakes/out-'));
afterAll(() => rmSync(home, { recursive: true }));

const imports = `import { calc, component, eachOf, el, given, phrase, prop, slot, trusted, uid } from 'zesty-lattice';
import { AnyList, BoardRow, CrateCounter, NeedBox, NoteCard, PlainSign, PriceTag, press, RowList, StallBoard, TextLine } from './prelude.js';
`;
const around = `props: { open: prop.flag(), items: prop.list(prop.text()).fallback([]), name: prop.text().fallback(''), count: prop.number().fallback(0) },
  slots: { default: slot(), badge: slot() },
  state: () => ({ count: 0 }),
  handlers: { add: ({ state }, step: number) => ({ count: state.count + step }) },
  helpers: { upper: (text: string) => text.toUpperCase() },
  uses: [BoardRow, CrateCounter, NeedBox, NoteCard, PlainSign, PriceTag, RowList, StallBoard],`;

/** A module or document with a mistake in it, and its name. */
function fileOf({ in: where }: Mistake, code: string, index: number): readonly [name: string, text: string] {
  const name = `mistake-${index}`;
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

/** What is beside the point: the parts around a mistake that it does not use. */
const beside = /^(?:prop-unread|slot-unplaced|component-unused)$/;
const asideFrom = (mistake: Mistake, problems: readonly Problem[]): readonly Problem[] =>
  problems.filter(({ code }) => code === mistake.code || !beside.test(code));

/** What is reported each file of a folder by `lattice check`, and which of them TypeScript does not take. */
async function looked(folder: string, write: (mistake: Mistake) => string) {
  mkdirSync(folder);
  const names = mistakes.map((mistake, index) => {
    const [name, text] = fileOf(mistake, write(mistake), index);
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
  writeFileSync(join(folder, 'prelude.ts'), readFileSync(join(root, 'tests/problems/mistakes/prelude.ts')));
  const { problems } = await check([folder]);
  const { stdout } = spawnSync('npx', ['tsc', '-p', folder], { cwd: root, encoding: 'utf8' });
  return names.map((name) => ({
    reported: problems.filter(({ source }) => source && basename(source.file).split(' ')[0] === name),
    isRed: stdout.includes(`${name}(`),
  }));
}

/** What is reported to a program that renders it. */
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
  readonly reported: readonly Problem[];
  readonly isRed: boolean;
}
let wrong: readonly Outcome[] = [];
let right: readonly Outcome[] = [];
const ran = new Map<number, string>();
beforeAll(async () => {
  wrong = await looked(join(home, 'wrong'), (mistake) => mistake.wrong);
  right = await looked(join(home, 'right'), (mistake) => mistake.right);
}, 120_000);

test('there are at least 120 of them, each of its own', () => {
  expect(mistakes.length).toBeGreaterThanOrEqual(120);
  expect(new Set(mistakes.map(({ in: where, wrong: written }) => `${where} ${written}`)).size).toBe(
    mistakes.length,
  );
});

describe.each(mistakes.map((mistake, index) => ({ ...mistake, index })))('$in: $what', (mistake) => {
  const { index } = mistake;

  test('is reported, and its hint leads to what is right', async () => {
    const reported = asideFrom(mistake, wrong[index]?.reported ?? []);
    const named = reported.find(({ code }) => code === mistake.code);
    expect(named, `check says ${reported.map(({ code }) => code).join() || 'nothing'}`).toBeDefined();
    expect(`${named?.message} ${named?.hint}`).toContain(mistake.hint);
    expect(named?.source?.line).toBeGreaterThan(0);
    expect(asideFrom(mistake, right[index]?.reported ?? [])).toEqual([]);
    if (mistake.in === 'page') return;
    expect(right[index]?.isRed).toBe(false);
    const problems = await atRunTime(join(home, 'wrong'), `mistake-${index}.ts`, mistake.in === 'define');
    ran.set(index, problems.find(({ code }) => code === mistake.code)?.code ?? '');
    expect(
      asideFrom(
        mistake,
        await atRunTime(join(home, 'right'), `mistake-${index}.ts`, mistake.in === 'define'),
      ),
    ).toEqual([]);
  });
});

test('README.md has the result of each', () => {
  const cell = (text: string): string => `\`${text.replace(/\s+/g, ' ').replace(/\|/g, '\\|')}\``;
  const rows = mistakes.map((mistake, index) => {
    const said =
      mistake.in === 'page'
        ? 'reported by `lattice render`, too'
        : ran.get(index) === ''
          ? 'nothing'
          : 'reported';
    const editor =
      mistake.in === 'text' || mistake.in === 'page'
        ? 'reported by `lattice editor`'
        : wrong[index]?.isRed
          ? 'type error'
          : 'no type error';
    return `| ${mistake.what} | ${cell(mistake.wrong)} | ${cell(mistake.right)} | ${editor} | ${said} | [${mistake.code}](../../../docs/problems.md#${mistake.code}) |`;
  });
  const table = `# Mistakes

${mistakes.length} mistakes of beginners and what happens. A test compiles, runs and checks each of them, fixes it as its hint says, and
writes this page. In JavaScript, what is a type error in TypeScript is reported at run time.

| mistake | as it is written | as the hint says | in the editor | at run time | \`lattice check\` |
|---|---|---|---|---|---|
${rows.join('\n')}
`;
  const path = join(root, 'tests/problems/mistakes/README.md');
  if (process.env.LATTICE_WRITE) writeFileSync(path, table);
  expect(readFileSync(path, 'utf8')).toBe(table);
});
