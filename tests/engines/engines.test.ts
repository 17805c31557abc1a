import { mkdirSync, mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { extname, join } from 'node:path';
import { build } from 'vite';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { renderHtml } from 'zesty-lattice/html';
import { type App, appOf } from '../apps/generate.js';
import { builtApps, playAll, rendered, writeApps } from '../apps/scenes.js';
import { root } from '../cli/lattice.js';
import { deeds, run } from '../elements/field-deeds.js';
import { ShiftForm } from '../elements/typed-parts.js';
import { cases } from '../same/cases/index.js';
import type { Outcome } from '../same/compare.js';
import { sameIn } from '../same/open.js';
import type { RandomOutcome } from '../same/page.js';
import { bundle } from '../support/bundle.js';
import {
  type Engine,
  type EnginePage,
  engineNames,
  reporting,
  serveTexts,
  startEngine,
} from '../support/engines.js';
import { isLong, runsOf } from '../support/runs.js';
import { GroveCount, ShiftRows } from './parts.js';

const html = 'text/html; charset=utf-8';
const javascript = 'text/javascript; charset=utf-8';
const types: Readonly<Record<string, string>> = {
  '.html': html,
  '.js': javascript,
  '.css': 'text/css',
  '.json': 'application/json',
  '.svg': 'image/svg+xml',
};

/** A page with this in its body, and scripts that are there when it opens. */
const pageWith = (body: string, ...scripts: readonly string[]): string =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Orchard</title>${reporting}</head><body>${body}${scripts.map((path) => `<script type="module" src="${path}"></script>`).join('')}</body></html>`;

let folder: string;
let apps: readonly App[];
let renderings: ReturnType<typeof rendered>;
let texts: ReadonlyMap<string, string>;
const random = runsOf('engines', 300 * 30);

beforeAll(async () => {
  if (!isLong) return;
  folder = mkdtempSync(join(root, 'tests/apps/out-'));
  mkdirSync(folder, { recursive: true });
  apps = Array.from({ length: 60 }, (_, at) => appOf((random.seed + at) % 1_000_000));
  writeApps(folder, apps);
  renderings = rendered(folder, apps);
  const [same, typed, parts, partsAhead, inPage, ahead] = await Promise.all([
    bundle(new URL('../same/page.ts', import.meta.url)),
    bundle(new URL('../elements/typed-page.ts', import.meta.url)),
    bundle(new URL('./page.ts', import.meta.url)),
    bundle(new URL('./page.ts', import.meta.url), { ahead: true, minify: true, production: true }),
    builtApps(folder, apps, false),
    builtApps(folder, apps.slice(0, 12), true),
  ]);
  texts = new Map(Object.entries({ same, typed, parts, partsAhead, inPage, ahead }));
  for (const [name, config] of [
    ['live', 'vite.config.ts'],
    ['plain', 'elements.config.ts'],
  ] as const)
    await build({
      configFile: join(root, 'examples/open-day', config),
      logLevel: 'error',
      build: { outDir: join(folder, name), emptyOutDir: true },
    });
}, 600_000);
afterAll(() => isLong && rmSync(folder, { recursive: true }));

describe.runIf(isLong).each(engineNames)('in %s', { timeout: 900_000 }, (name) => {
  let engine: Engine;
  const closing: (() => void)[] = [];
  beforeAll(async () => {
    engine = await startEngine(name);
    console.log(`${engine.name} ${engine.version}`);
  });
  afterAll(async () => {
    for (const close of closing) close();
    await engine.close();
  });

  /** Opens a page; scripts are served by their names. */
  const opened = async (page: string): Promise<EnginePage> => {
    const server = await serveTexts((path) => {
      if (path === '/') return [html, page];
      const code = texts.get(path.slice(1));
      return code === undefined ? undefined : [javascript, code];
    });
    closing.push(server.close);
    return engine.open(server.url);
  };
  const inFrame = 'new Promise((done) => requestAnimationFrame(() => setTimeout(() => done(1))))';

  test.each(['page', 'ahead'] as const)(
    'every case of the corpus shows the same, planned in the %s',
    async (planning) => {
      const same = await sameIn(engine, texts.get('same') ?? '');
      const page = await same.open();
      const wrong: unknown[] = [];
      for (const at of cases.keys())
        wrong.push(...(await page.evaluate<Outcome>(`compareCase(${at}, '${planning}')`)).differences);
      expect(wrong).toEqual([]);
      const { failed } = await page.evaluate<RandomOutcome>(
        `compareRandom(300, ${random.seed}, '${planning}')`,
      );
      expect(failed).toBeUndefined();
      same.close();
    },
  );

  test.each([
    ['in the page', 'inPage', 60],
    ['at build time', 'ahead', 12],
  ] as const)(
    'random applications are the same hydrated and made anew, planned %s',
    async (_how, script, count) => {
      // Two copies of the library, as two kits bring them.
      const page = await opened(pageWith('', `/${script}`, `/${script}?2`));
      await page.until('window.copies?.length === 2');
      const { actions, wrong } = await playAll(
        (expression) => page.evaluate(`new Promise((done) => setTimeout(() => done(${expression})))`),
        apps.slice(0, count),
        renderings,
      );
      expect(wrong).toEqual([]);
      console.log(`${name}: ${count} applications, ${actions} actions on each of two elements`);
    },
  );

  test('a field is as a native control, whatever is done to it', async () => {
    const page = await opened(pageWith('', '/typed'));
    await page.until('window.startFields');
    await page.evaluate('startFields()');
    const wrong: unknown[] = [];
    for (const [what, deed] of Object.entries(deeds)) {
      const native = JSON.stringify(await page.evaluate(run('input', deed)));
      const own = JSON.stringify(await page.evaluate(run('note-field', deed)));
      if (own !== native) wrong.push({ what, native, own });
    }
    expect(wrong).toEqual([]);
  });

  test('what is typed before the script goes to the state, and the caret stays where it was', async () => {
    const page = await opened(pageWith(renderHtml(ShiftForm, {}, { form: 'elements' }), '/typed'));
    await page.until('window.startTyped');
    const root = "document.querySelector('shift-form').shadowRoot";
    const field = `${root}.querySelector('#name')`;
    await page.click(field);
    await page.evaluate(`${field}.select()`);
    await page.type('Ottilie');
    await page.evaluate(`(${field}.setSelectionRange(1, 4), window.sent = ${field}, 1)`);
    await page.evaluate('(startTyped(), 1)');
    await page.evaluate(inFrame);
    expect(await page.evaluate(`${root}.querySelector('output').textContent`)).toContain('Ottilie');
    expect(
      await page.evaluate(`[sent === ${root}.activeElement, sent.selectionStart, sent.selectionEnd]`),
    ).toEqual([true, 1, 4]);
    await page.type('tt');
    await page.evaluate(inFrame);
    expect(await page.evaluate(`${root}.querySelector('output').textContent`)).toContain('Ottlie');
    await page.press('Tab');
    expect(await page.evaluate(`${root}.activeElement.id`)).toBe('note');
    // A reset replaces the text of an output in some engines: what is typed after it shows all the same.
    await page.evaluate(`(${root}.querySelector('form').reset(), 1)`);
    await page.until(`${field}.value === 'Ines'`);
    await page.click(field);
    await page.evaluate(`${field}.select()`);
    await page.type('Otto');
    await page.evaluate(inFrame);
    expect(await page.evaluate(`${root}.querySelector('output').textContent`)).toContain('Otto');
    expect(await page.evaluate('said')).toEqual([]);
  });

  test.each(['parts', 'partsAhead'])(
    'a row that is dragged keeps its element, and what is typed in it: %s',
    async (script) => {
      const page = await opened(pageWith(renderHtml(ShiftRows, {}, { form: 'elements' }), `/${script}`));
      await page.until('window.startParts');
      await page.evaluate('(startParts(), 1)');
      const rows = "[...document.querySelector('shift-rows').shadowRoot.querySelectorAll('li')]";
      await page.click(`${rows}[0].querySelector('input')`);
      await page.type('Ines');
      await page.evaluate(`(window.first = ${rows}[0], 1)`);
      await page.drag(`${rows}[0].querySelector('b')`, `${rows}[3].querySelector('b')`);
      await page.evaluate(inFrame);
      expect(await page.evaluate(`${rows}.map((row) => row.querySelector('b').textContent)`)).toEqual([
        'Press',
        'Carts',
        'Shade',
        'Gate',
      ]);
      expect(await page.evaluate(`${rows}.indexOf(first)`)).toBe(3);
      expect(await page.evaluate("first.querySelector('input').value")).toBe('Ines');
      await page.drag(`${rows}[3].querySelector('b')`, `${rows}[1].querySelector('b')`);
      await page.evaluate(inFrame);
      expect(await page.evaluate(`${rows}.indexOf(first)`)).toBe(1);
      // By a key, the focus stays in the row that moves.
      await page.click("first.querySelector('input')");
      await page.press('ArrowDown');
      await page.evaluate(inFrame);
      expect(await page.evaluate(`${rows}.indexOf(first)`)).toBe(2);
      await page.type('!');
      expect(await page.evaluate("first.querySelector('input').value")).toContain('!');
      expect(await page.evaluate('said')).toEqual([]);
    },
  );

  test('a declarative shadow root hydrates while the rest of the page is on its way', async () => {
    const start = '<script>import("/parts").then(() => startParts());</script>';
    const first = pageWith(`${renderHtml(GroveCount, {}, { form: 'elements' })}<!--${' '.repeat(4096)}-->`)
      .replace('</head>', `${start}</head>`)
      .replace('</body></html>', '');
    let release = (): void => undefined;
    const server = createServer(({ url }, response) => {
      if (url === '/parts')
        return void response.writeHead(200, { 'content-type': javascript }).end(texts.get('parts'));
      response.writeHead(200, { 'content-type': html });
      if (url !== '/log') return void response.end(pageWith('<iframe></iframe>'));
      response.write(first);
      release = () => response.end('<p id="last">the end</p></body></html>');
    });
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
    closing.push(() => server.close());
    // A page around it can look into it while it loads.
    const page = await engine.open(`http://127.0.0.1:${(server.address() as AddressInfo).port}/`);
    await page.evaluate("(document.querySelector('iframe').src = '/log', 1)");
    const log = "document.querySelector('iframe').contentDocument";
    const button = `${log}.querySelector('grove-count')?.shadowRoot?.querySelector('button')`;
    await page.until(`${button}?.textContent === '9 trees'`);
    await page.evaluate(`(window.sent = ${button}, 1)`);
    expect(
      await page.evaluate("document.querySelector('iframe').contentWindow.getComputedStyle(sent).color"),
    ).toBe('rgb(1, 2, 3)');
    // Once its script is there, it counts.
    await page.until(`(sent.click(), sent.textContent !== '9 trees')`);
    expect(
      await page.evaluate(`[${log}.readyState, ${log}.querySelector('#last'), ${button} === sent]`),
    ).toEqual(['loading', null, true]);
    release();
    await page.until(`${log}.readyState === 'complete'`);
    expect(
      await page.evaluate(
        `[${log}.querySelector('#last').textContent, ${button} === sent, ${log}.defaultView.said]`,
      ),
    ).toEqual(['the end', true, []]);
  });

  test.each([
    ['live', 'index.html'],
    ['plain', 'index.html'],
  ])('the example %s starts without an error, and answers', async (example, index) => {
    const server = await serveTexts((path) => {
      const isPage = path === '/';
      const file =
        example === 'plain' && isPage
          ? join(root, 'examples/plain-page/index.html')
          : join(folder, example, isPage ? index : path);
      if (!statSync(file, { throwIfNoEntry: false })?.isFile()) return undefined;
      const type = types[extname(file)] ?? 'application/octet-stream';
      if (!isPage) return [type, readFileSync(file)];
      return [type, readFileSync(file, 'utf8').replace('<head>', `<head>${reporting}`)];
    });
    closing.push(server.close);
    const page = await engine.open(server.url);
    const rooted = (tag: string): string => `document.querySelector('${tag}').shadowRoot`;
    const [filter, counter] = [`${rooted('variety-picker')}.querySelector('input')`, rooted('crate-counter')];
    if (example === 'live') {
      await page.until("customElements.get('variety-picker')");
      await page.click(filter);
      await page.type('zz');
      await page.until(`${rooted('variety-picker')}.querySelector('.count').textContent.startsWith('0 of')`);
    } else {
      await page.until("customElements.get('crate-counter')");
      const shown = `Number(${counter}.querySelector('output').textContent)`;
      const before = await page.evaluate<number>(shown);
      await page.click(`${counter}.querySelector('button:last-of-type')`);
      await page.until(`${shown} === ${before + 1}`);
    }
    expect(await page.evaluate('said')).toEqual([]);
  });
});
