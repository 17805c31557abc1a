import type { Page } from 'playwright-core';
import { describe, expect, test } from 'vitest';
import type { AnyComponent, Problem } from 'zesty-lattice';
import { renderHtml, renderPage } from 'zesty-lattice/html';
import { frame } from '../support/waiting.js';
import { hows, useTypedPages } from './typed-open.js';
import { SpeechBox, SpeechNote } from './typed-parts.js';

const pages = useTypedPages();

describe.each(hows)('shared data, planned %s', (how) => {
  let reported: readonly string[] = [];
  async function opened(html: string, ...starts: readonly string[]): Promise<Page> {
    const found = await pages.opened(how, html);
    reported = found.reported;
    for (const start of starts) await found.page.evaluate(`${start}()`);
    return found.page;
  }
  const words = (page: Page): Promise<string[]> => page.locator('speech-note p').allInnerTexts();
  const boxes =
    '<speech-box word="near"><speech-note id="own"></speech-note></speech-box><speech-box word="far"></speech-box><div></div>';

  test.each([
    ['moved in one turn', 'to.append(note)'],
    ['moved by the browser in one step', 'to.moveBefore(note, null)'],
  ])('is that of the provider around an element that was %s', async (_name, move) => {
    const page = await opened(boxes, 'startReader', 'startProvider');
    const own = page.locator('[id=own] p');
    const moved = async (to: string): Promise<unknown> => {
      await page.evaluate(
        `{ const note = document.querySelector('#own'), to = document.querySelectorAll('${to}'); ((to) => { ${move} })(to[to.length - 1]) } new Promise((done) => setTimeout(done))`,
      );
      return own.innerText();
    };
    expect(await own.innerText()).toBe('near');
    expect(await moved('speech-box')).toBe('far');
    await page.evaluate("document.querySelector('speech-box').word = 'still near'; null");
    expect(await own.innerText()).toBe('far');
    await page.evaluate("document.querySelectorAll('speech-box')[1].word = 'further'; null");
    await expect.poll(() => own.innerText()).toBe('further');
    // Without a provider around it the last value goes.
    expect(await moved('div')).toBe('none');
    expect(reported).toEqual([]);
    await page.close();
  });

  test('is what is provided around it, for the component that provides it, too: in every output', async () => {
    const inner = { default: SpeechBox({ word: 'inside' }) };
    expect(renderHtml(SpeechBox({ word: 'near' }, inner))).toMatch(/^<i>none<.*<i><b>near<\/b><\/i>/);
    const html = renderHtml(SpeechBox({ word: 'near' }, inner), { form: 'elements' });
    const page = await opened(html);
    const own = (): Promise<string[]> => page.locator('speech-box i').allInnerTexts();
    expect((await own()).sort()).toEqual(['near', 'none']);
    await page.evaluate('startReader(); startProvider(); new Promise((done) => setTimeout(done))');
    expect((await own()).sort()).toEqual(['near', 'none']);
    await page.evaluate("document.querySelector('speech-box').word = 'now'; null");
    await expect.poll(async () => (await own()).sort()).toEqual(['none', 'now']);
    expect(reported).toEqual([]);
    await page.close();
  });

  test.each([
    ['startReader', 'startProvider'],
    ['startProvider', 'startReader'],
  ])('is there when an element hydrates, whichever is defined first: %s, %s', async (first, second) => {
    const html = renderHtml(SpeechBox({ word: 'near' }, SpeechNote({})), { form: 'elements' });
    const page = await opened(html);
    await page.locator('speech-note input').first().fill('typed');
    await page.evaluate(
      `window.sent = [...document.querySelectorAll('speech-note'), ...document.querySelector('speech-box').shadowRoot.querySelectorAll('speech-note')].map((one) => one.shadowRoot.querySelector('input')); ${first}()`,
    );
    expect(await words(page)).toEqual(['near', 'near']);
    await page.evaluate(`${second}(); new Promise((done) => setTimeout(done))`);
    expect(await words(page)).toEqual(['near', 'near']);
    expect(await page.locator('speech-note output').allInnerTexts()).toContain('typed');
    expect(await page.evaluate('sent.map((one) => one.isConnected)')).toEqual([true, true]);
    await page.evaluate("document.querySelector('speech-box').word = 'now'; null");
    await expect.poll(() => words(page)).toEqual(['now', 'now']);
    expect(reported).toEqual([]);
    await page.close();
  });

  test.each([
    'shared',
    'shared ',
    'shared notes of the grove',
    'shared {"speech":1,"x":null}',
    'shared ["a"]',
  ])('is read where somebody else wrote a comment first: <!--%s-->', async (comment) => {
    const html = renderHtml(SpeechNote({}), { form: 'elements' }).replace(
      'open">',
      `open"><!--${comment}-->`,
    );
    const page = await opened(html, 'startReader');
    expect(await words(page)).toEqual(['none']);
    await page.locator('speech-note input').fill('typed');
    expect(await page.locator('speech-note output').innerText()).toBe('typed');
    expect(reported.filter((one) => !one.includes('markup-differs'))).toEqual([]);
    await page.close();
  });

  test('stays as a server showed it where its provider is never registered', async () => {
    const html = renderHtml(SpeechBox({ word: 'near' }, SpeechNote({})), { form: 'elements' });
    const page = await opened(html, 'startReader');
    await frame(page);
    expect(await words(page)).toEqual(['near', 'near']);
    // A built page says nothing of it: it shows what is right.
    if (how === 'in the page') {
      await expect.poll(() => reported.join(), { timeout: 60_000 }).toContain('provided by <speech-box>');
      const code = 'provider-unregistered';
      expect(reported.join()).toContain(`warning ${code}: speech-note reads "speech"`);
    }
    await page.close();
  });
});

test('a server reports a provider that the page does not register', () => {
  const use = () => SpeechBox({ word: 'near' }, SpeechNote({}));
  const reported = (registers: readonly AnyComponent[]): readonly string[] => {
    const all: string[] = [];
    const options = {
      form: 'elements',
      registers,
      onProblem: ({ code, message }: Problem) => void all.push(`${code} ${message}`),
    } as const;
    renderHtml(use(), options);
    renderPage(use(), { title: 'x', ...options });
    return all;
  };
  expect(reported([SpeechBox, SpeechNote])).toEqual([]);
  // A provider brings what stands in its template along.
  expect(reported([SpeechBox])).toEqual([]);
  const said = reported([SpeechNote]);
  expect(new Set(said)).toEqual(
    new Set([
      'provider-unregistered speech-note reads "speech", provided by <speech-box>, which nothing registers. It stays as the server wrote it.',
    ]),
  );
  expect(said.length).toBeGreaterThanOrEqual(2);
  expect(reported([])).toEqual([]);
});

test('two copies of the library share one policy of Trusted Types', async () => {
  const page = await pages.plainPage();
  const policy =
    '<meta http-equiv="Content-Security-Policy" content="require-trusted-types-for \'script\'; trusted-types zesty-lattice">';
  await page.route('http://page.test/**', (route) => {
    const { pathname } = new URL(route.request().url());
    const body =
      pathname === '/' ? `<!doctype html>${policy}<speech-note></speech-note><note-field></note-field>` : '';
    const script = pathname.startsWith('/copy') ? pages.script('at build time') : undefined;
    return route.fulfill({ contentType: script ? 'text/javascript' : 'text/html', body: script ?? body });
  });
  const reported: string[] = [];
  page.on('console', (message) => reported.push(message.text()));
  page.on('pageerror', (error) => reported.push(error.message));
  await page.goto('http://page.test/');
  await page.evaluate("import('/copy-1.js').then(() => startReader())");
  await page.evaluate("import('/copy-2.js').then(() => startFields())");
  expect(await page.locator('speech-note p').innerText()).toBe('none');
  expect(await page.locator('note-field input').count()).toBe(1);
  expect(reported).toEqual([]);
  await page.close();
});
