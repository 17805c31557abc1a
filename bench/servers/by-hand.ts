// The grove log as it is written by hand, on each of the servers: template literals, sent as they are ready.
import { randomBytes } from 'node:crypto';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { createServer, type Server, type ServerResponse } from 'node:http';
import { Readable } from 'node:stream';
import express from 'express';
import fastify from 'fastify';
import { escapeText } from 'zesty-lattice/html';
import { policy, type Where } from '../../examples/servers/grove-log.js';
import { leaving, listen } from '../../examples/servers/listen.js';
import { requestServer } from '../../examples/servers/request-server.js';
import type { Entry } from '../../examples/servers/service.js';

const rules = (name: string): string =>
  readFileSync(new URL(`../../examples/servers/${name}`, import.meta.url), 'utf8');
const [logRules, gaugeRules] = [rules('log-book.css'), rules('water-gauge.css')];
const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });
const inBlock = (value: unknown): string =>
  JSON.stringify(value).replace(
    /[<>&\u2028\u2029]/g,
    (one) => `\\u${one.charCodeAt(0).toString(16).padStart(4, '0')}`,
  );
// What the page's scripts compare with their own props.
const [ofWater, ofLog] = [3894989283, 1862897606];

async function json<Data>(url: string, signal: AbortSignal): Promise<Data> {
  // No page waits for ever, as with the library.
  const answer = await fetch(url, { signal: AbortSignal.any([signal, AbortSignal.timeout(8_000)]) });
  if (!answer.ok) throw new Error(`the service says ${answer.status}`);
  return answer.json() as Promise<Data>;
}

async function* pieces(
  { service, sheet }: Where,
  nonce: string,
  signal: AbortSignal,
): AsyncGenerator<string> {
  const water = json<{ level: number; rain: number }>(`${service}/water`, signal);
  const log = json<readonly Entry[]>(`${service}/log`, signal);
  for (const one of [water, log]) one.catch(() => undefined);
  yield `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Grove log · Ninefold Orchard</title>
<style nonce="${nonce}">${sheet}</style>
<script type="module" src="/app.js"></script>
</head>
<body>
<header><p>Ninefold Orchard</p><h1>Grove log</h1></header><main><p class="lead">The last 12 entries, as they are written down. Newest first.</p><water-gauge from="/data/water"><template shadowrootmode="open"><style nonce="${nonce}" data-rules>${gaugeRules}</style>`;
  const { level, rain } = await water;
  yield `<script type="application/json" data-loaded>{"value":${inBlock({ level, rain })},"of":{"from":${ofWater}}}</script><div class="gauge"><!--(--><p>${level} % full, ${rain} mm of rain today</p><div class="tank"><div class="water" data-style="width: ${level}%"></div></div><!--)--></div><style nonce="${nonce}" data-inline>[data-style="width: ${level}%"]:not(#_):not(#_):not(#_):not(#_) { width: ${level}% }</style></template></water-gauge><log-book from="/data/log"><template shadowrootmode="open"><style nonce="${nonce}" data-rules>${logRules}</style>`;
  const entries = await log;
  const rows = entries.map(
    ({ date, grove, text }) =>
      `<li><time datetime="${escapeText(date)}">${day.format(new Date(date))}</time><b>${escapeText(grove)}</b><p>${escapeText(text)}</p></li>`,
  );
  yield `<script type="application/json" data-loaded>{"value":${inBlock(entries)},"of":{"from":${ofLog}}}</script><section aria-busy="false" aria-label="Grove log"><div class="tools"><label>Grove <input type="search"></label><button type="button">Read again</button></div><!--(--><ol><!--(-->${rows.join('')}<!--)--></ol><!--)--></section></template></log-book></main><footer>Written by whoever closes the gate.</footer>
</body>
</html>
`;
}

const newNonce = (): string => randomBytes(16).toString('base64');
const headersOf = (nonce: string): Record<string, string> => ({
  'content-type': 'text/html; charset=utf-8',
  'content-security-policy': policy(nonce),
  'cache-control': 'no-store',
});

/** Writes the page to an answer of Node, no faster than it is taken. */
async function writeTo(response: ServerResponse, where: Where): Promise<void> {
  const signal = leaving(response);
  const nonce = newNonce();
  try {
    let isFirst = true;
    for await (const piece of pieces(where, nonce, signal)) {
      if (isFirst) response.writeHead(200, headersOf(nonce));
      isFirst = false;
      if (!response.write(piece)) await once(response, 'drain', { signal });
    }
    response.end();
  } catch {
    response.destroy();
  }
}

const servers: Readonly<Record<string, (where: Where) => Server | Promise<Server>>> = {
  node: (where) => createServer((_request, response) => void writeTo(response, where)),
  express: (where) => {
    const app = express();
    app.get('/', (_request, response) => writeTo(response, where));
    return createServer(app);
  },
  fastify: async (where) => {
    const app = fastify();
    app.get('/', (_request, reply) => {
      const nonce = newNonce();
      return reply.headers(headersOf(nonce)).send(Readable.from(pieces(where, nonce, leaving(reply.raw))));
    });
    await app.ready();
    return createServer((request, response) => app.routing(request, response));
  },
  request: (where) =>
    requestServer(async ({ signal }) => {
      const nonce = newNonce();
      const [all, encoder] = [pieces(where, nonce, signal), new TextEncoder()];
      const body = new ReadableStream<Uint8Array>({
        async pull(controller) {
          const { done, value } = await all.next();
          if (done) controller.close();
          else controller.enqueue(encoder.encode(value));
        },
        async cancel() {
          await all.return(undefined);
        },
      });
      return new Response(body, { headers: headersOf(nonce) });
    }, where),
};

const [name = '', file = ''] = process.argv.slice(2);
const server = await (servers[name] as (where: Where) => Server)(
  JSON.parse(readFileSync(file, 'utf8')) as Where,
);
process.send?.({ url: await listen(server) });
process.on('message', () => process.send?.({ spent: process.cpuUsage() }));
process.on('disconnect', () => process.exit());
