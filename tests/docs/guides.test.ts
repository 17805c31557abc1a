import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { type Browser, chromium } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { browserOptions } from '../../scripts/browser.mjs';
import { root } from '../cli/lattice.js';
import { bundle } from '../support/bundle.js';

// Each guide's samples are one module, in their order, run where the guide says; `// →` says what a line comes to.

const guides = ['start', 'props', 'slots', 'compose', 'render', 'elements', 'styles', 'forms', 'recipes'];
const folder = mkdtempSync(join(root, 'tests/docs/out-'));
afterAll(() => rmSync(folder, { recursive: true }));

interface Told {
  readonly line: string;
  readonly expected: string;
  readonly actual: string;
}

function samplesOf(guide: string, label: 'ts' | 'ts browser'): string {
  const text = readFileSync(join(root, `docs/${guide}.md`), 'utf8');
  return [...text.matchAll(new RegExp(`^\`\`\`${label}\n([^]*?)\n\`\`\`$`, 'gm'))]
    .map(([, code]) => code)
    .join('\n');
}

/** The samples with each line that says what it comes to handed to `told`. */
function telling(code: string): string {
  const lines = code.split('\n');
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
    found.push(`told(${JSON.stringify(statement)}, ${JSON.stringify(expected)}, () => (${statement}));`);
  }
  return `const all = ((globalThis as never as { told: object[] }).told = [] as object[]);
function told(line: string, expected: string, work: () => unknown): void {
  let actual: string;
  try {
    const value = work();
    actual = typeof value === 'string' ? value : String(JSON.stringify(value));
  } catch (thrown) {
    const codes = (thrown as { problems?: readonly { code: string }[] }).problems?.map(({ code }) => code);
    actual = codes ? \`throws \${codes.sort().join(', ')}\` : String(thrown);
  }
  all.push({ line, expected, actual });
}
${found.join('\n')}
(globalThis as never as { isDone: boolean }).isDone = true;
export {};
`;
}

const isAsSaid = (all: readonly Told[]): void => {
  expect(all.length).toBeGreaterThan(0);
  for (const { actual, expected, line } of all) expect(actual, line).toBe(expected);
};

const withLabel = (label: 'ts' | 'ts browser'): readonly string[] =>
  guides.filter((one) => samplesOf(one, label) !== '');

describe('what the guides show is so', () => {
  test.each(withLabel('ts'))('docs/%s.md, in Node', async (guide) => {
    const path = join(folder, `${guide}.ts`);
    writeFileSync(path, telling(samplesOf(guide, 'ts')));
    await import(path);
    isAsSaid((globalThis as never as { told: Told[] }).told);
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
    await page.waitForFunction('globalThis.isDone', undefined, { timeout: 5_000 }).catch(() => undefined);
    expect(errors).toEqual([]);
    isAsSaid(await page.evaluate<Told[]>('globalThis.told'));
    await page.close();
  });

  test('and the types are right', () => {
    const types = join(folder, 'types');
    mkdirSync(types);
    for (const guide of guides)
      for (const label of ['ts', 'ts browser'] as const)
        writeFileSync(
          join(types, `${guide}-${label.replace(' ', '-')}.ts`),
          `${samplesOf(guide, label)}\nexport {};\n`,
        );
    writeFileSync(
      join(types, 'tsconfig.json'),
      JSON.stringify({
        extends: '../../../../tsconfig.json',
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
