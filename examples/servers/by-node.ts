import { createHash, randomBytes } from 'node:crypto';
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { pipeline } from 'node:stream/promises';
import { constants, createGzip } from 'node:zlib';
import { faultOf, groveLog, policy, serviceUrl, visitPage, type Where } from './grove-log.js';
import { leaving } from './listen.js';

// Node's own server, with nothing else.

export function nodeServer(where: Where): Server {
  return createServer(async (request, response) => {
    const signal = leaving(response);
    try {
      await answer(request, response, where, signal);
    } catch (thrown) {
      if (signal.aborted) return;
      const { status, text } = faultOf(thrown);
      if (status === 500) console.error(thrown);
      // Behind the first piece the connection ends in the middle, so that nobody takes half of a page for all of it.
      if (response.headersSent) response.destroy();
      else response.writeHead(status, { 'content-type': 'text/plain' }).end(text);
    }
  });
}

async function answer(
  request: IncomingMessage,
  response: ServerResponse,
  where: Where,
  signal: AbortSignal,
): Promise<unknown> {
  const { pathname, search, searchParams } = new URL(request.url ?? '/', 'http://localhost');
  if (request.method !== 'GET') return response.writeHead(405, { allow: 'GET' }).end('Only GET');
  if (pathname === '/app.js') return response.setHeader('content-type', 'text/javascript').end(where.script);
  if (pathname === '/page.css') return response.setHeader('content-type', 'text/css').end(where.sheet);
  if (pathname.startsWith('/data/')) {
    const { body, status } = await fetch(serviceUrl(pathname + search, where), { signal });
    response.writeHead(status, { 'content-type': 'application/json' });
    return body ? pipeline(body, response) : response.end();
  }
  if (pathname === '/visit') return visit(request, response);
  if (pathname !== '/') return response.writeHead(404).end('Not found');

  const nonce = randomBytes(16).toString('base64');
  const page = groveLog({ query: searchParams, nonce, signal }, where);
  // Until its first piece is there, another status can be answered.
  await page.started;
  response.setHeader('content-type', 'text/html; charset=utf-8');
  response.setHeader('content-security-policy', policy(nonce));
  response.setHeader('cache-control', 'no-store');
  response.setHeader('vary', 'accept-encoding');
  if (!/\bgzip\b/.test(String(request.headers['accept-encoding']))) return pipeline(page, response);
  response.setHeader('content-encoding', 'gzip');
  // Each piece goes out when it is there, instead of when there is enough to compress well.
  return pipeline(page, createGzip({ flush: constants.Z_SYNC_FLUSH }), response);
}

function visit(request: IncomingMessage, response: ServerResponse): unknown {
  const html = visitPage();
  const etag = `"${createHash('sha256').update(html).digest('base64url')}"`;
  response.setHeader('etag', etag);
  response.setHeader('cache-control', 'no-cache');
  response.setHeader('content-security-policy', policy());
  const known = request.headers['if-none-match']?.split(',') ?? [];
  // Weak comparison (https://httpwg.org/specs/rfc9110.html#field.if-none-match).
  if (known.some((one) => one.trim().replace(/^W\//, '') === etag)) return response.writeHead(304).end();
  return response.setHeader('content-type', 'text/html; charset=utf-8').end(html);
}
