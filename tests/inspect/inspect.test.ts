import { type ChildProcess, spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { fileURLToPath } from 'node:url';
import { type Browser, chromium, type Page } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { type ComponentTree, resolve } from 'zesty-lattice';
import { VarietyPicker } from '../../examples/open-day/components/index.js';
import { browserOptions } from '../../scripts/browser.mjs';
import { isLong } from '../support/runs.js';
import { WholeDay } from './page/components.js';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
const root = fileURLToPath(new URL('./page', import.meta.url));
let server: ChildProcess;
let browser: Browser;
let page: Page;
let url = '';
const reported: string[] = [];

beforeAll(async () => {
  [server, url] = await serving();
  browser = await chromium.launch(browserOptions);
  page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  page.on('console', (message) => {
    if (/^(?:warning|error)$/.test(message.type())) reported.push(message.text());
  });
  page.on('pageerror', ({ message }) => reported.push(message));
  await page.goto(url);
  await page.waitForFunction(
    "document.querySelector('inspect-panel') && document.querySelector('crate-basket').shadowRoot",
  );
}, 60_000);
afterAll(async () => {
  await browser?.close();
  server?.kill();
});

type TreeUse = ComponentTree['root'];

/** Starts the server, with the plugin's option or without. */
async function serving(...args: readonly string[]): Promise<[ChildProcess, string]> {
  const child = spawn('node', [fileURLToPath(new URL('./serve.mjs', import.meta.url)), ...args], {
    env: { ...process.env, NODE_ENV: '', NODE_OPTIONS: '' },
  });
  const address = await new Promise<string>((give, fail) => {
    let said = '';
    for (const stream of [child.stdout, child.stderr])
      stream?.on('data', (part) => {
        said += part;
        if (/^http\S+\/$/m.test(said)) give(said.trim());
      });
    child.on('exit', () => fail(new Error(said)));
  });
  return [child, address];
}

interface Seen {
  readonly component: string;
  readonly path: string;
  readonly file: string;
  readonly line: number;
  /** Who wrote the element, by the mark that its rules find it by; empty where there is none. */
  readonly mark: string;
  readonly host: string;
}

/** What is reported random points of the page. */
const points = (count: number): string => `(() => {
  let seed = 4711;
  const random = () => ((seed = (seed * 16807) % 2147483647) - 1) / 2147483646;
  const seen = [];
  for (let tries = 0; seen.length < ${count} && tries < 5000; tries++) {
    scrollTo({ top: random() * (document.documentElement.scrollHeight - innerHeight), behavior: 'instant' });
    let one = document.elementFromPoint(random() * innerWidth, random() * innerHeight);
    while (one?.shadowRoot) {
      const inner = one.shadowRoot.elementFromPoint(...(() => { const { left, top, width, height } = one.getBoundingClientRect(); return [left + random() * width, top + random() * height]; })());
      if (!inner || inner === one) break;
      one = inner;
    }
    if (!one || one.closest('inspect-panel')) continue;
    const found = inspect(one);
    if (!found) continue;
    const { component, path, source, element } = found;
    seen.push({ component, path, file: source?.file ?? '', line: source?.line ?? 0, mark: element.getAttribute('data-in') ?? '', host: element.getRootNode().host?.localName ?? '' });
  }
  return seen;
})()`;

const uses = (tree: ComponentTree): ReadonlyMap<string, TreeUse> =>
  new Map([...tree.walk()].map((use) => [use.path, use]));

/** A path as a tree has it: rows have a number behind that of the use, or instead of it where there is one use. */
function inTree(path: string, tree: ReadonlyMap<string, TreeUse>): TreeUse | undefined {
  let known = '';
  for (const step of path.split(' › ')) {
    const options = [step, step.replace(/\[\d+\]$/, ''), step.replace(/(?:\[\d+\])+$/, '')];
    const next = options
      .map((one) => (known === '' ? one : `${known} › ${one}`))
      .find((one) => tree.has(one));
    if (next === undefined) return undefined;
    known = next;
  }
  return tree.get(known);
}

test('names the component and the line of 200 random points, as the tree has them', async () => {
  const seen = (await page.evaluate(points(200))) as readonly Seen[];
  expect(seen).toHaveLength(200);
  const trees = [uses(resolve(WholeDay)), uses(resolve(VarietyPicker))];
  const kinds = new Set<string>();
  let checked = 0;
  for (const { component, file, line, mark, path } of seen) {
    kinds.add(component);
    if (mark !== '') expect(component, path).toBe(mark);
    const tree = trees.find((one) => one.has(path.split(' › ')[0] ?? ''));
    if (!tree) {
      expect(component, path).toBe(path.split(' › ').at(-1));
      continue;
    }
    const use = inTree(path, tree);
    expect(use?.component, path).toBe(component);
    if (!use?.source) continue;
    expect(line, path).toBe(use.source.line);
    expect(file.replace(/^.*\/examples\//, ''), path).toBe(use.source.file.replace(/^.*\/examples\//, ''));
    checked++;
  }
  expect(checked).toBeGreaterThan(100);
  expect(kinds.size).toBeGreaterThan(12);
});

test('leaves no mark in the page, and the elements take their HTML over as ever', async () => {
  expect(await page.content()).not.toMatch(/lattice:|lattice-inspected/);
  expect(reported).toEqual([]);
});

test('says what each prop is and where it came from, and what fills each slot', async () => {
  const found = await page.evaluate(
    "(({ element, change, ...found }) => found)(inspect(document.querySelector('article.variety h3')))",
  );
  expect(found).toMatchObject({ component: 'variety-card', under: ['for each of props.items (30)'] });
  const { props, slots } = found as {
    props: { name: string; value: string; from: string }[];
    slots: unknown[];
  };
  expect(props.find(({ name }) => name === 'title')).toMatchObject({
    value: '"Dunlight"',
    from: 'variety.name',
  });
  expect(slots).toContainEqual({ name: 'default', words: 'filled: <p> { variety.taste }' });
  const counter = (await page.evaluate(
    "(({ element, change, ...found }) => found)(inspect(document.querySelector('variety-picker').shadowRoot.querySelectorAll('crate-counter')[2]))",
  )) as { path: string; state: unknown; props: unknown[] };
  expect(counter.path).toBe('variety-picker › crate-counter[3]');
  expect(counter.state).toEqual({ count: 0 });
  expect(counter.props).toContainEqual({ name: 'start', kind: 'number', value: '0', from: 'fallback' });
  expect(counter.props).toContainEqual({ name: 'most', kind: 'number', value: '30', from: 'variety.crates' });
  const panel = (await page.evaluate(
    "(({ element, change, ...found }) => found)(inspect(document.querySelector('weight-field')))",
  )) as {
    props: unknown[];
  };
  expect(panel.props).toContainEqual({
    name: 'label',
    kind: 'text',
    value: '"Fruit for the press, in kilos"',
    from: 'its attribute label',
  });
});

test('is pointed at a part, and points into the page from its list', async () => {
  await page.keyboard.press('Escape');
  await page.evaluate('scrollTo(0, 0)');
  await page.keyboard.press('Alt+i');
  const box = await page.locator('variety-picker li b').first().boundingBox();
  const [x, y] = [(box?.x ?? 0) + 4, (box?.y ?? 0) + 4];
  await page.mouse.move(x, y);
  const outline = page.locator('inspect-panel .outline');
  await expect.poll(() => outline.innerText()).toBe('variety-picker');
  await page.mouse.click(x, y);
  await expect.poll(() => page.locator('inspect-panel h2').first().innerText()).toBe('<variety-picker>');
  const line = page.locator('inspect-panel a');
  await page.getByRole('button', { name: 'crate-counter' }).nth(1).focus();
  await expect.poll(() => outline.innerText()).toBe('crate-counter');
  const wanted = await page.locator('variety-picker crate-counter').nth(1).boundingBox();
  const got = await outline.boundingBox();
  expect(Math.abs((got?.x ?? 0) - (wanted?.x ?? 0))).toBeLessThan(3);
  await page.keyboard.press('Enter');
  await expect
    .poll(() => page.locator('inspect-panel .path').innerText())
    .toBe('variety-picker › crate-counter[2]');
  expect(await line.innerText()).toMatch(/^open-day\/components\/variety-picker\.ts:81$/);
  const asked = page.waitForRequest(/@lattice-open/);
  await page.route(/@lattice-open/, (route) => route.fulfill({ body: '' }));
  await line.click();
  expect(decodeURIComponent((await asked).url())).toMatch(
    /file=\/.*examples\/open-day\/components\/variety-picker\.ts:81$/,
  );
});

test('changes the state of what is chosen, and tells what is no JSON', async () => {
  const field = page.getByRole('textbox', { name: 'count' });
  await field.fill('2');
  await field.press('Enter');
  const output = page.locator('variety-picker crate-counter').nth(1).locator('output');
  await expect.poll(() => output.innerText()).toBe('2');
  await field.fill('{');
  await field.press('Enter');
  await expect
    .poll(() => page.locator('inspect-panel [role=alert]').innerText())
    .toMatch(/^count is changed by JSON/);
  await page.locator('variety-picker crate-counter').nth(1).locator('button').last().click();
  await expect.poll(() => field.inputValue()).toBe('3');
});

test('is there once, by the option and by an import of the page', async () => {
  const other = await browser.newPage();
  await other.goto(`${url}twice.html`);
  await other.waitForFunction("document.title === 'function' && document.querySelector('inspect-panel')");
  expect(await other.locator('inspect-panel').count()).toBe(1);
  await other.close();
});

test('is accessible, also narrow and dark', async () => {
  for (const [width, colorScheme] of [
    [1280, 'light'],
    [360, 'dark'],
  ] as const) {
    await page.emulateMedia({ colorScheme });
    await page.setViewportSize({ width, height: 740 });
    await page.addScriptTag({ content: axe });
    const broken = await page.evaluate(
      "axe.run('inspect-panel').then(({ violations }) => violations.map(({ id, nodes }) => `${id}: ${nodes[0].html}`))",
    );
    expect(broken).toEqual([]);
  }
});

test.runIf(isLong)(
  'works by its import alone, without the option',
  async () => {
    const [other, address] = await serving('without');
    const own = await browser.newPage();
    await own.goto(`${address}own.html`);
    await own.waitForFunction(
      "document.querySelector('inspect-panel') && document.querySelector('variety-picker').shadowRoot",
    );
    const found = (await own.evaluate(
      "(({ path, source }) => [path, source.line])(inspect(document.querySelector('variety-picker').shadowRoot.querySelectorAll('crate-counter')[1]))",
    )) as unknown;
    expect(found).toEqual(['variety-picker › crate-counter[2]', 81]);
    await own.goto(address);
    expect(await own.content()).not.toContain('lattice:');
    await own.close();
    other.kill();
  },
  30_000,
);

test.runIf(isLong)('is in no build', async () => {
  const { lattice } = await import('../../packages/tools/dist/node/vite.js' as string);
  const { build } = await import('vite');
  const result = await build({
    root,
    configFile: false,
    logLevel: 'error',
    build: { write: false },
    plugins: [lattice({ components: ['./components.ts'], prerender: true, inspect: true })],
  });
  const outputs = (Array.isArray(result) ? result : [result]).flatMap((one) =>
    'output' in one ? one.output : [],
  );
  const text = outputs.map((one) => ('code' in one ? one.code : String(one.source))).join('\n');
  expect(text).toContain('Dunlight');
  expect(text).not.toMatch(/inspect-panel|lattice:\d|lattice-inspected/);
});
