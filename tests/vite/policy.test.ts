import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { type Browser, chromium } from 'playwright-core';
import { build } from 'vite';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { browserOptions } from '../../scripts/browser.mjs';
import { lattice } from '../cli/lattice.js';
import { served } from '../projects/visit.js';
import { isLong } from '../support/runs.js';
import { builtPlugin, Site } from './site.js';

const dot = '<svg xmlns="http://www.w3.org/2000/svg" width="2" height="2"/>';
const files: Readonly<Record<string, string>> = {
  'index.html': `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>Stalls</title><link rel="icon" href="/icon.svg"><script type="module" src="/main.ts"></script></head>
<body><stall-board wide="12"></stall-board></body></html>
`,
  'other/index.html': `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>Other</title><link rel="icon" href="/icon.svg"><script type="module" src="/main.ts"></script></head>
<body><stall-board wide="12"></stall-board></body></html>
`,
  'public/icon.svg': dot,
  // Rules read an address from the page that they stand in, whatever file they come to.
  'public/dot.svg': dot,
  'public/other/dot.svg': dot,
  'public/pages/dot.svg': dot,
  'public/pages/by-name/dot.svg': dot,
  'main.ts': `import { register } from 'zesty-lattice/elements';
import { StallBoard } from './board.ts';
register(StallBoard);
`,
  'board.ts': `import { component, el, phrase, prop, slot } from 'zesty-lattice';

const StallFrame = component('stall-frame', {
  slots: { default: slot(), note: slot() },
  state: () => ({ open: true }),
  styles: 'section { padding: 3px }',
  template: ({ slots }) => el.section({ style: { margin: '2px' } }, slots.default(), el.i(slots.note())),
});
const StallCount = component('stall-count', {
  slots: { default: slot() },
  state: () => ({ count: 3 }),
  handlers: { add: ({ state }) => ({ count: state.count + 1 }) },
  styles: 'button { color: rgb(1, 2, 3); background-image: url(dot.svg) }',
  template: ({ state, handlers, slots }) =>
    el.button({ type: 'button', style: { 'inline-size': phrase\`\${state.count}rem\` }, on: { click: handlers.add() } }, state.count, slots.default()),
});
export const StallBoard = component('stall-board', {
  props: { wide: prop.number() },
  slots: { default: slot() },
  state: () => ({ on: true }),
  styles: 'p { color: rgb(4, 5, 6) }',
  template: ({ props, slots }) => [
    el.p({ style: { 'max-inline-size': phrase\`\${props.wide}rem\`, margin: '7px' } }, 'Board'),
    StallFrame({}, { default: StallCount({}, ' crates'), note: slots.default() }),
  ],
});
`,
  'page.ts': `import { component, el, prop } from 'zesty-lattice';
import { StallBoard } from './board.ts';
export const StallPage = component('stall-page', {
  props: { name: prop.text(), wide: prop.number() },
  styles: 'h1 { color: rgb(7, 8, 9) }',
  template: ({ props }) => el.main(el.h1({ style: { margin: '1px' } }, props.name), StallBoard({ wide: props.wide })),
});
`,
  'page.css': 'body { background: rgb(250, 250, 240) }\n',
  'rows.csv': 'id,name,wide\n1,North,12\n2,South,14\n',
};

let site: Site;
let browser: Browser;

beforeAll(async () => {
  site = new Site('policy', files);
  const { folder } = site;
  const plugin = await builtPlugin();
  await build({
    root: folder,
    configFile: false,
    logLevel: 'silent',
    plugins: [plugin({ components: ['./board.ts'], prerender: true, rules: 'linked', planned: 'always' })],
    build: {
      target: 'es2022',
      rolldownOptions: {
        input: { index: join(folder, 'index.html'), other: join(folder, 'other/index.html') },
      },
    },
  });
  browser = await chromium.launch(browserOptions);
});
afterAll(async () => {
  await browser.close();
  site.remove();
});

/** What a board looks like, and its button after a click. */
async function seen(path: string, javaScriptEnabled = true) {
  const url = await served(join(site.folder, 'dist'), { 'content-security-policy': "default-src 'self'" });
  const context = await browser.newContext({ javaScriptEnabled });
  const page = await context.newPage();
  const told: string[] = [];
  page.on('console', (message) => told.push(message.text()));
  page.on('pageerror', (error) => told.push(error.message));
  await page.goto(url + path.slice(1), { waitUntil: 'load' });
  if (javaScriptEnabled) {
    await page.waitForFunction("customElements.get('stall-count')");
    await page.locator('button').click();
    // One that the page makes, with styles that never change.
    await page.evaluate(() => {
      const board = document.createElement('stall-board');
      board.setAttribute('wide', '3');
      board.className = 'made';
      document.body.append(board);
    });
    expect(
      await page
        .locator('.made section')
        .evaluate((one) => [getComputedStyle(one).marginTop, getComputedStyle(one).paddingTop]),
    ).toEqual(['2px', '3px']);
    await page.locator('.made').evaluate((one) => one.remove());
  }
  const styleOf = (selector: string, name: string): Promise<string> =>
    page.locator(selector).evaluate((one, wanted) => getComputedStyle(one).getPropertyValue(wanted), name);
  const look = {
    text: (await page.locator('stall-count button').innerText()).trim(),
    width: await styleOf('stall-count button', 'inline-size'),
    button: await styleOf('stall-count button', 'color'),
    image: (await styleOf('stall-count button', 'background-image')).replace(
      new URL('.', page.url()).href,
      '',
    ),
    p: await styleOf('stall-board p', 'color'),
    wide: await styleOf('stall-board p', 'max-inline-size'),
    padding: await styleOf('stall-frame section', 'padding-left'),
  };
  const styles = await page
    .evaluate("document.documentElement.outerHTML.includes('<style')")
    .catch(() => false);
  await context.close();
  return { told, look, styles };
}

const look = {
  text: '4',
  width: '64px',
  button: 'rgb(1, 2, 3)',
  image: 'url("dot.svg")',
  p: 'rgb(4, 5, 6)',
  wide: '192px',
  padding: '3px',
};

describe("under default-src 'self'", () => {
  test.for(['/', '/other/'])(
    'a built page %s is styled before and after its script, with nothing on the console',
    async (path) => {
      expect(await seen(path)).toEqual({ told: [], look, styles: false });
      expect((await seen(path, false)).look).toEqual({ ...look, text: '3', width: '48px' });
      const html = site.read(`dist${path}index.html`);
      expect(html).not.toMatch(/<style|\sstyle=/);
      expect(html.match(/<link rel="stylesheet" href="\/assets\/rules-/g)?.length).toBeGreaterThan(3);
    },
  );

  test.runIf(isLong)('so are pages that lattice batch and lattice render write', async () => {
    const { folder } = site;
    const page = join(folder, 'page.ts');
    const out = join(folder, 'dist/pages');
    const options = ['--form', 'elements', '--rules', 'linked', '--css', join(folder, 'page.css')];
    const batched = lattice(
      'batch',
      page,
      '--data',
      join(folder, 'rows.csv'),
      '--name',
      'by-name/{id}.html',
      '--out',
      out,
      ...options,
    );
    expect(batched).toMatchObject({ code: 0 });
    const rendered = lattice(
      'render',
      page,
      '--props',
      '{ "name": "West", "wide": 12 }',
      '--page',
      '--out',
      join(out, 'west.html'),
      ...options,
    );
    expect(rendered).toMatchObject({ code: 0, err: '' });
    const script = readdirSync(join(folder, 'dist/assets')).find((name) => name.endsWith('.js'));
    for (const name of ['by-name/1.html', 'by-name/2.html', 'west.html']) {
      const html = site.read(`dist/pages/${name}`);
      expect(html).not.toMatch(/<style|\sstyle=/);
      site.write(
        `dist/pages/${name}`,
        html.replace(
          '</head>',
          `<link rel="icon" href="/icon.svg"><script type="module" src="/assets/${script}"></script></head>`,
        ),
      );
    }
    // The same rules are one file, whatever page they are of.
    const first = site.read('dist/pages/by-name/1.html');
    expect(first).toContain('href="../rules-');
    for (const name of ['by-name/1.html', 'west.html'])
      expect(await seen(`/pages/${name}`)).toEqual({ told: [], look, styles: false });
    expect((await seen('/pages/by-name/2.html')).look.wide).toBe('224px');
  });

  test('where rules cannot be written is reported', () => {
    const { code, err } = lattice(
      'render',
      join(site.folder, 'page.ts'),
      '--props',
      '{ "name": "West", "wide": 12 }',
      '--page',
      '--rules',
      'linked',
    );
    expect(code).toBe(2);
    expect(err).toContain('--rules linked writes files beside the page');
  });
});
