import { spawnSync } from 'node:child_process';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { type Browser, chromium, type Page } from 'playwright-core';
import { build, type PreviewServer, preview } from 'vite';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { browserOptions } from '../../scripts/browser.mjs';
import { builtPlugin, Site } from './site.js';

const root = fileURLToPath(new URL('../..', import.meta.url));

const files: Readonly<Record<string, string>> = {
  'index.html': `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>Shifts</title><script type="module" src="/main.ts"></script></head>
<body><note-form></note-form><div style="block-size: 3000px"></div><shift-table></shift-table></body></html>
`,
  'all.ts': `export { ShiftTable } from './shift-table.ts';\nexport { NoteForm } from './note-form.ts';\n`,
  'main.ts': `import { register, registerWhen } from 'zesty-lattice/elements';
registerWhen('visible', 'shift-table', async () => {
  const { ShiftTable } = await import('./shift-table.ts');
  register(ShiftTable);
});
registerWhen('touched', ['note-form'], async () => register((await import('./note-form.ts')).NoteForm));
`,
  'shift-table.ts': `import { component, el } from 'zesty-lattice';
export const ShiftTable = component('shift-table', {
  state: () => ({ count: 3 }),
  handlers: { add: ({ state }) => ({ count: state.count + 1 }) },
  styles: ':host { display: contents }',
  template: ({ state, handlers }) => el.button({ type: 'button', on: { click: handlers.add() } }, 'Shifts: ', state.count),
});
`,
  'note-form.ts': `import { component, el, phrase } from 'zesty-lattice';
export const NoteForm = component('note-form', {
  state: () => ({ note: '', wet: false, sent: '', clicks: 0, changes: 0 }),
  handlers: {
    send: ({ event, state }) => {
      event.preventDefault();
      return { sent: state.note };
    },
    count: ({ state }) => ({ clicks: state.clicks + 1 }),
    change: ({ state }) => ({ changes: state.changes + 1 }),
  },
  template: ({ state, handlers }) =>
    el.form(
      { on: { submit: handlers.send() } },
      el.label('Note ', el.input({ name: 'note', bind: state.note })),
      el.label(el.input({ type: 'checkbox', bind: state.wet, on: { change: handlers.change() } }), 'Wet'),
      el.button({ type: 'button', id: 'count', on: { click: handlers.count() } }, 'Count'),
      el.button({ id: 'send' }, 'Send'),
      el.output(phrase\`\${state.note}|\${state.wet}|\${state.sent}|\${state.clicks}|\${state.changes}\`),
    ),
});
`,
};

let site: Site;
let browser: Browser;
let server: PreviewServer;
let url = '';

beforeAll(async () => {
  site = new Site('later', files);
  const lattice = await builtPlugin();
  const config = {
    root: site.folder,
    configFile: false as const,
    logLevel: 'silent' as const,
    plugins: [lattice({ components: ['./all.ts'], prerender: true, planned: 'always' })],
    build: { target: 'es2022' },
  };
  await build(config);
  server = await preview({ ...config, plugins: [], preview: { port: 0, host: '127.0.0.1' } });
  url = server.resolvedUrls?.local[0] ?? '';
  browser = await chromium.launch(browserOptions);
});
afterAll(async () => {
  await browser.close();
  await server.close();
  site.remove();
});

/** A page, the scripts that it has asked for, and a way to keep those that come later waiting. */
async function opened() {
  const page = await browser.newPage();
  const asked: string[] = [];
  const told: string[] = [];
  let go: () => void = () => {};
  const going = new Promise<void>((done) => {
    go = done;
  });
  page.on('console', (message) => message.type() !== 'info' && told.push(message.text()));
  page.on('pageerror', (error) => told.push(error.message));
  await page.route(/(?:note-form|shift-table)-[^/]*\.js/, async (route) => {
    asked.push(/(note-form|shift-table)/.exec(route.request().url())?.[1] ?? '');
    await going;
    await route.continue();
  });
  await page.goto(url, { waitUntil: 'load' });
  await page.waitForLoadState('networkidle');
  return { page, asked, told: () => told.filter((text) => !text.includes('404')), go };
}

const output = (page: Page): Promise<string> => page.locator('output').innerText();

describe('elements that are registered when they are needed', () => {
  test('each is a script of its own, planned ahead', () => {
    const names = readdirSync(join(site.folder, 'dist/assets'));
    for (const tag of ['note-form', 'shift-table'])
      expect(names.filter((name) => name.startsWith(tag) && name.endsWith('.js'))).toHaveLength(1);
    const main = names.find((name) => name.startsWith('index') && name.endsWith('.js')) ?? '';
    expect(site.read(`dist/assets/${main}`)).not.toContain('Shifts: ');
  });

  test('one is loaded when it comes into view, though it has no box of its own', async () => {
    const { page, asked, go, told } = await opened();
    go();
    expect(asked).toEqual([]);
    expect(await page.locator('shift-table button').innerText()).toBe('Shifts: 3');
    await page.mouse.wheel(0, 4000);
    await page.waitForFunction("customElements.get('shift-table')");
    await page.locator('shift-table button').click();
    expect(await page.locator('shift-table button').innerText()).toBe('Shifts: 4');
    expect(asked).toEqual(['shift-table']);
    expect(told()).toEqual([]);
    await page.close();
  });

  test('what is typed, ticked, clicked and sent while it is loaded is not lost, and done once', async () => {
    const { page, asked, go, told } = await opened();
    await page.locator('input[name=note]').click();
    await page.keyboard.type('Dunlight');
    await page.locator('input[type=checkbox]').click();
    await page.locator('#count').click();
    await page.locator('#count').click();
    await page.locator('#send').click();
    await expect.poll(() => asked).toEqual(['note-form']);
    expect(await page.evaluate("customElements.get('note-form')")).toBeUndefined();
    go();
    await expect.poll(() => output(page)).toBe('Dunlight|true|Dunlight|2|1');
    expect(page.url()).toBe(url);
    await page.keyboard.press('Tab');
    await page.locator('input[name=note]').fill('Saltbell');
    await page.keyboard.press('Enter');
    await expect.poll(() => output(page)).toBe('Saltbell|true|Saltbell|2|1');
    await page.locator('#count').click();
    expect(await output(page)).toBe('Saltbell|true|Saltbell|3|1');
    expect(told()).toEqual([]);
    await page.close();
  });

  test('where there is no page nothing is waited for, and a wrong moment is refused', () => {
    const run = (code: string) =>
      spawnSync(
        'node',
        ['--input-type=module', '-e', `import { registerWhen } from 'zesty-lattice/elements'; ${code}`],
        {
          cwd: root,
          encoding: 'utf8',
        },
      );
    expect(run("registerWhen('idle', 'x-y', () => console.log('loaded'));")).toMatchObject({
      status: 0,
      stdout: '',
    });
    expect(run("registerWhen('seen', 'x-y', () => {});").stderr).toMatch(/call-invalid.*expects "visible"/);
  });

  test('where its script cannot be loaded a form is sent as it would be without one', async () => {
    const page = await browser.newPage();
    await page.route(/note-form-[^/]*\.js/, (route) => route.abort());
    await page.goto(url);
    await page.locator('input[name=note]').fill('Dunlight');
    await Promise.all([
      page.waitForURL(/note=Dunlight/, { waitUntil: 'commit' }),
      page.locator('#send').click(),
    ]);
    await page.close();
  });

  test('a load that fails is reported, and tried again', async () => {
    const page = await browser.newPage();
    const told: string[] = [];
    page.on('console', (message) => told.push(message.text()));
    let isDown = true;
    await page.route(/note-form-[^/]*\.js/, (route) => (isDown ? route.abort() : route.continue()));
    await page.goto(url);
    await page.locator('#count').click();
    await expect.poll(() => told.join()).toContain('Failed to fetch dynamically imported module');
    isDown = false;
    await page.reload();
    await page.locator('#count').click();
    await expect.poll(() => output(page)).toBe('|||1|0');
    await page.close();
  });
});
