import { type Browser, chromium, type Page } from 'playwright-core';
import { build, createLogger, createServer, type InlineConfig, type ViteDevServer } from 'vite';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { browserOptions } from '../../scripts/browser.mjs';
import { builtPlugin, Site } from './site.js';

const files: Readonly<Record<string, string>> = {
  'index.html': `<!doctype html>
<html lang="en"><head><title>Stalls</title><script type="module" src="./main.ts"></script></head>
<body><stall-sign name="North"></stall-sign><text-sign name="East"></text-sign><stall-count></stall-count></body></html>
`,
  'still.html': `<!doctype html>
<html lang="en"><head><title>Still</title></head><body><stall-count></stall-count></body></html>
`,
  'tool-page.ts': `import { component, el, prop } from 'zesty-lattice';
import { stall } from './words.ts';

export const ToolPage = component('tool-page', {
  props: { tool: prop.text() },
  template: ({ props }) => el.main(props.tool, ' at ', stall),
});
`,
  'tools.csv': 'id,tool\n3,Basket\n7,Ladder\n',
  'row.css': 'main { color: rgb(4, 4, 4) }',
  'tools/17.html': `<!doctype html>
<html lang="en"><head><title>Tool 17</title></head>
<body><stall-sign name="Ladder"></stall-sign></body></html>
`,
  'main.ts': `import { register } from 'zesty-lattice/elements';
import { StallCount } from './stall-count.ts';
register(StallCount, { sheets: [import.meta.env.BASE_URL + 'page.css'] });
`,
  'public/page.css': 'button { color: rgb(1, 2, 3) }\n',
  'words.ts': `export const stall = 'Stall';\n`,
  'all.ts': `export { StallCount } from './stall-count.ts';\nexport { StallSign } from './stall-sign.ts';\nexport { TextSign } from './text-sign.ts';\n`,
  'stall-count.ts': `import { component, el } from 'zesty-lattice';

export const StallCount = component('stall-count', {
  state: () => ({ count: 3 }),
  handlers: { add: ({ state }) => ({ count: state.count + 1 }) },
  template: ({ state, handlers }) => el.button({ type: 'button', on: { click: handlers.add() } }, 'Crates: ', state.count),
});
`,
  'stall-sign.ts': `import { component, el, prop } from 'zesty-lattice';
import { stall } from './words.ts';

export const StallSign = component('stall-sign', {
  props: { name: prop.text() },
  styles: 'p { color: rgb(3, 2, 1) }',
  template: ({ props }) => el.p(stall, ' ', props.name),
});
`,
  'text-sign.ts': `import { component, prop } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';

export const TextSign = component('text-sign', {
  props: { name: prop.text() },
  template: markupFile(import.meta.url, './text-sign.html'),
});
`,
  'text-sign.html': '<h2>{{ name }}</h2>\n',
};

let site: Site;
let browser: Browser;
const warned: string[] = [];

async function config(base = '/'): Promise<InlineConfig> {
  const lattice = await builtPlugin();
  return {
    root: site.folder,
    base,
    configFile: false,
    customLogger: { ...createLogger('silent'), warn: (text) => void warned.push(text) },
    plugins: [
      lattice({
        components: ['./all.ts'],
        prerender: true,
        sheets: ['/page.css'],
        rowPages: [
          {
            page: './tool-page.ts',
            data: './tools.csv',
            name: 'tools/{tool}-{id}.html',
            title: 'Tool {id}: {tool}',
            css: './row.css',
          },
        ],
      }),
    ],
    cacheDir: `${site.folder}/cache`,
    optimizeDeps: { include: ['zesty-lattice', 'zesty-lattice/elements', 'zesty-lattice/internal/hot'] },
    build: { target: 'es2022', minify: false, emptyOutDir: true },
  };
}

beforeAll(async () => {
  site = new Site('prerendered', files);
  browser = await chromium.launch(browserOptions);
});
afterAll(async () => {
  await browser.close();
  site.remove();
});

const saved = (path: string, from: string, to: string): void => site.edit(path, from, to);

describe('a page that is rendered ahead, during development', () => {
  let server: ViteDevServer;
  let page: Page;
  let url: string;
  beforeAll(async () => {
    const made = await config();
    server = await createServer({
      ...made,
      server: { port: 0, host: '127.0.0.1', watch: { usePolling: true, interval: 50 } },
    });
    await server.listen();
    url = server.resolvedUrls?.local[0] ?? '';
    page = await browser.newPage();
    await page.goto(url);
    await page.waitForFunction("customElements.get('stall-count')");
    await page.evaluate(() => Object.assign(window, { isSamePage: true }));
  });
  afterAll(() => server.close());

  const shows = (text: string): Promise<unknown> =>
    page.waitForFunction((wanted) => document.body.textContent?.includes(wanted), text, { timeout: 60_000 });

  test('follows a template that is a function', async () => {
    await shows('Stall North');
    saved('stall-sign.ts', "stall, ' ', props.name", "stall, ' of the ', props.name");
    await shows('Stall of the North');
  });

  test('keeps its elements as they are where there is more around them', async () => {
    await page.locator('stall-count button').click();
    saved('text-sign.html', '<h2>{{ name }}</h2>', '<h2>{{ name }}</h2><p>Open</p><hr>');
    await page.waitForFunction("document.querySelector('hr')");
    expect(await page.locator('stall-count button').innerText()).toBe('Crates: 4');
    saved('text-sign.html', '<p>Open</p><hr>', '');
    await page.waitForFunction("!document.querySelector('hr')");
    expect(await page.locator('stall-count button').innerText()).toBe('Crates: 4');
  });

  test('follows a module that a template reads', async () => {
    saved('words.ts', "'Stall'", "'Table'");
    await shows('Table of the North');
  });

  test('follows a template that is a file', async () => {
    await shows('East');
    saved('text-sign.html', '{{ name }}', 'Sign {{ name }}');
    await shows('Sign East');
  });

  test('follows rules', async () => {
    saved('stall-sign.ts', 'rgb(3, 2, 1)', 'rgb(9, 8, 7)');
    await page.waitForFunction("getComputedStyle(document.querySelector('p')).color === 'rgb(9, 8, 7)'");
    // All of that without loading the page: what an element is in the middle of goes on.
    expect(await page.evaluate('isSamePage')).toBe(true);
  });

  test('stays where only an element changes, which shows it by itself', async () => {
    await page.waitForFunction("customElements.get('stall-count')");
    await page.locator('button').click();
    await page.evaluate(() => Object.assign(window, { isSamePage: true }));
    saved('stall-count.ts', "'Crates: '", "'Baskets: '");
    await page.waitForFunction(
      "document.querySelector('stall-count').shadowRoot.textContent === 'Baskets: 5'",
    );
    expect(await page.evaluate('isSamePage')).toBe(true);
  });

  test('a page whose components fail stays until they are right again', async () => {
    saved('stall-sign.ts', 'export const StallSign', 'throw new Error("moment"); export const StallSign');
    await expect.poll(async () => (await fetch(url)).status).toBe(500);
    saved('stall-sign.ts', 'throw new Error("moment"); ', '');
    saved('words.ts', "'Table'", "'Bench'");
    await shows('Bench of the North');
  });

  test('an element whose module no script loads is reported', async () => {
    const other = await browser.newPage();
    const told: string[] = [];
    other.on('console', (message) => told.push(message.text()));
    await other.goto(`${url}still.html`);
    await expect.poll(() => told.join('\n')).toMatch(/element-unregistered.*stall-count/);
    await other.close();
  });

  test('a part of the page that becomes an element is reported once', async () => {
    saved('text-sign.ts', 'props:', 'state: () => ({ a: 1 }), props:');
    await page.waitForFunction("document.querySelector('text-sign')");
    saved('text-sign.html', '{{ name }}', '{{ name }}{{ a }}');
    await page.waitForFunction(
      "document.querySelector('text-sign').shadowRoot.textContent.includes('East1')",
    );
    expect(warned.filter((text) => text.includes('<text-sign> has become an element'))).toHaveLength(1);
  });

  test('the page of a row is served by the name of its file, and follows its component and its data', async () => {
    const row = await browser.newPage();
    await row.goto(`${url}tools/Ladder-7.html`);
    expect(await row.title()).toBe('Tool 7: Ladder');
    const text = (): Promise<string> => row.locator('main').innerText();
    expect(await text()).toBe('Ladder at Bench');
    expect(await row.evaluate("getComputedStyle(document.querySelector('main')).color")).toBe('rgb(4, 4, 4)');
    saved('tool-page.ts', "' at '", "' stands at '");
    await expect.poll(text).toBe('Ladder stands at Bench');
    saved('tools.csv', 'Ladder', 'Long ladder');
    // The row has another file now, and its page is loaded anew at the old address.
    await expect.poll(() => row.title()).toBe('Stalls');
    await row.goto(`${url}tools/Long-ladder-7.html`);
    expect(await text()).toBe('Long ladder stands at Bench');
    await row.goto(`${url}tools/Nobody-1.html`);
    expect(await row.title()).toBe('Stalls');
    await row.close();
  });

  test('a page in a folder is served by its address', async () => {
    const other = await browser.newPage();
    await other.goto(`${url}tools/17.html`);
    expect(await other.locator('p').innerText()).toBe('Bench of the Ladder');
    await other.close();
  });
});

test('so they are during development', async () => {
  const made = await config('/shop/');
  const server = await createServer({ ...made, server: { port: 0, host: '127.0.0.1' } });
  await server.listen();
  const page = await browser.newPage();
  await page.goto(server.resolvedUrls?.local[0] ?? '');
  await page.waitForFunction(
    "getComputedStyle(document.querySelector('stall-count').shadowRoot.querySelector('button')).color === 'rgb(1, 2, 3)'",
  );
  await page.close();
  const html = await (await fetch(server.resolvedUrls?.local[0] ?? '')).text();
  expect(html).toContain('<link rel="stylesheet" href="/shop/page.css" data-sheet>');
  await server.close();
});

test.for(['/', '/shop/', './'])('sheets are linked below the base %s', async (base) => {
  await build(await config(base));
  const html = site.read('dist/index.html');
  const [, href] = /<link rel="stylesheet" href="([^"]*page\.css)" data-sheet>/.exec(html) ?? [];
  expect(href).toBe(base === './' ? './page.css' : `${base}page.css`);
});
