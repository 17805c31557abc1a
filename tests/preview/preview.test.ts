import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { type Browser, type BrowserContext, chromium, type Page, type Route } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { browserOptions } from '../../scripts/browser.mjs';
import { lattice } from '../cli/lattice.js';
import { killReaders } from '../support/readers.js';
import { isLong } from '../support/runs.js';
import { frame } from '../support/waiting.js';
import { choose, type Opened, opened, tabTo, typeInto } from './open.js';
import { everyKind } from './parts.js';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
let browser: Browser;
let context: BrowserContext;
let page: Page;
let preview: Opened;
const reported: string[] = [];

beforeAll(async () => {
  const starting = opened(everyKind);
  browser = await chromium.launch(browserOptions);
  preview = await starting;
  context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  page = await context.newPage();
  page.on('pageerror', ({ message }) => reported.push(message));
  await page.goto(preview.url);
  await page.getByRole('link', { name: 'grove-form' }).waitFor();
}, 120_000);
afterAll(async () => {
  await browser?.close();
  preview?.end();
});

const write = (path: string, text: string): void => writeFileSync(join(preview.folder, path), text);
const read = (path: string): string => readFileSync(join(preview.folder, path), 'utf8');
const stage = () => page.frameLocator('iframe');
const region = (name: string): Promise<string> =>
  page
    .getByRole('region', { name, exact: true })
    .innerText()
    .then((text) => text.trimEnd());
const clipboard = (): Promise<string> => page.evaluate('navigator.clipboard.readText()');
const soon = { timeout: 40_000, interval: 50 };

describe('lattice preview', () => {
  test('shows every component that it finds, with what it is for and its samples', async () => {
    const names = await page.getByRole('main').getByRole('listitem').locator('.name').allInnerTexts();
    expect(names).toHaveLength(24);
    expect(names).toContain('variety-card');
    expect(names).toContain('crate-counter');
    const card = page.getByRole('listitem').filter({ hasText: 'One citrus variety' });
    expect(await card.getByRole('link').allInnerTexts()).toEqual([
      'variety-card',
      'On the stall',
      'Rare, with its own badge and an action',
      'Sold out',
    ]);
  });

  test('has each prop changed by the keyboard alone, with the words of its kind', async () => {
    await choose(page, 'grove-form');
    await typeInto(page, 'Name', 'Upper grove');
    await typeInto(page, 'Trees', '-4');
    await expect.poll(() => page.getByText('Trees must not be below zero').count(), soon).toBe(1);
    await typeInto(page, 'Trees', '40');
    await tabTo(page, 'Open');
    await page.keyboard.press('Space');
    await tabTo(page, 'Size');
    await page.keyboard.type('large');
    await tabTo(page, 'Planted');
    await page.keyboard.type('03052019');
    await typeInto(page, 'Map', 'javascript:alert(1)');
    await expect.poll(() => page.locator('.fault').innerText(), soon).toMatch(/^Map refuses the text/);
    await typeInto(page, 'Map', '/map.html');
    await tabTo(page, 'Tag');
    await page.keyboard.type('h2');
    await tabTo(page, 'Add to Picks');
    await page.keyboard.press('Enter');
    await typeInto(page, 'Picks 1', 'Dunlight');
    await tabTo(page, 'Add to Picks');
    await page.keyboard.press('Enter');
    await typeInto(page, 'Picks 2', 'Saltbell');
    await tabTo(page, 'Move up Picks 2');
    await page.keyboard.press('Enter');
    await typeInto(page, 'Row', '3');
    await typeInto(page, 'Label', 'east');
    await tabTo(page, 'Rows as JSON');
    await page.keyboard.press('Enter');
    await typeInto(page, 'Rows', '[{ "kind": "mandarin" ');
    await expect.poll(() => page.getByText('This is no JSON yet').count(), soon).toBe(1);
    await page.keyboard.type('}]');
    await typeInto(page, 'Notes', '["dry"]');
    await typeInto(page, 'default', '<b>Open on Sunday</b>');
    await typeInto(page, 'foot', 'Mind the gate');
    await typeInto(page, /^row/, '{{ data.kind }} tree');

    const alive = stage().locator('grove-form');
    await expect.poll(() => alive.locator('h2').innerText(), soon).toBe('Upper grove, 40 trees, open');
    await expect.poll(() => alive.locator('li').allInnerTexts(), soon).toEqual(['Saltbell', 'Dunlight']);
    await expect.poll(() => alive.locator('i').innerText(), soon).toBe('mandarin tree');
    expect(await alive.locator('h2').getAttribute('class')).toBe('look large');
    expect(await alive.locator('time').innerText()).toBe('2019');
    expect(await alive.locator('a').getAttribute('href')).toBe('/map.html');
    expect((await alive.locator('b').allInnerTexts()).sort()).toEqual(['3east', 'Open on Sunday']);
    expect(await alive.locator('u').innerText()).toBe('dry');
    const text = await region('HTML text');
    expect(text).toContain('<h2 class="look large" data-in="grove-form">Upper grove, 40 trees, open</h2>');
    expect(text).toContain('<i data-in="grove-form">mandarin tree</i>');
    expect(text).toContain('Mind the gate');
  });

  test('keeps all of it in the address, when loaded anew and for somebody else', async () => {
    await page.reload();
    await expect
      .poll(() => stage().locator('grove-form h2').innerText(), soon)
      .toBe('Upper grove, 40 trees, open');
    expect(await page.getByRole('textbox', { name: 'Picks 1' }).inputValue()).toBe('Saltbell');
    await tabTo(page, 'Copy the address');
    await page.keyboard.press('Enter');
    await expect.poll(clipboard, soon).toBe(page.url());
    const other = await context.newPage();
    await other.goto(page.url());
    await expect
      .poll(() => other.frameLocator('iframe').locator('i').innerText(), soon)
      .toBe('mandarin tree');
    await other.close();
  });

  test('shows the events that the element sent, and its state stays as props change', async () => {
    const button = stage().locator('grove-form button');
    await button.focus();
    await page.keyboard.press('Enter');
    await page.keyboard.press('Enter');
    await expect
      .poll(() => page.locator('.events li').allInnerTexts(), soon)
      .toEqual([expect.stringMatching(/told\s*\{"said":2\}/), expect.stringMatching(/told\s*\{"said":1\}/)]);
    await page.getByLabel('Name', { exact: true }).focus();
    await typeInto(page, 'Name', 'Lower grove');
    await expect.poll(() => stage().locator('h2').innerText(), soon).toBe('Lower grove, 40 trees, open');
    expect(await button.innerText()).toBe('told 2');
  });

  test('shows it wide and narrow, in both schemes and directions, and with less motion', async () => {
    const look = stage().locator('.look');
    const style = (name: string): Promise<string> =>
      look.evaluate((one, property) => getComputedStyle(one).getPropertyValue(property), name);
    await page.getByLabel('Colours').focus();
    await page.keyboard.type('dark');
    await expect.poll(() => style('color'), soon).toBe('rgb(200, 210, 220)');
    await tabTo(page, /^Direction/);
    await page.keyboard.type('right');
    await expect.poll(() => style('direction'), soon).toBe('rtl');
    await tabTo(page, 'Less motion');
    expect(await style('font-weight')).not.toBe('900');
    await page.keyboard.press('Space');
    await expect.poll(() => style('font-weight'), soon).toBe('900');
    await page.getByLabel('Width in pixels').focus();
    await page.keyboard.type('500');
    await page.keyboard.press('Enter');
    await expect.poll(() => look.evaluate(() => innerWidth), soon).toBe(500);
    await page.reload();
    await expect.poll(() => look.evaluate(() => innerWidth), soon).toBe(500);
    await expect.poll(() => style('color'), soon).toBe('rgb(200, 210, 220)');
    expect(await page.getByLabel('Colours').inputValue()).toBe('dark');
    expect(await page.getByLabel('Less motion').isChecked()).toBe(true);
  });

  test.runIf(isLong)(
    'saves what was set as a sample beside the component, and tells a name that is taken',
    async () => {
      await choose(page, 'price-tag');
      await typeInto(page, 'Cents', '95');
      await typeInto(page, 'Name of the sample', 'For one -- fruit');
      await page.keyboard.press('Enter');
      await expect.poll(() => page.getByRole('status').innerText(), soon).toMatch(/leave out "--"/);
      await typeInto(page, 'Name of the sample', 'For one fruit');
      await page.keyboard.press('Enter');
      await expect
        .poll(() => page.getByRole('status').innerText(), soon)
        .toBe('Saved in price-tag.sample.html.');
      const file = 'orchard/components/price-tag.sample.html';
      expect(read(file)).toMatch(
        /<!-- By the kilo -->\n.*\n\n<!-- For one fruit -->\n<price-tag cents="95"><\/price-tag>\n$/,
      );
      await expect.poll(() => page.getByRole('link', { name: 'For one fruit' }).count(), soon).toBe(1);
      expect(await page.getByLabel('Cents').inputValue()).toBe('95');
      await typeInto(page, 'Cents', '85');
      await tabTo(page, 'Save as a sample');
      await page.keyboard.press('Enter');
      await expect.poll(() => page.getByRole('status').innerText(), soon).toMatch(/is a sample .* already/);
      await tabTo(page, 'Replace it');
      await page.keyboard.press('Enter');
      await expect
        .poll(() => read(file), soon)
        .toContain('<!-- For one fruit -->\n<price-tag cents="85"></price-tag>\n');
      expect(read(file).match(/For one fruit/g)).toHaveLength(1);
      expect(lattice('check', join(preview.folder, 'orchard/components')).code).toBe(0);
    },
  );

  test('saves and copies what is given, also where the server has not yet answered what comes of it', async () => {
    await choose(page, 'price-tag');
    await typeInto(page, 'Name of the sample', 'Soon after');
    // No question is answered before the next key is pressed.
    const held: (() => void)[] = [];
    const slowly = async (route: Route): Promise<void> => {
      await new Promise<void>((done) => held.push(done));
      await route.continue();
    };
    const status = (): Promise<string> => {
      for (const answer of held.splice(0)) answer();
      return page.getByRole('status').innerText();
    };
    await page.route('**/@lattice/shown', slowly);
    await typeInto(page, 'Cents', '61');
    await tabTo(page, 'Copy as HTML text');
    await page.keyboard.press('Enter');
    await expect.poll(status, soon).toBe('The use is copied.');
    expect(await clipboard()).toBe('<price-tag cents="61"></price-tag>');
    await typeInto(page, 'Cents', '62');
    await tabTo(page, 'Copy as functions');
    await page.keyboard.press('Enter');
    await expect.poll(status, soon).toBe('The use is copied.');
    expect(await clipboard()).toBe('PriceTag({ cents: 62 })');
    await typeInto(page, 'Cents', '63');
    await page.getByLabel('Name of the sample').press('Enter');
    await expect.poll(status, soon).toMatch(/^Saved in/);
    expect(read('orchard/components/price-tag.sample.html')).toContain(
      '<!-- Soon after -->\n<price-tag cents="63"></price-tag>\n',
    );
    await status();
    await page.unroute('**/@lattice/shown', slowly);
  });

  test.runIf(isLong)(
    'gives uses to copy that render to the HTML it shows, of every component',
    async () => {
      const found = (await (await fetch(`${preview.url}@lattice/catalogue`)).json()) as {
        components: { name: string; exportName: string; file: string; samples: { name: string }[] }[];
      };
      const copies: { readonly code: string; readonly html: string; readonly name: string }[] = [];
      for (const { name, samples } of found.components) {
        await choose(page, name);
        for (const sample of samples.length > 0 ? samples : [undefined]) {
          if (sample) await page.getByRole('link', { name: sample.name, exact: true }).press('Enter');
          await expect.poll(() => region('The use as HTML text'), soon).toMatch(new RegExp(`^<${name}`));
          if (sample) await page.locator('.samples [aria-current=true]', { hasText: sample.name }).waitFor();
          await page.locator('.comes[aria-busy=false]').waitFor();
          const shown = await asked(await region('The use as HTML text'));
          expect(shown.problems.filter(({ severity }) => severity === 'error')).toEqual([]);
          await page.getByRole('button', { name: 'Copy as HTML text' }).press('Enter');
          await expect.poll(clipboard, soon).toMatch(new RegExp(`^<${name}`));
          expect((await asked(await clipboard())).html).toBe(shown.html);
          await page.getByRole('button', { name: 'Copy as functions' }).press('Enter');
          await expect.poll(clipboard, soon).toMatch(/^[A-Z]/);
          copies.push({ name, html: shown.html, code: await clipboard() });
        }
      }
      expect(copies.length).toBeGreaterThan(30);
      const uses = copies.map(({ code, name }) => `[${JSON.stringify(name)}, renderHtml(${code})],`);
      const imports = found.components.map(
        ({ exportName, file }) => `import { ${exportName} } from '${file}';`,
      );
      write(
        'copied.ts',
        `import { el, trusted } from 'zesty-lattice';\nimport { renderHtml } from 'zesty-lattice/html';\n${imports.join('\n')}\nprocess.stdout.write(JSON.stringify([${uses.join('\n')}]));\n`,
      );
      const rendered = execFileSync('npx', ['tsx', join(preview.folder, 'copied.ts')], { encoding: 'utf8' });
      expect(JSON.parse(rendered)).toEqual(copies.map(({ html, name }) => [name, html]));
    },
    120_000,
  );

  const asked = async (text: string): Promise<{ html: string; problems: { severity: string }[] }> => {
    const response = await fetch(`${preview.url}@lattice/text`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ text }),
    });
    return response.json() as never;
  };

  test('shows a template, rules and code as they are saved, with what was typed and the place still there', async () => {
    await choose(page, 'grove-form');
    await typeInto(page, 'Name', 'Saved grove');
    const alive = stage().locator('grove-form');
    await expect.poll(() => alive.locator('.look').innerText(), soon).toMatch(/^Saved grove/);
    await stage().locator('grove-form button').click();
    await page.getByLabel('Trees').focus();
    const took: number[] = [];
    const saved = async (from: string, to: string, isSeen: () => Promise<boolean>): Promise<void> => {
      expect(read('grove/grove-form.ts')).toContain(from);
      write('grove/grove-form.ts', read('grove/grove-form.ts').replace(from, to));
      const start = performance.now();
      await expect.poll(isSeen, soon).toBe(true);
      took.push(Math.round(performance.now() - start));
    };
    const text = async (part: string): Promise<boolean> =>
      (await alive.evaluate((one) => one.shadowRoot?.textContent ?? '')).includes(part) &&
      (await region('HTML text')).includes(part);
    await saved(' trees`', ' fine trees`', () => text('fine trees'));
    await saved('.look { color: rgb(10, 20, 30) }', '.look { color: rgb(1, 2, 3) }', () =>
      alive.locator('.look').evaluate((one) => getComputedStyle(one).color === 'rgb(1, 2, 3)'),
    );
    await saved("'nothing said'", "'no word yet'", () => text('no word yet'));
    await saved('state.said + 1 };', 'state.said + 10 };', async () => {
      await stage().locator('grove-form button').click();
      return /told \d\d/.test(await stage().locator('grove-form button').innerText());
    });
    console.info(`saved and seen: ${took.join(', ')} ms`);
    expect(await page.getByLabel('Name', { exact: true }).inputValue()).toBe('Saved grove');
    expect(await page.evaluate('document.activeElement?.localName')).toBe('preview-page');
  });

  test.runIf(isLong)(
    'says in place what is wrong in a component, and what cannot be read, and shows the others',
    async () => {
      const before = read('grove/grove-form.ts');
      write('grove/grove-form.ts', before.replace('el.footer(slots.foot())', 'el.footer()'));
      await expect.poll(() => page.getByText('slot-unplaced').count(), soon).toBe(1);
      write('grove/grove-form.ts', before.replace('el.footer(', 'el.footer(('));
      await expect.poll(() => page.getByText(/grove-form\.ts could not be read/).count(), soon).toBe(1);
      expect(await page.getByLabel('Name', { exact: true }).inputValue()).toBe('Saved grove');
      write('grove/grove-form.ts', before);
      await expect.poll(() => page.getByText(/could not be read/).count(), soon).toBe(0);
      await expect.poll(() => page.getByText('slot-unplaced').count(), soon).toBe(0);
    },
  );

  test('runs nothing that an address brings along, and lets no other page ask', async () => {
    const hostile =
      '<img src=x onerror="parent.ran = true; ran = true"><script>ran = true</script><a href="javascript:ran=1">x</a>';
    await page.goto(`${preview.url}#note-panel?prop.title=x&slot.default=${encodeURIComponent(hostile)}`);
    await stage().locator('note-panel img').waitFor({ state: 'attached' });
    await frame(page);
    expect(await page.evaluate('globalThis.ran')).toBe(undefined);
    expect(
      await stage()
        .locator('html')
        .evaluate(() => 'ran' in globalThis),
    ).toBe(false);
    const body = JSON.stringify({ component: 'price-tag', name: 'x', text: '<b>x</b>' });
    const post = (headers: Record<string, string>): Promise<Response> =>
      fetch(`${preview.url}@lattice/save`, { method: 'POST', headers, body });
    expect((await post({ 'content-type': 'text/plain' })).status).toBe(403);
    expect((await post({ 'content-type': 'application/json', origin: 'http://elsewhere.test' })).status).toBe(
      403,
    );
    expect((await post({ 'content-type': 'application/json', 'sec-fetch-site': 'cross-site' })).status).toBe(
      403,
    );
    expect(read('orchard/components/price-tag.sample.html')).not.toContain('<b>x</b>');
  });

  test('opens files by POST alone, gives other origins no path and nobody other files', async () => {
    const opening = (
      method: string,
      headers: Record<string, string>,
      path = '@lattice-open',
    ): Promise<number> =>
      fetch(`${preview.url}${path}?file=nothing.ts`, { method, headers }).then(({ status }) => status);
    expect(await opening('GET', {})).toBe(403);
    expect(await opening('GET', { 'sec-fetch-site': 'cross-site' }, '__open-in-editor')).toBe(403);
    expect(await opening('POST', { origin: 'http://elsewhere.test' })).toBe(403);
    expect(await opening('POST', { origin: 'http://127.0.0.1:1' })).toBe(403);
    const readFrom = async (path: string, headers: Record<string, string>): Promise<string> => {
      const answer = await fetch(new URL(path, preview.url), { headers });
      return `${answer.headers.get('access-control-allow-origin')} ${answer.ok ? await answer.text() : ''}`;
    };
    const elsewhere = { origin: 'http://127.0.0.1:1', 'sec-fetch-site': 'cross-site' };
    expect(await readFrom('/@lattice/catalogue', {})).toContain(preview.folder);
    expect(await readFrom('/@lattice/catalogue', elsewhere)).toBe('null ');
    expect(await readFrom('/@lattice/stage', elsewhere)).toBe('null ');
    // A module of the project can be asked for by any script tag, but no other page reads what it answers.
    expect(await readFrom('/examples/orchard/components.ts', elsewhere)).toMatch(/^null /);
    for (const path of ['/etc/passwd.lattice-text.js', '/@id/__x00__lattice-text:/etc/passwd.js'])
      expect(await readFrom(path, {}), path).not.toContain('root:');
  });

  test('answers what is no question with what is wrong', async () => {
    const asked = async (body: string, what = 'shown'): Promise<string> => {
      const headers = { 'content-type': 'application/json' };
      const answer = await fetch(`${preview.url}@lattice/${what}`, { method: 'POST', headers, body });
      return `${answer.status} ${(await answer.json()).failure}`;
    };
    expect(await asked('null')).toBe('400 The body has to be a JSON object.');
    expect(await asked('[1]')).toBe('400 The body has to be a JSON object.');
    expect(await asked('{')).toBe('400 The body is not JSON.');
    expect(await asked('{"component":5}')).toBe(
      '400 "component", "name" and "text" are texts, "replace" is true or false.',
    );
    expect(await asked('{"component":"price-tag","given":{"props":null}}')).toBe(
      '400 "given" has to be an object with "props" and "slots".',
    );
    expect(await asked('{}', 'nothing')).toBe('404 There is nothing here.');
  });

  test.runIf(isLong)('goes on when the process that reads the project is killed', async () => {
    expect(killReaders(preview.pid)).toBeGreaterThan(0);
    const headers = { 'content-type': 'application/json' };
    const body = JSON.stringify({ text: '<price-tag cents="250"></price-tag>' });
    const answer = await fetch(`${preview.url}@lattice/text`, { method: 'POST', headers, body });
    expect(answer.status).toBe(200);
    expect(JSON.stringify(await answer.json())).toContain('2.50');
  });

  test('is accessible, light and dark, narrow and wide', async () => {
    // Wide in light, narrow in dark; all four with `npm run test:long`.
    for (const [width, height] of [
      [1280, 800],
      [360, 740],
    ] as const)
      for (const colorScheme of isLong
        ? (['light', 'dark'] as const)
        : [width === 360 ? ('dark' as const) : ('light' as const)]) {
        const other = await browser.newPage({ viewport: { width, height }, colorScheme, bypassCSP: true });
        const paths = ['#grove-form?prop.trees=x&prop.picks=["a"]', ...(width === 360 && isLong ? [''] : [])];
        for (const path of paths) {
          await other.goto(preview.url + path);
          await other.reload();
          await other.waitForLoadState('networkidle');
          await other.addScriptTag({ content: axe });
          const broken = await other.evaluate(
            "axe.run({ exclude: ['iframe'] }).then(({ violations }) => violations.map(({ id, nodes }) => `${id}: ${nodes[0].html}`))",
          );
          expect(broken, `${path} at ${width}, ${colorScheme}`).toEqual([]);
          expect(await other.evaluate('document.documentElement.scrollWidth <= innerWidth')).toBe(true);
        }
        await other.close();
      }
  }, 120_000);

  test('had no mistake of its own all the while', () => {
    expect(reported).toEqual([]);
  });
});
