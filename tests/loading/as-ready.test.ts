import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { Readable } from 'node:stream';
import fc from 'fast-check';
import { type Browser, chromium } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { component, el, prop, whenLoaded } from 'zesty-lattice';
import { renderHtmlAsync, type StreamOptions, streamHtml } from 'zesty-lattice/html';
import { browserOptions } from '../../scripts/browser.mjs';
import { runsOf } from '../support/runs.js';
import { type Grove, groves, Page, wait, whole } from './groves.js';

let browser: Browser;
let server: Server;
let url = '';
let stream: () => ReadableStream<Uint8Array>;

const nonce = 'b3JjaGFyZA';
const policy = `default-src 'self'; script-src 'nonce-${nonce}'; style-src 'nonce-${nonce}'`;
const options: StreamOptions = {
  order: 'as-ready',
  nonce,
  page: { title: 'Groves', styles: 'em { color: rgb(1, 2, 3) }' },
  onProblem: () => undefined,
};

beforeAll(async () => {
  server = createServer((request, response) => {
    if (request.url !== '/') return void response.writeHead(204).end();
    response.writeHead(200, { 'content-type': 'text/html', 'content-security-policy': policy });
    Readable.fromWeb(stream() as never).pipe(response);
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
  browser = await chromium.launch(browserOptions);
});
afterAll(async () => {
  await browser.close();
  server.close();
});

async function visit(javaScriptEnabled = true): Promise<{ html: string; reported: string[]; color: string }> {
  const page = await browser.newPage({ javaScriptEnabled });
  const reported: string[] = [];
  page.on('console', (message) => message.type() === 'error' && reported.push(message.text()));
  page.on('pageerror', (error) => reported.push(error.message));
  await page.goto(url);
  const html: string = await page.evaluate(
    `[...document.body.childNodes].filter((one) => one.localName !== 'script').map((one) => one.outerHTML ?? one.data).join('')`,
  );
  const color: string = await page.evaluate(
    `getComputedStyle(document.querySelector('em') ?? document.body).color`,
  );
  await page.close();
  return { html: html.trim(), reported, color };
}

/** As a browser has it. */
async function parsed(html: string): Promise<string> {
  const page = await browser.newPage();
  await page.setContent(html);
  const all = await page.evaluate(() => document.body.innerHTML);
  await page.close();
  return all.trim();
}

describe('what is sent as soon as it is ready', () => {
  test('comes to where it belongs, under a strict policy; without scripts all of it is there', async () => {
    const all: Grove[] = ['north', 'south'].map((name, at) => ({
      name,
      ms: at === 0 ? 40 : 15,
      fails: at === 1,
      rows: 3,
      inside: [{ name: 'weir', ms: 20, fails: false, rows: 1, inside: [] }],
    }));
    stream = () => streamHtml(Page, { groves: all }, options);
    const { html, reported, color } = await visit();
    expect(reported).toEqual([]);
    expect(color).toBe('rgb(1, 2, 3)');
    expect(html).toBe(
      await parsed(await renderHtmlAsync(Page, { groves: all }, { onProblem: () => undefined })),
    );
    const plain = await visit(false);
    expect(plain.html).toContain('<div data-late="1">');
    for (const part of ['&lt;north&gt;', 'south is closed', '&lt;weir&gt;', 'at 0', 'at 1'])
      expect(plain.html).toContain(part);
  });

  test('is the page that is sent in order, whatever comes when', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(
          groves.map((one) => whole(one)),
          { minLength: 1, maxLength: 3 },
        ),
        async (all) => {
          stream = () => streamHtml(Page, { groves: all }, options);
          const { html, reported } = await visit();
          expect(reported).toEqual([]);
          expect(html).toBe(
            await parsed(await renderHtmlAsync(Page, { groves: all }, { onProblem: () => undefined })),
          );
        },
      ),
      runsOf('parts as ready', 25),
    );
  });

  test('what comes when its place is gone goes, too', async () => {
    const Slow = component('late-slow', {
      load: async () => wait(120).then(() => 'slow'),
      template: ({ data }) => whenLoaded(data, { loading: el.i('slower …'), loaded: (text) => el.i(text) }),
    });
    const Outer = component('late-outer', {
      load: async () => wait(20).then(() => 'there'),
      template: ({ data }) => whenLoaded(data, { loading: el.div(Slow()), loaded: (text) => el.b(text) }),
    });
    stream = () => streamHtml(Outer, {}, options);
    const { html, reported } = await visit();
    expect(html).toBe('<b>there</b>');
    expect(reported).toEqual([]);
  });

  test('what a parser would read in another way elsewhere is waited for', async () => {
    const Row = component('late-row', {
      props: { ms: prop.number() },
      load: async ({ props }) => wait(props.ms).then(() => 'x'),
      template: ({ data }) =>
        whenLoaded(data, { loading: el.tr(el.td('…')), loaded: (text) => el.tr(el.td(text)) }),
    });
    const Text = component('late-text', {
      load: async () => wait(5).then(() => '<b>'),
      template: ({ data }) => whenLoaded(data, { loading: '…', loaded: (text) => text }),
    });
    const Both = component('late-both', {
      template: () => [el.table(el.tbody(Row({ ms: 10 }), Row({ ms: 1 }))), el.p(Text())],
    });
    stream = () => streamHtml(Both, {}, options);
    const { html } = await visit();
    expect(html).toBe('<table><tbody><tr><td>x</td></tr><tr><td>x</td></tr></tbody></table><p>&lt;b&gt;</p>');
  });
});
