import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import AxeBuilder from 'axe-core';
import { type Browser, chromium, type Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { component, el, given, prop, resolve, slot } from 'zesty-lattice';
import { mermaid, treePage } from '../../packages/tools/src/tree-page/index.js';
import { browserOptions } from '../../scripts/browser.mjs';
import { looks } from '../support/runs.js';
import { lattice, root } from './lattice.js';

let browser: Browser;
const folder = mkdtempSync(join(tmpdir(), 'lattice-tree-'));
beforeAll(async () => {
  browser = await chromium.launch(browserOptions);
});
afterAll(async () => {
  await browser.close();
  rmSync(folder, { recursive: true });
});

const NoteBox = component('note-box', {
  props: { text: prop.text() },
  slots: { default: slot(), foot: slot() },
  template: ({ props, slots }) => el.div(props.text, slots.default(), slots.foot(el.i('</script><b>none'))),
});
const Faulty = component('faulty-page', {
  props: { open: prop.flag(), count: prop.number().fallback(3) },
  template: ({ props }) => [
    given(props.open, NoteBox({ text: 'Gate <b>north</b>' }), NoteBox({ text: 'Closed' })),
    NoteBox({ text: 'With a wrong place' }, el.p(el.div('in a paragraph'))),
    NoteBox({} as never),
  ],
});

async function visit(file: string, options: Parameters<Browser['newPage']>[0] = {}): Promise<Page> {
  const page = await browser.newPage(options);
  page.on('pageerror', (error) => {
    throw error;
  });
  await page.goto(pathToFileURL(file).href);
  return page;
}

const shownUses = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('.tree li[data-name]')]
      .filter((one) => one.checkVisibility())
      .map((one) => one.dataset.name ?? ''),
  );

describe('the tree of the open day as a page', () => {
  const file = join(folder, 'fair.html');
  beforeAll(() => {
    const { out: stdout } = lattice(
      'tree',
      'examples/orchard/fair-page.ts',
      '--props',
      'examples/orchard/open-day.json',
      '--page',
      file,
    );
    expect(stdout).toBe(`Wrote ${file}\n`);
  });

  test('has each use with its props, slots, conditions and line, and needs nothing else', async () => {
    const html = readFileSync(file, 'utf8');
    expect(html).not.toMatch(/(?:src|href)="(?!#)/);
    const page = await visit(file);
    const text = (await page.locator('.tree').textContent()) ?? '';
    for (const words of [
      'fair-page',
      'slot navigation',
      'for each of props.items (30)',
      'a list of 30',
      'fair-page.ts:',
    ])
      expect(text).toContain(words);
    expect((await shownUses(page)).length).toBe(26);
    await page.close();
  });

  test('finds by words and by component, by keyboard alone', async () => {
    const page = await visit(file);
    await page.keyboard.press('Tab');
    await page.keyboard.type('dialog');
    await page
      .waitForFunction("document.getElementById('found').textContent === '2 of 26'")
      .catch(async () => {
        throw new Error(await page.locator('#found').innerText());
      });
    expect(new Set(await shownUses(page))).toContain('dialog-box');
    expect(await shownUses(page)).not.toContain('variety-card');
    await page.locator('#words').fill('');
    await page.locator('#component').selectOption('price-tag');
    await page.waitForFunction("document.getElementById('found').textContent === '1 of 26'");
    expect(await shownUses(page)).toEqual([
      'fair-page',
      'page-shell',
      'section-block',
      'variety-list',
      'variety-card',
      'price-tag',
    ]);
    await page.locator('#component').selectOption('');
    await page.locator('#fold').click();
    expect(await shownUses(page)).toEqual(['fair-page']);
    await page.locator('#unfold').click();
    expect((await shownUses(page)).length).toBe(26);
    await page.close();
  });

  test.each(looks('dark'))('has nothing for axe to find, in %s at %i px', async (colorScheme, width) => {
    const page = await visit(file, { colorScheme, viewport: { width, height: 800 } });
    await page.addScriptTag({ content: AxeBuilder.source });
    const { violations } = await page.evaluate(() =>
      (window as unknown as { axe: { run(): Promise<{ violations: { id: string }[] }> } }).axe.run(),
    );
    expect(violations.map(({ id }) => id)).toEqual([]);
    expect(await page.evaluate('document.documentElement.scrollWidth')).toBeLessThanOrEqual(width);
    await page.close();
  });
});

test('problems stand at their use and in a list that leads there; what is not shown is reported', async () => {
  const tree = resolve(Faulty, { open: true });
  const file = join(folder, 'faulty.html');
  writeFileSync(file, treePage([tree], { name: 'faulty-page', problems: tree.problems }));
  const page = await visit(file);
  expect(await page.locator('.problems article').count()).toBe(tree.problems.length);
  expect(tree.problems.map(({ code }) => code)).toContain('prop-missing');
  expect(await page.locator('.tree .unseen [data-name], .tree .unseen').count()).toBeGreaterThan(0);
  const link = page.locator('.problems article', { hasText: 'prop-missing' }).locator('a');
  const target = (await link.getAttribute('href')) as string;
  await page.locator('#fold').click();
  await link.click();
  expect(await page.locator(target).isVisible()).toBe(true);
  expect(await page.locator(target).innerText()).toContain('note-box');
  await page.locator('#seen').check();
  await page.waitForFunction("document.querySelector('.tree .unseen').hidden");
  await page.locator('#faulty').check();
  await page.waitForFunction("/of/.test(document.getElementById('found').textContent)");
  expect(
    await page.evaluate(
      '[...document.querySelectorAll(".tree li.faulty")].every((one) => one.checkVisibility())',
    ),
  ).toBe(true);
  expect(await page.evaluate("document.querySelectorAll('.tree b, body > b').length")).toBeGreaterThan(0);
  expect(await page.locator('body > b').count()).toBe(0);
  await page.close();
});

test('a document gives its page as well', async () => {
  const document = join(folder, 'page.html');
  writeFileSync(
    document,
    '<!doctype html><title>x</title><body><variety-card title="Dunlight" crates="x"></variety-card></body>',
  );
  const file = join(folder, 'document.html');
  const { code: status } = lattice(
    'tree',
    document,
    '--uses',
    'examples/orchard/components/variety-card.ts',
    '--page',
    file,
  );
  expect(status).toBe(1);
  const page = await visit(file);
  expect(await page.locator('.problems').innerText()).toContain('prop-invalid');
  await page.close();
});

test('thousands of uses are found among as one types', async () => {
  const Leaf = component('leaf-note', {
    props: { n: prop.number() },
    template: ({ props }) => el.i(props.n),
  });
  const Many = component('many-leaves', {
    template: () => el.div(Array.from({ length: 1_500 }, (_, n) => Leaf({ n }))),
  });
  const tree = resolve(Many);
  const file = join(folder, 'many.html');
  const begin = performance.now();
  const html = treePage([tree], { name: 'many-leaves', problems: [] });
  const written = performance.now() - begin;
  writeFileSync(file, html);
  const page = await visit(file);
  const [first, second] = (await page.evaluate(async () => {
    const words = document.getElementById('words') as HTMLInputElement;
    const times: number[] = [];
    for (const text of ['4', '48']) {
      const start = performance.now();
      words.value = text;
      words.dispatchEvent(new Event('input'));
      await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
      document.body.getBoundingClientRect();
      times.push(performance.now() - start);
    }
    return times;
  })) as [number, number];
  console.log(
    `1,501 uses: page written in ${written.toFixed(0)} ms, ${(html.length / 1e6).toFixed(1)} MB; found in ${first.toFixed(0)} and ${second.toFixed(0)} ms`,
  );
  expect(await page.locator('#found').innerText()).toMatch(/^\d+ of 1,?501/);
  await page.close();
});

test('as a diagram each use is a box, and no label ends another', () => {
  const text = mermaid([resolve(Faulty, { open: true })]);
  expect(text).toContain('n1["faulty-page"]');
  expect(text).toContain('n1 -->|"if props.open"| n2["note-box"]');
  expect(text).toMatch(/class n\d+ unseen/);
  for (const line of text.trim().split('\n').slice(1))
    expect(line).toMatch(
      /^ {2}(n\d+(\["[^"]*"\])?( -->(\|"[^"|]*"\|)? n\d+\["[^"]*"\])?|classDef .*|class [\w,]+ unseen)$/,
    );
  const { out: stdout } = lattice('tree', join(root, 'examples/orchard/fair-page.ts'), '--format', 'mermaid');
  expect(stdout).toContain('["variety-card"]');
});
