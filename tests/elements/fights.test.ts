import { type Browser, chromium, type Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { renderHtml, renderPage } from 'zesty-lattice/html';
import { browserOptions } from '../../scripts/browser.mjs';
import { bundle } from '../support/bundle.js';
import { inRun } from '../support/runs.js';
import { DataIsland, FixedStall, HidingForm } from './fights-parts.js';

let browser: Browser;
let code = '';
let page: Page;
let body = '';
let policy = '';
let reported: string[] = [];

beforeAll(async () => {
  browser = await chromium.launch(browserOptions);
  page = await browser.newPage();
  page.on('console', (message) => reported.push(message.text()));
  page.on('pageerror', (error) => reported.push(`thrown: ${error.message}`));
  await page.route('**/*', (route) =>
    route.request().url().endsWith('code.js')
      ? route.fulfill({ contentType: 'text/javascript', body: code })
      : route.fulfill({
          contentType: 'text/html',
          body,
          headers: policy ? { 'content-security-policy': policy } : {},
        }),
  );
});
afterAll(() => browser.close());

/** Opens a page, lets a script change it as a reader might, and has the elements become interactive. */
async function open(html: string, before = ''): Promise<string[]> {
  reported = [];
  body = html.replace('</body>', '<script type="module" src="/code.js"></script></body>');
  await page.goto('http://orchard.test/');
  await page.waitForFunction('window.come');
  if (before) await page.evaluate(before);
  await page.evaluate('come()');
  await page.evaluate('new Promise((done) => setTimeout(done))');
  return reported;
}

const plain = '<!doctype html><html lang="en"><title>T</title><body></body></html>';

describe.each(
  inRun(
    [
      ['planned in the page', { ahead: false }],
      ['planned as the page was built', { ahead: true }],
      ['in a built page', { ahead: true, production: true }],
    ] as const,
    ([how]) => how === 'in a built page',
  ),
)('%s', (_how, options) => {
  beforeAll(async () => {
    code = await bundle(new URL('./fights-page.ts', import.meta.url), { ...options, maps: false });
  });

  describe('hydrating', () => {
    const html = renderPage(FixedStall({ note: 'four' }), { title: 'Stall', form: 'elements' });

    const shown = (): Promise<readonly string[]> =>
      page.evaluate(() => {
        const { shadowRoot } = document.querySelector('fixed-stall') as Element;
        return [...(shadowRoot as ShadowRoot).querySelectorAll<HTMLElement>('*')].map((one) => {
          const attributes = [...one.attributes]
            .filter(({ name }) => name !== 'label')
            .map(({ name, value }) => (name === 'style' ? one.style.cssText : `${name}="${value}"`));
          const texts = [...one.childNodes].map((node) => (node instanceof Text ? node.data : node.nodeName));
          return [one.localName, ...attributes.sort(), ...texts.filter((text) => text !== '#comment')].join(
            ' ',
          );
        });
      });

    test('what is as it was written is hydrated without a word', async () => {
      const kept = "window.kept = document.querySelector('fixed-stall').shadowRoot.querySelector('footer')";
      expect(await open(html, kept)).toEqual([]);
      expect(
        await page.evaluate(
          "kept === document.querySelector('fixed-stall').shadowRoot.querySelector('footer')",
        ),
      ).toBe(true);
    });

    const changes: [string, string, string][] = [
      ['a changed address', 'href="/stalls"', 'href="/elsewhere"'],
      ['an added listener', '<a href', '<a onclick="window.ran = 1" href'],
      [
        'an added listener where something changes',
        '<form class="order"',
        '<form onclick="window.ran = 1" class="order"',
      ],
      ['an added listener on an element inside', '<counting-bag', '<counting-bag onclick="window.ran = 1"'],
      ['a lost attribute', ' title="Open"', ''],
      ['another text', 'Open from nine', 'Closed'],
      ['another text on top', 'Cash only', 'No cash'],
      ['an element at the end', 'Cash only</footer>', 'Cash only</footer><iframe title="x"></iframe>'],
      ['an element between', 'All stalls</a>', 'All stalls</a><iframe title="x"></iframe>'],
      [
        'an element at the end of one with places',
        '</button></form>',
        '</button><iframe title="x"></iframe></form>',
      ],
      ['an element in ready-made HTML', '<i>4</i>', '<i>4</i><iframe title="x"></iframe>'],
      ['a field with another value', 'value="Ines"', 'value="Somebody"'],
      ['another style', 'color: rgb(1, 2, 3)', 'color: rgb(9, 9, 9)'],
      ['content of an element inside', 'in it</em>', 'in it</em><iframe title="x"></iframe>'],
    ];
    let right: readonly string[] | undefined;
    test.each(changes)('%s is reported and put right', async (_what, from, to) => {
      expect(html).toContain(from);
      if (!right) {
        await open(html);
        right = await shown();
      }
      const words = await open(html.replace(from, to));
      expect(words.join()).toContain('markup-differs');
      expect(words.join()).toContain('fixed-stall');
      expect(await shown()).toEqual(right);
      const add = "document.querySelector('fixed-stall').shadowRoot.querySelector('.add')";
      expect(await page.evaluate(`${add}.click(); Promise.resolve().then(() => ${add}.textContent)`)).toBe(
        '1',
      );
    });

    test('what a reader did meanwhile, and what elements do to themselves, is left alone', async () => {
      const words = await open(
        html,
        `const root = document.querySelector('fixed-stall').shadowRoot;
         root.querySelector('details').open = true;
         root.querySelector('input').value = 'Ola';
         customElements.define('grove-map', class extends HTMLElement {
           connectedCallback() { this.innerHTML = '<p>map</p>'; this.setAttribute('tabindex', '0'); }
         });`,
      );
      expect(words).toEqual([]);
      expect(
        await page.evaluate("document.querySelector('fixed-stall').shadowRoot.querySelector('details').open"),
      ).toBe(true);
      expect(
        await page.evaluate("document.querySelector('fixed-stall').shadowRoot.querySelector('input').value"),
      ).toBe('Ola');
    });
  });

  test('an element keeps its look in another document, and when it is back', async () => {
    await open(
      plain.replace(
        '<body>',
        '<body><fixed-stall></fixed-stall><iframe title="other" srcdoc="<!doctype html><p>x</p>"></iframe>',
      ),
    );
    await page.waitForFunction("document.querySelector('iframe').contentDocument?.querySelector('p')");
    const looks = await page.evaluate(() => {
      const stall = document.querySelector('fixed-stall') as HTMLElement;
      const other = (document.querySelector('iframe') as HTMLIFrameElement).contentDocument as Document;
      const look = (): string[] => {
        const root = stall.shadowRoot as ShadowRoot;
        const bag = root.querySelector('counting-bag')?.shadowRoot as ShadowRoot;
        (root.querySelector('h2') as HTMLElement).style.color = '';
        const view = stall.ownerDocument.defaultView as Window;
        return [root.querySelector('h2') as Element, bag.querySelector('b') as Element].map(
          (one) => view.getComputedStyle(one).color,
        );
      };
      const found = [look()];
      other.body.append(stall);
      found.push(look());
      document.body.append(stall);
      found.push(look());
      return found;
    });
    expect(looks).toEqual(new Array(3).fill(['rgb(0, 128, 0)', 'rgb(0, 0, 200)']));
    expect(reported).toEqual([]);
  });

  // What drives the page would be hidden as well: so it is asked by the prototypes alone.
  const root = `Document.prototype.querySelector.call(document, 'hiding-form').shadowRoot`;
  const soon = 'new Promise((done) => setTimeout(done))';
  const send = `HTMLElement.prototype.click.call(${root}.querySelector('.send')); ${soon}`;

  test('names of images and fields hide nothing from an element', async () => {
    const names =
      'createElement importNode createTreeWalker createDocumentFragment createTextNode createComment createElementNS addEventListener removeEventListener baseURI styleSheets readyState defaultView querySelector'.split(
        ' ',
      );
    await open(
      plain.replace(
        '<body>',
        '<body><fixed-stall></fixed-stall><hiding-form names=\'["a","remove"]\'></hiding-form>',
      ),
      `document.body.insertAdjacentHTML('beforeend', '${names.map((name) => `<img name="${name}" alt="">`).join('')}<form id="trustedTypes"></form>');
       0`,
    );
    expect(reported).toEqual([]);
    expect(await page.evaluate('document.createElement instanceof HTMLElement')).toBe(true);
    const text = `${root}.textContent.replace(/\\s+/g, ' ')`;
    await page.evaluate(send);
    expect(await page.evaluate(text)).toBe('Sent 1thanksSendaremove');
    await page.evaluate(
      `Object.assign(${root}.host, { names: ['remove', 'b', 'a'], title: 'red' }); ${soon}`,
    );
    expect(await page.evaluate(text)).toBe('Sent 1thanksSendremoveba');
    await page.evaluate(`${root}.host.names = []; ${soon}`);
    expect(await page.evaluate(text)).toBe('Sent 1thanksSend');
    await page.evaluate(`${root}.host.names = ['b']; ${soon}`);
    expect(await page.evaluate(text)).toBe('Sent 1thanksSendb');
    const stall =
      "Document.prototype.querySelector.call(document, 'fixed-stall').shadowRoot.querySelector('.add')";
    await page.evaluate(`${stall}.click(); ${soon}`);
    expect(await page.evaluate(`${stall}.textContent`)).toBe('1');
    expect(reported).toEqual([]);
  });

  test('a form whose fields hide its members is hydrated as any', async () => {
    const html = renderPage(HidingForm({ names: ['a', 'remove'], title: 'red' }), {
      title: 'F',
      form: 'elements',
    });
    const kept = `window.kept = ${root}.querySelector('.send')`;
    expect(await open(html, kept)).toEqual([]);
    await page.evaluate(send);
    expect(
      await page.evaluate(
        `kept === ${root}.querySelector('.send') && ${root}.querySelector('p').textContent`,
      ),
    ).toBe('Sent 1');
    for (const to of ['<form onclick="window.ran = 1"', '<form><iframe title="x"></iframe></form><form']) {
      const said = await open(html.replace('<form', to));
      expect(said.join()).toContain('markup-differs');
    }
  });

  test('each place stands for itself: what fails is reported, and the rest is shown', async () => {
    await open(plain);
    await page.evaluate(() => {
      const list = document.createElement('shaky-list') as HTMLElement & { limit: number; items: unknown[] };
      list.items = [
        { name: 'Dunlight', kg: 2 },
        { name: 'Saltbell', kg: '3' },
        { name: 'Ines', kg: 4 },
      ];
      list.limit = -1;
      document.body.append(list);
    });
    const shown = (): Promise<string> =>
      page.evaluate(
        "(({ shadowRoot }) => [...shadowRoot.querySelectorAll('p, i, li, output')].map((one) => one.textContent.trim()).join('|'))(document.querySelector('shaky-list'))",
      );
    expect(await shown()).toBe('|.|Dunlight: 2.0||Ines: 4.0|-1');
    expect(reported.length).toBeGreaterThan(0);
    expect(reported.every((line) => line.includes('value-failed') || line.includes('prop-missing'))).toBe(
      true,
    );
    const set = (limit: number): Promise<unknown> =>
      page.evaluate(
        `document.querySelector('shaky-list').limit = ${limit}; new Promise((done) => setTimeout(done))`,
      );
    await set(5);
    expect(await shown()).toBe('up to 5|some|up to 5.|Dunlight: 2.0||Ines: 4.0|5');
    reported = [];
    await set(-2);
    expect(await shown()).toBe('up to 5|some|up to 5.|Dunlight: 2.0||Ines: 4.0|-2');
    expect(reported.join()).toContain('no limit of -2');
    expect(reported.join()).not.toContain('thrown:');
    await page.locator('shaky-list button').click();
    expect(await page.locator('shaky-list button').innerText()).toBe('1');
    await set(6);
    expect(await shown()).toBe('up to 6|some|up to 6.|Dunlight: 2.0||Ines: 4.0|6');
  });

  test('where there is content for a failure, it stands until the element can be shown', async () => {
    await open(plain.replace('<body>', '<body><safe-shaky limit="-3"></safe-shaky>'));
    const shown = (): Promise<string> =>
      page.evaluate("document.querySelector('safe-shaky').shadowRoot.textContent");
    expect(await shown()).toMatch(/^Not now: .*no limit of -3/);
    const set = (limit: number): Promise<unknown> =>
      page.evaluate(
        `document.querySelector('safe-shaky').limit = ${limit}; new Promise((done) => setTimeout(done))`,
      );
    await set(2);
    expect(await shown()).toBe('up to 20');
    await set(-4);
    expect(await shown()).toMatch(/^Not now: .*no limit of -4/);
    await set(3);
    expect(await shown()).toBe('up to 30');
    expect(reported.join()).not.toContain('thrown:');
  });

  test('an element whose first state needs a prop is shown as soon as that is there', async () => {
    await open(plain.replace('<body>', '<body><late-state></late-state>'));
    expect(reported.join()).toContain('late-state');
    expect(reported.join()).not.toContain('thrown:');
    await page.evaluate(
      "document.querySelector('late-state').crates = [{ kg: 4 }]; new Promise((done) => setTimeout(done))",
    );
    expect(await page.evaluate("document.querySelector('late-state').shadowRoot.textContent")).toBe('4');
  });

  test('values that throw when they are read are problems that name the prop', async () => {
    await open(
      plain.replace('<body>', '<body><shaky-list items="[]"></shaky-list><data-island></data-island>'),
    );
    await page.evaluate(() => {
      const list = document.querySelector('shaky-list') as HTMLElement & Record<string, unknown>;
      const fail = (): never => {
        throw new Error('not yours');
      };
      list.items = new Proxy([], { get: fail, getPrototypeOf: fail, has: fail, ownKeys: fail });
      list.items = [
        {
          name: 'Dunlight',
          get kg() {
            return fail();
          },
        },
        { name: 'Saltbell', kg: 2 },
      ];
      const { proxy, revoke } = Proxy.revocable([], {});
      revoke();
      list.items = proxy;
      list.limit = new Proxy({}, { get: fail, getPrototypeOf: fail });
    });
    await page.evaluate('new Promise((done) => setTimeout(done))');
    expect(reported.join()).not.toContain('thrown:');
    expect(
      reported.filter((line) => line.includes('prop-invalid') && line.includes('items')).length,
    ).toBeGreaterThan(0);
    expect(await page.locator('shaky-list li').last().innerText()).toBe('Saltbell: 2.0');
  });

  test('data that JSON cannot say is reported by its prop, in elements as in HTML text', async () => {
    await open(plain.replace('<body>', '<body><data-island words="[1]"></data-island>'));
    await page.evaluate(() => {
      const island = document.querySelector('data-island') as HTMLElement & Record<string, unknown>;
      island.data = { ok: 1 };
    });
    await page.evaluate('new Promise((done) => setTimeout(done))');
    expect(reported.join()).toMatch(/class.*expects text/);
    const text = (): Promise<string> =>
      page.evaluate("document.querySelector('data-island').shadowRoot.querySelector('script').textContent");
    expect(await text()).toBe('{"ok":1}');
    for (const hostile of ['it.self = it', 'it.big = 5n', 'it.toJSON = () => { throw new Error("no") }']) {
      reported = [];
      await page.evaluate(
        `const it = { ok: 2 }; ${hostile}; document.querySelector('data-island').data = it; new Promise((done) => setTimeout(done))`,
      );
      expect(reported.join()).toContain('value-not-json');
      expect(reported.join()).toContain('data');
      expect(reported.join()).not.toContain('thrown:');
      expect(await text()).toBe('{"ok":1}');
    }
    reported = [];
    await page.evaluate(
      `const it = ['b']; it.push(it); document.querySelector('data-island').words = it; new Promise((done) => setTimeout(done))`,
    );
    expect(reported.join()).not.toContain('thrown:');
    await page.locator('data-island button').click();
    expect(await page.locator('data-island button').innerText()).toBe('1');
  });

  test('a page that forbids the policy for Trusted Types says what to allow', async () => {
    policy = "require-trusted-types-for 'script'; trusted-types other";
    try {
      await open(plain.replace('<body>', '<body><fixed-stall></fixed-stall>'));
      expect(reported.join()).toContain('"zesty-lattice"');
      if (!('production' in options)) expect(reported.join()).toContain('policy-forbidden');
    } finally {
      policy = '';
    }
    policy = "require-trusted-types-for 'script'; trusted-types zesty-lattice";
    try {
      expect(
        (await open(plain.replace('<body>', '<body><fixed-stall></fixed-stall>'))).filter((line) =>
          /policy-forbidden|thrown:/.test(line),
        ),
      ).toEqual([]);
    } finally {
      policy = '';
    }
  });
});

test('as HTML text a class that holds itself is reported, too', () => {
  const words: unknown[] = ['b'];
  words.push(words);
  expect(() => renderHtml(DataIsland({ data: {}, words: words as string[] }))).toThrow(
    /class of <p> expects text/,
  );
});
