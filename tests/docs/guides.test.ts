import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { type Browser, chromium } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, onTestFinished, test } from 'vitest';
import { browserOptions } from '../../scripts/browser.mjs';
import { root } from '../cli/lattice.js';
import { bundle } from '../support/bundle.js';
import { type Label, samplesOf } from './samples.js';

// Each guide's samples are one module, in their order, run where the guide says; `// →` says what a line comes to.

const guides = [
  'start',
  'props',
  'slots',
  'compose',
  'render',
  'data',
  'elements',
  'styles',
  'forms',
  'testing',
  'vite',
  'check',
  'batch',
  'recipes',
  'presets',
  'projects',
  'deploy',
  'types',
];

const folder = mkdtempSync(join(root, 'tests/docs/out-'));
afterAll(() => rmSync(folder, { recursive: true }));

interface Result {
  readonly line: string;
  readonly expected: string;
  readonly actual: string;
}

/** The samples with each line that says what it comes to passed to `reported`. */
function telling(code: string): string {
  const lines = code.replace(/^import .* from 'vitest';$/m, '').split('\n');
  const found: string[] = [];
  for (const line of lines) {
    const expected = /^\/\/ → (.*)$/.exec(line)?.[1];
    if (expected === undefined) {
      found.push(line);
      continue;
    }
    let from = found.length - 1;
    while (from > 0 && /^[\s)}\]]/.test(found[from] ?? '')) from--;
    const statement = found
      .splice(from)
      .join('\n')
      .replace(/;\s*(?:\/\/.*)?$/, '');
    found.push(
      `await reported(${JSON.stringify(statement)}, ${JSON.stringify(expected)}, async () => (${statement}));`,
    );
  }
  return `const all = ((globalThis as never as { reported: object[] }).reported = [] as object[]);
async function reported(line: string, expected: string, work: () => Promise<unknown>): Promise<void> {
  let actual: string;
  try {
    const value = await work();
    actual = typeof value === 'string' ? value : String(JSON.stringify(value));
  } catch (thrown) {
    const codes = (thrown as { problems?: readonly { code: string }[] }).problems?.map(({ code }) => code);
    actual = codes ? \`throws \${codes.sort().join(', ')}\` : String(thrown);
  }
  all.push({ line, expected, actual });
}
/** A runner of tests in small: notes whether each test passes. */
const test = async (name: string, work: () => unknown): Promise<void> => {
  try {
    await work();
    all.push({ line: name, expected: 'passes', actual: 'passes' });
  } catch (thrown) {
    all.push({ line: name, expected: 'passes', actual: String(thrown) });
  }
};
const same = (one: unknown, other: unknown): void => {
  if (JSON.stringify(one) !== JSON.stringify(other)) throw new Error(JSON.stringify(one));
};
const expect = (one: unknown) => ({
  toBe: (other: unknown) => same(one, other),
  toEqual: (other: unknown) => same(one, other),
  toContain: (part: string) => same(String(one).includes(part), true),
  toMatchSnapshot: () => same(typeof one, 'string'),
});
${found.join('\n').replace(/^test\(/gm, 'await test(')}
(globalThis as never as { isDone: boolean }).isDone = true;
export {};
`;
}

const isAsSaid = (all: readonly Result[]): void => {
  for (const { actual, expected, line } of all) expect(actual, line).toBe(expected);
};

const withLabel = (label: Label): readonly string[] => guides.filter((one) => samplesOf(one, label) !== '');

describe('what the guides show is so', () => {
  test.each(withLabel('ts'))('docs/%s.md, in Node', async (guide) => {
    const path = join(folder, `${guide}.ts`);
    writeFileSync(path, telling(samplesOf(guide, 'ts')));
    await import(path);
    isAsSaid((globalThis as never as { reported: Result[] }).reported);
  });

  let browser: Browser;
  beforeAll(async () => {
    browser = await chromium.launch(browserOptions);
  });
  afterAll(() => browser.close());

  test.each(withLabel('ts browser'))('docs/%s.md, in a page', async (guide) => {
    const path = join(folder, `${guide}-page.ts`);
    writeFileSync(path, telling(samplesOf(guide, 'ts browser')));
    const page = await browser.newPage();
    const errors: string[] = [];
    page.on('pageerror', (error) => errors.push(error.message));
    await page.setContent('<!doctype html><html lang="en"><title>Samples</title><body></body></html>');
    await page.addScriptTag({ content: await bundle(pathToFileURL(path)), type: 'module' });
    await page.waitForFunction('globalThis.isDone', undefined, { timeout: 30_000 }).catch(() => undefined);
    expect(errors).toEqual([]);
    isAsSaid(await page.evaluate<Result[]>('globalThis.reported'));
    await page.close();
  });

  test('and the types are right', () => {
    const types = mkdtempSync(join(root, 'tests/docs/out-'));
    onTestFinished(() => rmSync(types, { recursive: true }));
    for (const guide of guides)
      for (const label of ['ts', 'ts browser'] as const)
        writeFileSync(
          join(types, `${guide}-${label.replace(' ', '-')}.ts`),
          `${samplesOf(guide, label)}\nexport {};\n`,
        );
    writeFileSync(
      join(types, 'tsconfig.json'),
      JSON.stringify({
        extends: '../../../tsconfig.json',
        compilerOptions: { noUnusedLocals: false, rootDir: root },
        include: ['*.ts'],
        exclude: [],
      }),
    );
    const { status, stdout } = spawnSync('npx', ['tsc', '-p', types], { cwd: root, encoding: 'utf8' });
    expect(stdout).toBe('');
    expect(status).toBe(0);
  });
});
