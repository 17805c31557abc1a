// npm run attack: hostile texts at every door. What comes of them is opened in Chromium, where whatever runs is counted.
import { type Browser, chromium } from 'playwright-core';
import { component, el, prop } from 'zesty-lattice';
import { browserOptions } from '../../scripts/browser.mjs';
import { bundle } from '../support/bundle.js';
import { doors, hostileText, randomFrom } from './doors.js';

/** What came of a door's texts. */
export interface Outcome {
  readonly door: string;
  readonly tried: number;
  readonly refused: number;
  readonly harmless: number;
  /** Texts of which something ran. */
  readonly harm: readonly string[];
}

/** How many outputs are opened in one page. */
const together = 200;

const counting = `Object.defineProperty(window, 'hacked', { configurable: true, set() { window.ran = (window.ran ?? 0) + 1; } });`;

/** Opens HTML, clicks and focuses what can be, and tells how often something ran. */
async function ranIn(browser: Browser, parts: readonly string[]): Promise<number> {
  const page = await browser.newPage();
  await page.addInitScript(counting);
  await page.route('**/*', (route) =>
    route.request().url() === 'http://attack.test/' ? route.continue() : route.abort(),
  );
  try {
    await page.setContent(
      `<!doctype html><title>x</title>${parts.map((part) => `<section>${part}</section>`).join('\n')}`,
      {
        waitUntil: 'domcontentloaded',
      },
    );
    return await page.evaluate(() => {
      const script = /^[\0-\x20]*(?:javascript|vbscript|data:text\/(?:html|xml|xsl)|data:image\/svg)/i;
      const urls = /^(?:href|src|action|formaction|data|poster|ping|xlink:href|srcdoc)$/i;
      let armed = 0;
      for (const one of document.querySelectorAll('*'))
        for (const { name, value } of one.attributes) {
          if (/^on/i.test(name)) armed++;
          if (urls.test(name) && script.test(value.replaceAll(/[\t\n\r]/g, ''))) armed++;
        }
      return armed + ((window as unknown as { ran?: number }).ran ?? 0);
    });
  } finally {
    await page.close();
  }
}

/** Which of some outputs does harm. */
async function guilty(
  browser: Browser,
  all: readonly (readonly [text: string, html: string])[],
): Promise<string[]> {
  if (
    all.length === 0 ||
    (await ranIn(
      browser,
      all.map(([, html]) => html),
    )) === 0
  )
    return [];
  if (all.length === 1) return [all[0]?.[0] ?? ''];
  const half = all.length >> 1;
  return [...(await guilty(browser, all.slice(0, half))), ...(await guilty(browser, all.slice(half)))];
}

/** Hostile texts at the doors of HTML text. */
async function* atDoors(browser: Browser, each: number, seed: number): AsyncGenerator<Outcome> {
  for (const [at, door] of doors.entries()) {
    const random = randomFrom(seed + at);
    const written: (readonly [string, string])[] = [];
    let refused = 0;
    for (let n = 0; n < each; n++) {
      const text = hostileText(random);
      const html = door.try(text, random);
      if (html === undefined) refused++;
      else written.push([text, html]);
    }
    const harm: string[] = [];
    for (let from = 0; from < written.length; from += together)
      harm.push(...(await guilty(browser, written.slice(from, from + together))));
    yield { door: door.name, tried: each, refused, harmless: written.length - harm.length, harm };
  }
}

/** Hostile texts as attributes and properties of elements that are interactive. */
async function atElements(browser: Browser, each: number, seed: number): Promise<Outcome> {
  const page = await browser.newPage();
  await page.addInitScript(counting);
  await page.route('**/*', (route) => route.abort());
  await page.setContent('<!doctype html><title>x</title><main></main>');
  await page.addScriptTag({
    content: await bundle(new URL('./elements.ts', import.meta.url), { production: true }),
    type: 'module',
  });
  await page.waitForFunction(`customElements.get('attack-live')`);
  const random = randomFrom(seed);
  const texts = Array.from({ length: each }, () => hostileText(random));
  const harm = await page.evaluate(async (all) => {
    const main = document.querySelector('main') as HTMLElement;
    const bad: string[] = [];
    const state = window as unknown as { ran?: number };
    for (const text of all) {
      const one = document.createElement('attack-live') as HTMLElement & Record<string, unknown>;
      one.setAttribute('text', text);
      one.setAttribute('list', text);
      main.append(one);
      one.text = text;
      one.link = text;
      one.list = [text];
      await Promise.resolve();
      await Promise.resolve();
      const armed = [...(one.shadowRoot?.querySelectorAll('*') ?? [])].some((part) =>
        [...part.attributes].some(
          ({ name, value }) =>
            /^on/i.test(name) || (name === 'href' && /^[\0-\x20]*(?:java|vb)script:/i.test(value)),
        ),
      );
      if (armed || state.ran) bad.push(text);
      state.ran = 0;
      one.remove();
    }
    return bad;
  }, texts);
  await page.close();
  return {
    door: 'attributes and properties of elements',
    tried: each,
    refused: 0,
    harmless: each - harm.length,
    harm,
  };
}

/** Whether what is counted would be counted: a page that does harm is found. */
async function provesItself(browser: Browser): Promise<boolean> {
  const Bad = component('attack-proof', {
    props: { it: prop.text() },
    template: ({ props }) => el.p(props.it),
  });
  const found = await guilty(browser, [
    ['a', '<p>a</p>'],
    ['b', '<img src=x onerror="window.hacked=1">'],
    ['c', '<a href="java\tscript:window.hacked=1">c</a>'],
  ]);
  return Bad.name !== '' && found.join() === 'b,c';
}

/** Attacks every door with so many texts each. */
export async function attack(
  each: number,
  seed: number,
  tell: (outcome: Outcome) => void,
): Promise<readonly Outcome[]> {
  const browser = await chromium.launch(browserOptions);
  try {
    if (!(await provesItself(browser))) throw new Error('Harm is not counted.');
    const all: Outcome[] = [];
    const add = (one: Outcome): void => {
      all.push(one);
      tell(one);
    };
    for await (const one of atDoors(browser, each, seed)) add(one);
    add(await atElements(browser, each, seed));
    return all;
  } finally {
    await browser.close();
  }
}
