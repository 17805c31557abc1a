import { createServer, get, type IncomingMessage, type Server } from 'node:http';
import { createGunzip } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { listen } from '../../examples/servers/listen.js';
import { createService } from '../../examples/servers/service.js';
import { names, type Running, server, whereFile } from '../../scripts/servers.mjs';

// One page on the servers of the trade, each in a process of its own: what a server has to do right around a rendering.

let servers: Readonly<Record<string, Running>> = {};
/** The service of the demonstration, before which something may stand. */
const asked: string[] = [];
const left: string[] = [];
let answersWrongly = false;
let service: Server;
let behind: Server;
let remove = (): void => undefined;

beforeAll(async () => {
  behind = createService();
  const real = await listen(behind);
  service = createServer(async (request, response) => {
    const url = request.url ?? '';
    asked.push(url);
    response.on('close', () => {
      if (!response.writableFinished) left.push(url);
    });
    if (answersWrongly && url.startsWith('/log'))
      return void setTimeout(
        () => response.end(JSON.stringify([{ date: 'never', grove: 'Old wall', text: 'No day.' }])),
        100,
      );
    try {
      const answer = await fetch(real + url);
      const body = await answer.text();
      response.writeHead(answer.status, { 'content-type': 'application/json' }).end(body);
    } catch {
      response.destroy();
    }
  });
  const where = await whereFile(await listen(service));
  remove = where.remove;
  servers = Object.fromEntries(
    await Promise.all(
      names.map(async (name) => [name, await server(name, where.file, 0)] as [string, Running]),
    ),
  );
});
afterAll(() => {
  for (const { close } of Object.values(servers)) close();
  for (const one of [service, behind]) {
    one.closeAllConnections();
    one.close();
  }
  remove();
});

const address = (name: string, path = ''): string => `${servers[name]?.url}/${path}`;

/** An answer whose body was not read yet. */
const answerOf = (url: string, headers: Record<string, string> = {}): Promise<IncomingMessage> =>
  new Promise((done, fail) => {
    get(url, { headers, agent: false }, done).on('error', fail);
  });

/** The pieces of a body, each with the time of its arrival. */
async function piecesOf(body: AsyncIterable<Buffer>): Promise<readonly { text: string; at: number }[]> {
  const pieces: { text: string; at: number }[] = [];
  for await (const piece of body) pieces.push({ text: String(piece), at: performance.now() });
  return pieces;
}

describe.each(['node', 'express', 'fastify', 'request'])('%s', (name) => {
  test('streams: the head of the page is there long before the service has answered', async () => {
    const answer = await answerOf(address(name, '?ms=400'));
    const pieces = await piecesOf(answer);
    const html = pieces.map(({ text }) => text).join('');
    expect(html).toMatch(/^<!doctype html>[\s\S]*<\/html>\n$/);
    expect(html).toContain('North terrace');
    expect(pieces[0]?.text).toContain('<h1>Grove log</h1>');
    expect(pieces[0]?.text).not.toContain('North terrace');
    expect((pieces.at(-1)?.at ?? 0) - (pieces[0]?.at ?? 0)).toBeGreaterThan(200);
  });

  test('flushes what it compresses: each piece can be read when it arrives', async () => {
    const answer = await answerOf(address(name, '?ms=400'), { 'accept-encoding': 'gzip' });
    expect(answer.headers['content-encoding']).toBe('gzip');
    expect(answer.headers.vary).toMatch(/accept-encoding/i);
    const pieces = await piecesOf(answer.pipe(createGunzip()));
    expect(pieces[0]?.text).toContain('<h1>Grove log</h1>');
    expect((pieces.at(-1)?.at ?? 0) - (pieces[0]?.at ?? 0)).toBeGreaterThan(200);
    expect(pieces.map(({ text }) => text).join('')).toMatch(/North terrace[\s\S]*<\/html>\n$/);
  });

  test('allows the styles of this answer by its nonce, and of no other', async () => {
    const nonces = await Promise.all(
      [1, 2].map(async () => {
        const answer = await fetch(address(name));
        const [, nonce] =
          /style-src 'self' 'nonce-([^']+)'/.exec(answer.headers.get('content-security-policy') ?? '') ?? [];
        const html = await answer.text();
        const used = [...html.matchAll(/<(?:style|script)[^>]* nonce="([^"]+)"/g)].map(([, one]) => one);
        expect(used.length).toBeGreaterThan(2);
        expect(new Set(used)).toEqual(new Set([nonce]));
        expect(html).not.toMatch(/<style(?![^>]* nonce=)|<[^>]+ style=/);
        expect(answer.headers.get('cache-control')).toBe('no-store');
        return nonce;
      }),
    );
    expect(nonces[0]).not.toBe(nonces[1]);
    expect(nonces[0]?.length).toBeGreaterThan(20);
  });

  test('asks the service for nothing more when the visitor has left', async () => {
    [asked.length, left.length] = [0, 0];
    const answer = await answerOf(address(name, '?ms=8000'));
    answer.resume();
    await expect.poll(() => asked).toContain('/log?ms=8000');
    answer.destroy();
    await expect.poll(() => left).toContain('/log?ms=8000');
    expect(asked.filter((url) => url.startsWith('/log'))).toHaveLength(1);
    expect((await fetch(address(name))).status).toBe(200);
  });

  test('answers with another status where the page fails before its first piece', async () => {
    for (const query of ['?newest=99', '?newest=all']) {
      const answer = await fetch(address(name, query));
      expect(answer.status).toBe(400);
      expect(await answer.text()).toBe('This address asks for what there is not.');
    }
    expect((await (await fetch(address(name, '?newest=2'))).text()).match(/<li>/g)).toHaveLength(2);
    expect((await fetch(address(name, 'nowhere'))).status).toBe(404);
  });

  test('shows what stands in for a service that is down, with all the rest', async () => {
    const answer = await fetch(address(name, '?fail'));
    expect(answer.status).toBe(200);
    const html = await answer.text();
    expect(html).toContain('The log cannot be read right now.');
    expect(html).toMatch(/72 % full[\s\S]*<\/html>\n$/);
  });

  test.each([{}, { 'accept-encoding': 'gzip' }])(
    'ends the connection in the middle where the page fails behind its first piece (%o)',
    async (headers) => {
      answersWrongly = true;
      try {
        const answer = await answerOf(address(name), headers);
        expect(answer.statusCode).toBe(200);
        await expect(piecesOf(answer)).rejects.toThrow(/aborted|reset/i);
      } finally {
        answersWrongly = false;
      }
      expect((await (await fetch(address(name))).text()).endsWith('</html>\n')).toBe(true);
    },
  );

  test('sends a page without loads once to who has kept it', async () => {
    for (const headers of [{ 'accept-encoding': 'identity' }, { 'accept-encoding': 'gzip' }]) {
      // `fetch` would say by itself that no kept page will do.
      const visit = async (known?: string) => {
        const answer = await answerOf(address(name, 'visit'), {
          ...headers,
          ...(known !== undefined && { 'if-none-match': known }),
        });
        const isPacked = answer.statusCode === 200 && answer.headers['content-encoding'] === 'gzip';
        const pieces = await piecesOf(isPacked ? answer.pipe(createGunzip()) : answer);
        return {
          status: answer.statusCode,
          given: answer.headers,
          html: pieces.map(({ text }) => text).join(''),
        };
      };
      const first = await visit();
      expect(first.given.etag).toMatch(/^(W\/)?".+"$/);
      expect(first.given['cache-control']).toBe('no-cache');
      expect(first.html).toContain('<h1>Visit the groves</h1>');
      expect(await visit(first.given.etag)).toMatchObject({ status: 304, html: '' });
      expect((await visit('"x"')).status).toBe(200);
    }
  });

  test('answers two hundred visitors at once, each with a whole page', async () => {
    const pages = await Promise.all(
      Array.from({ length: 200 }, async (_, n) =>
        (await fetch(address(name, `?newest=${(n % 12) + 1}`))).text(),
      ),
    );
    for (const [n, html] of pages.entries()) {
      // On a busy machine the service takes too long for some, and their pages say so.
      const entries = html.match(/<li>/g)?.length ?? 0;
      expect(html.includes('cannot be read right now') ? 0 : (n % 12) + 1).toBe(entries);
      expect(html.endsWith('</html>\n')).toBe(true);
    }
  });
});

test('what has no modules of Node gives the same page as what has', async () => {
  const [node, request] = await Promise.all(
    ['node', 'request'].map(async (name) =>
      (await (await fetch(address(name))).text()).replaceAll(/nonce="[^"]*"/g, 'nonce'),
    ),
  );
  expect(request).toBe(node);
});
