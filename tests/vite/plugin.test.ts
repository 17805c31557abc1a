import { createHash } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { type Browser, chromium, type Page } from 'playwright-core';
import { build, createLogger, createServer, type InlineConfig, type ViteDevServer } from 'vite';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { browserOptions } from '../../scripts/browser.mjs';

const root = fileURLToPath(new URL('../..', import.meta.url));

const files: Readonly<Record<string, string>> = {
  'index.html': `<!doctype html>
<html lang="en"><head><title>Stalls</title><script type="module" src="./main.ts"></script></head>
<body><h1>Stalls</h1>
<!-- counted by hand -->
<stall-count label="Crates" class="wide"></stall-count>
<stall-sign name="North"><b slot="note">open</b></stall-sign>
</body></html>
`,
  'main.ts': `import { register } from 'zesty-lattice/elements';
import { StallCount } from './stall-count.ts';
import { StallSign } from './stall-sign.ts';
register(StallCount, StallSign);
`,
  'all.ts': `export { StallCount } from './stall-count.ts';\nexport { StallSign } from './stall-sign.ts';\n`,
  'stall-count.ts': `import { component, prop } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';
import { StallSign } from './stall-sign.ts';

export const StallCount = component('stall-count', {
  props: { label: prop.text() },
  state: () => ({ count: 3 }),
  handlers: { add: ({ state }, step: number) => ({ count: state.count + step }) },
  uses: [StallSign],
  styles: markupFile(import.meta.url, './stall-count.css'),
  template: markupFile(import.meta.url, './stall-count.html'),
});
`,
  'stall-count.html': `<button type="button" handles="click: add(1)">{{ label }}: {{ count }}</button><stall-sign name="{{ label }}"></stall-sign>\n`,
  'stall-count.css': 'button { color: rgb(1, 2, 3) }\n',
  'stall-sign.ts': `import { component, el, given, prop, slot } from 'zesty-lattice';

export const StallSign = component('stall-sign', {
  props: { name: prop.text() },
  slots: { note: slot() },
  template: ({ props, slots }) => el.p('Stall ', props.name, given(slots.note.filled, el.i(slots.note()))),
});
`,
};

let folder: string;
let browser: Browser;
const change = (name: string, text: string): void => writeFileSync(join(folder, name), text);
const edit = (name: string, from: string, to: string): void => {
  const text = readFileSync(join(folder, name), 'utf8');
  expect(text).toContain(from);
  change(name, text.replace(from, to));
};

async function config(): Promise<InlineConfig> {
  // The built package, as its users have it.
  const { default: lattice } = (await import(
    join(root, 'packages/tools/dist/node/vite.js')
  )) as typeof import('../../packages/tools/src/vite/index.js');
  return {
    root: folder,
    configFile: false,
    plugins: [lattice({ components: ['./all.ts'], prerender: true, foreign: ['stall-field', 'lone-field'] })],
    cacheDir: join(folder, 'cache'),
    // What Vite does for a package that is installed: one file a door, where all of its modules would be asked for.
    optimizeDeps: {
      include: [
        'zesty-lattice',
        'zesty-lattice/elements',
        'zesty-lattice/markup',
        'zesty-lattice/internal/hot',
        'zesty-lattice/internal/page-texts',
      ],
    },
    build: { target: 'es2022', minify: false },
  };
}

beforeAll(async () => {
  folder = mkdtempSync(join(root, 'out-plugin-'));
  for (const [name, text] of Object.entries(files)) change(name, text);
  browser = await chromium.launch(browserOptions);
});
afterAll(async () => {
  await browser.close();
  rmSync(folder, { recursive: true, force: true });
});

describe('during development', () => {
  let server: ViteDevServer;
  let page: Page;
  const logged: string[] = [];
  const reported: string[] = [];

  beforeAll(async () => {
    const logger = createLogger('warn');
    logger.error = (text) => void logged.push(text);
    logger.warn = (text) => void logged.push(text);
    server = await createServer({
      ...(await config()),
      customLogger: logger,
      server: { port: 0, host: '127.0.0.1' },
    });
    await server.listen();
    page = await browser.newPage();
    page.on('console', (message) => message.type() === 'error' && reported.push(message.text()));
    await page.goto(server.resolvedUrls?.local[0] ?? '');
    await page.waitForFunction(() => customElements.get('stall-count') !== undefined);
    await page.evaluate(() => Object.assign(window, { isSamePage: true }));
  });
  afterAll(() => server.close());

  /** Changes a file and waits until Vite’s watcher has seen it, which takes two changes within 50 ms for one. */
  const saved = async (name: string, from: string, to: string): Promise<void> => {
    const path = join(folder, name);
    let again: NodeJS.Timeout | undefined;
    await new Promise<void>((done) => {
      const seen = (changed: string): void => {
        if (changed !== path) return;
        server.watcher.off('change', seen);
        done();
      };
      server.watcher.on('change', seen);
      edit(name, from, to);
      again = setInterval(() => utimesSync(path, new Date(), new Date()), 500);
    });
    clearInterval(again);
    // What follows from the change is asked for in the same turn, and ends before Vite answers the next request.
    await fetch(new URL('all.ts', server.resolvedUrls?.local[0] ?? ''));
  };
  const restored = async (): Promise<void> => {
    for (const [name, text] of Object.entries(files)) {
      const now = readFileSync(join(folder, name), 'utf8');
      if (now !== text) await saved(name, now, text);
    }
  };
  /** Loads the page again, also while it is loading itself. */
  const reload = async (): Promise<void> => {
    for (;;) {
      try {
        await page.reload();
        return;
      } catch (error) {
        if (!String(error).includes('ERR_ABORTED')) throw error;
      }
    }
  };

  const text = (): Promise<string> =>
    page.evaluate(() => document.querySelector('stall-count')?.shadowRoot?.textContent?.trim() ?? '');
  const becomes = (wanted: string): Promise<unknown> =>
    page.waitForFunction(
      (value) => document.querySelector('stall-count')?.shadowRoot?.textContent?.trim() === value,
      wanted,
      { timeout: 60_000 },
    );

  test('files stand in for markupFile, and what was rendered ahead is hydrated', async () => {
    expect(await text()).toBe('Crates: 3Stall Crates');
    expect(reported.filter((one) => !one.includes('404'))).toEqual([]);
  });

  test('no file is served but those that a component names with markupFile', async () => {
    const url = server.resolvedUrls?.local[0] ?? '';
    const served = async (path: string): Promise<string> => {
      const answer = await fetch(new URL(path, url), { headers: { 'sec-fetch-dest': 'script' } });
      return answer.headers.get('content-type')?.includes('javascript') ? answer.text() : '';
    };
    change('secret.txt', 'SECRET=pressed oranges\n');
    for (const path of [
      '/etc/passwd.lattice-text.js',
      `/@fs${folder}/secret.txt.lattice-text.js`,
      '/secret.txt.lattice-text.js',
      '/@id/__x00__lattice-text:/etc/passwd.js',
      `/@id/__x00__lattice-text:${createHash('sha256').update(join(folder, 'secret.txt')).digest('hex').slice(0, 16)}/secret.txt.js`,
      `/@id/lattice-text:${folder}/secret.txt`,
    ]) {
      const text = await served(path);
      expect(text, path).not.toContain('root:');
      expect(text, path).not.toContain('SECRET');
    }
    const module = await served('/stall-count.ts');
    const addresses = [...module.matchAll(/from "([^"]*stall-count\.html[^"]*)"/g)].map(
      ([, found = '']) => found,
    );
    expect(addresses).toHaveLength(1);
    expect(addresses[0]).not.toContain(folder);
    expect(await served(addresses[0] ?? '')).toContain('click: add(1)');
  });

  test('a change to a template is shown at once, with the state as it was', async () => {
    await page.click('stall-count button');
    await page.click('stall-count button');
    expect(await text()).toBe('Crates: 5Stall Crates');
    await saved('stall-count.html', '{{ label }}: {{ count }}', '{{ label }} = {{ count }}');
    await becomes('Crates = 5Stall Crates');
    await page.click('stall-count button');
    expect(await text()).toBe('Crates = 6Stall Crates');
    expect(await page.evaluate('isSamePage')).toBe(true);
  });

  test('a change to a file of rules is shown at once', async () => {
    await saved('stall-count.css', 'rgb(1, 2, 3)', 'rgb(4, 5, 6)');
    await page.waitForFunction(
      () => {
        const button = document.querySelector('stall-count')?.shadowRoot?.querySelector('button');
        return button && getComputedStyle(button).color === 'rgb(4, 5, 6)';
      },
      undefined,
      { timeout: 60_000 },
    );
    expect(await text()).toBe('Crates = 6Stall Crates');
  });

  test('a component inside others is changed wherever it stands', async () => {
    await saved('stall-sign.ts', "'Stall '", "'Stand '");
    await becomes('Crates = 6Stand Crates');
    expect(await page.evaluate('isSamePage')).toBe(true);
  });

  test('another first state starts anew, and handlers are those of the new module', async () => {
    // What shows comes last: it is there when all of it is.
    await saved('stall-count.ts', 'state.count + step', 'state.count + step * 2');
    await saved('stall-count.ts', 'count: 3', 'count: 40');
    await becomes('Crates = 40Stand Crates');
    await page.click('stall-count button');
    expect(await text()).toBe('Crates = 42Stand Crates');
    expect(await page.evaluate('isSamePage')).toBe(true);
  });

  /** What is shown over the page, once it has these words: until then it may be what was right before. */
  const overlay = async (words: string): Promise<string> => {
    const shown = await page.waitForFunction(
      (wanted) => {
        const text = document.querySelector('vite-error-overlay')?.shadowRoot?.textContent ?? '';
        return text.includes(wanted) && text;
      },
      words,
      { timeout: 60_000 },
    );
    return shown.jsonValue() as Promise<string>;
  };
  const noOverlay = (): Promise<unknown> =>
    page.waitForSelector('vite-error-overlay', { state: 'detached', timeout: 60_000 });

  test('a problem is reported over the page and in the terminal, with file, line and the lines around', async () => {
    logged.length = 0;
    await saved('stall-count.html', '{{ label }} =', '{{ labl }} =');
    const shown = await overlay('name-unknown');
    expect(shown).toContain('Did you mean "label"?');
    expect(shown).toContain('stall-count.html:1:');
    const printed = logged.join('\n');
    expect(printed).toContain('name-unknown');
    expect(printed).toMatch(/stall-count\.html:1:50/);
    expect(printed).toContain('{{ labl }} =');
    await saved('stall-count.html', '{{ labl }} =', '{{ label }} ~');
    await noOverlay();
    await becomes('Crates ~ 42Stand Crates');
  });

  test('so is one in a built template, at the line that was written', async () => {
    logged.length = 0;
    await saved('stall-sign.ts', 'props.name', 'props.nmae');
    const shown = await overlay('prop-unknown');
    expect(shown).toMatch(/6 \|.*props\.nmae/);
    expect(logged.join('\n')).toContain('stall-sign.ts:6:');
    // Reported once, though the components that use it have it as well.
    expect(logged.join('\n').match(/prop-unknown/g)).toHaveLength(1);
    // The page is rendered ahead when it is loaded again, and that tells the same place.
    await reload();
    const places = [...logged.join('\n').matchAll(/stall-sign\.ts:(\d+):/g)].map(([, line]) => line);
    expect(places.length).toBeGreaterThan(0);
    expect(new Set(places)).toEqual(new Set(['6']));
    await overlay('prop-unknown');
    await saved('stall-sign.ts', 'props.nmae', 'props.name');
    await noOverlay();
  });

  test('so is one that a change in another module makes', async () => {
    await saved(
      'stall-sign.ts',
      'props: { name: prop.text() }',
      'props: { name: prop.text(), sort: prop.text() }',
    );
    const shown = await overlay('prop-missing');
    expect(shown).toContain('stall-count.html:1:');
    await saved('stall-sign.ts', ', sort: prop.text()', '');
    await noOverlay();
    // The page may be loading itself anew for the other props at this moment.
    await reload();
    await becomes('Crates ~ 40Stand Crates');
  });

  test('so is a definition that no component can be made of', async () => {
    await saved('stall-sign.ts', 'slots: { note: slot() }', 'slots: { note: slot }');
    const shown = await overlay('definition-invalid');
    expect(shown).toContain('a slot "note" that is not made by slot()');
    expect(shown).toContain('stall-sign.ts:3:');
    await saved('stall-sign.ts', 'slots: { note: slot }', 'slots: { note: slot() }');
    await noOverlay();
    await saved('stall-sign.ts', "'Stand '", "'Booth '");
    await becomes('Crates ~ 40Booth Crates');
    await saved('stall-sign.ts', "'Booth '", "'Stand '");
    await becomes('Crates ~ 40Stand Crates');
  });

  test('it stays over the page while other things change, and when the page is loaded again', async () => {
    await saved('stall-count.html', '{{ label }} ~', '{{ lable }} ~');
    await overlay('name-unknown');
    await saved('stall-count.css', 'rgb(4, 5, 6)', 'rgb(7, 8, 9)');
    await page.waitForFunction(
      () => {
        const button = document.querySelector('stall-count')?.shadowRoot?.querySelector('button');
        return button && getComputedStyle(button).color === 'rgb(7, 8, 9)';
      },
      undefined,
      { timeout: 60_000 },
    );
    await overlay('name-unknown');
    await reload();
    await overlay('name-unknown');
    await saved('stall-count.html', '{{ lable }} ~', '{{ label }} ~');
    await noOverlay();
    await becomes('Crates ~ 40Stand Crates');
    await page.evaluate(() => Object.assign(window, { isSamePage: true }));
  });

  test('code that cannot be parsed is shown instead of all else, and stays while other modules change', async () => {
    await saved('stall-count.html', '{{ label }} ~', '{{ lable }} ~');
    await overlay('name-unknown');
    await saved('stall-count.ts', 'handlers: {', 'handlers: {{');
    await overlay('stall-count.ts:8:');
    logged.length = 0;
    // What is wrong elsewhere is reported in the terminal, and has been by the time the overlay is looked at.
    await saved('stall-sign.ts', 'props.name', 'props.nmae');
    await expect.poll(() => logged.join('\n'), { timeout: 60_000 }).toContain('prop-unknown');
    expect(await overlay('stall-count.ts:8:')).not.toContain('name-unknown');
    await saved('stall-sign.ts', 'props.nmae', 'props.name');
    await saved('stall-count.ts', 'handlers: {{', 'handlers: {');
    await overlay('name-unknown');
    await saved('stall-count.html', '{{ lable }} ~', '{{ label }} ~');
    await noOverlay();
  });

  test('a change of the props loads the page anew', async () => {
    await saved(
      'stall-count.ts',
      'label: prop.text()',
      'label: prop.text(), most: prop.number().fallback(9)',
    );
    await page.waitForFunction(() => !('isSamePage' in window), undefined, { timeout: 60_000 });
    await becomes('Crates ~ 40Stand Crates');
  });

  test('a mistake in the page comes over the page, and goes when a component is changed to take it', async () => {
    await restored();
    await becomes('Crates: 3Stall Crates');
    await saved('index.html', '<stall-sign name="North">', '<stall-sign nam="North">');
    expect(await overlay('prop-unknown')).toMatch(/prop-unknown.*stall-sign received "nam".*index\.html:6:/s);
    await saved(
      'stall-sign.ts',
      'name: prop.text()',
      "name: prop.text().fallback('none'), nam: prop.text().optional()",
    );
    await page.waitForSelector('vite-error-overlay', { state: 'detached', timeout: 60_000 });
    await saved(
      'stall-sign.ts',
      "name: prop.text().fallback('none'), nam: prop.text().optional()",
      'name: prop.text()',
    );
    await overlay('prop-unknown');
    await saved('index.html', '<stall-sign nam="North">', '<stall-sign name="North">');
    await page.waitForSelector('vite-error-overlay', { state: 'detached', timeout: 60_000 });
  });

  test('a change renews the elements it shows in, and leaves all others as they are', async () => {
    await restored();
    change(
      'extra.html',
      '<!doctype html><html lang="en"><title>x</title><body><stall-count label="A"></stall-count><stall-field></stall-field><script type="module" src="./extra.ts"></script></body></html>',
    );
    change(
      'stall-field.ts',
      `import { component, el } from 'zesty-lattice';\nexport const StallField = component('stall-field', { state: () => ({ at: 0 }), template: () => el.input({ type: 'text', 'aria-label': 'Name' }) });\n`,
    );
    change(
      'extra.ts',
      `import { register } from 'zesty-lattice/elements';\nimport { StallCount } from './stall-count.ts';\nimport { StallField } from './stall-field.ts';\nregister(StallCount, StallField);\n`,
    );
    const other = await browser.newPage();
    await other.goto(new URL('extra.html', page.url()).href);
    await other.locator('stall-field input').fill('half a na');
    await saved('stall-count.html', '{{ label }}: {{ count }}', '{{ label }} / {{ count }}');
    await other.waitForFunction(() =>
      document.querySelector('stall-count')?.shadowRoot?.textContent?.includes('A / 3'),
    );
    // What stands in a component that is flattened in it, too.
    await saved('stall-sign.ts', "'Stall '", "'Stand '");
    await other.waitForFunction(() =>
      document.querySelector('stall-count')?.shadowRoot?.textContent?.includes('Stand A'),
    );
    expect(await other.locator('stall-field input').inputValue()).toBe('half a na');
    expect(await other.evaluate(() => document.activeElement?.localName)).toBe('stall-field');
    await saved('stall-sign.ts', "'Stand '", "'Stall '");
    await saved('stall-count.html', '{{ label }} / {{ count }}', '{{ label }}: {{ count }}');
    await other.waitForFunction(() =>
      document.querySelector('stall-count')?.shadowRoot?.textContent?.includes('A: 3'),
    );
    await other.close();
  });

  test('a component whose tag stands in the page and that nothing registers is reported', async () => {
    change(
      'lone-field.ts',
      `import { component, el } from 'zesty-lattice';\nexport const LoneField = component('lone-field', { template: () => el.p('x') });\n`,
    );
    change(
      'lonely.html',
      '<!doctype html><html lang="en"><title>x</title><body><lone-field></lone-field><script type="module">import "./lone-field.ts";</script></body></html>',
    );
    const other = await browser.newPage();
    const reported: string[] = [];
    other.on('console', (message) => reported.push(message.text()));
    await other.goto(new URL('lonely.html', page.url()).href);
    await other.waitForEvent('console', {
      predicate: (message) => message.text().includes('element-unregistered'),
      timeout: 60_000,
    });
    expect(reported.filter((one) => one.includes('element-unregistered'))).toHaveLength(1);
    expect(reported.join()).toContain('<lone-field>');
    await other.close();
  });
});

describe('when building', () => {
  test('pages are rendered ahead, all else stays, and the bundle carries the files without a file system', async () => {
    for (const [name, text] of Object.entries(files)) change(name, text);
    await build({ ...(await config()), logLevel: 'error' });
    const html = readFileSync(join(folder, 'dist/index.html'), 'utf8');
    expect(html).toContain('<!-- counted by hand -->');
    expect(html).toContain('<stall-count label="Crates" class="wide"><template shadowrootmode="open">');
    expect(html).toContain('<p>Stall North<i><b>open</b></i></p>');
    const [script = ''] = readdirSync(join(folder, 'dist/assets')).filter((name) => name.endsWith('.js'));
    const code = readFileSync(join(folder, 'dist/assets', script), 'utf8');
    // Its text was read as the page was built.
    expect(code).toMatch(/<button type=."button/);
    expect(code).not.toContain('click: add(1)');
    expect(code).not.toMatch(/node:fs|readFileSync|parse5|import\.meta\.hot/);
  });

  test('a markupFile whose path is not written out is refused with its place', async () => {
    const { textFiles } = (await import(
      '../../packages/tools/src/vite/text-files.js'
    )) as typeof import('../../packages/tools/src/vite/text-files.js');
    expect(textFiles().name).toContain('zesty-lattice');
    change(
      'main.ts',
      "import { markupFile } from 'zesty-lattice/markup';\nconst file = './a.html';\nconsole.log(markupFile(import.meta.url, file));\n",
    );
    await expect(build({ ...(await config()), logLevel: 'silent' })).rejects.toThrow(
      /markupFile expects import\.meta\.url/,
    );
  });
});
