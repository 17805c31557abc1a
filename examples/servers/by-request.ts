import { Deflate, Z_SYNC_FLUSH } from 'pako';
import { faultOf, groveLog, policy, serviceUrl, visitPage, type Where } from './grove-log.js';

// A handler in the web's own form (https://fetch.spec.whatwg.org/#response-class), for any runtime that has it: no modules of
// Node, and no code made from text.

export async function handle(request: Request, where: Where): Promise<Response> {
  const { pathname, search, searchParams } = new URL(request.url);
  if (request.method !== 'GET') return new Response('Only GET', { status: 405, headers: { allow: 'GET' } });
  if (pathname === '/app.js')
    return new Response(where.script, { headers: { 'content-type': 'text/javascript' } });
  if (pathname === '/page.css') return new Response(where.sheet, { headers: { 'content-type': 'text/css' } });
  if (pathname.startsWith('/data/'))
    return fetch(serviceUrl(pathname + search, where), { signal: request.signal });
  try {
    if (pathname === '/') return await logAnswer(request, searchParams, where);
    if (pathname === '/visit') return await visitAnswer(request);
  } catch (thrown) {
    const { status, text } = faultOf(thrown);
    if (status === 500) console.error(thrown);
    return new Response(text, { status });
  }
  return new Response('Not found', { status: 404 });
}

async function logAnswer(request: Request, query: URLSearchParams, where: Where): Promise<Response> {
  const nonce = btoa(String.fromCharCode(...crypto.getRandomValues(new Uint8Array(16))));
  const page = groveLog({ query, nonce, signal: request.signal }, where);
  // Until its first piece is there, another status can be answered.
  await page.started;
  const headers = new Headers({
    'content-type': 'text/html; charset=utf-8',
    'content-security-policy': policy(nonce),
    'cache-control': 'no-store',
    vary: 'accept-encoding',
  });
  if (!/\bgzip\b/.test(request.headers.get('accept-encoding') ?? '')) return new Response(page, { headers });
  headers.set('content-encoding', 'gzip');
  return new Response(page.pipeThrough(flushingGzip()), { headers });
}

/** Compresses each piece so far that it can be read when it arrives, as `CompressionStream` does not. */
function flushingGzip(): TransformStream<Uint8Array, Uint8Array> {
  const gzip = new Deflate({ gzip: true });
  return new TransformStream({
    start(controller) {
      gzip.onData = (piece) => controller.enqueue(piece as Uint8Array);
    },
    transform(piece) {
      gzip.push(piece, Z_SYNC_FLUSH);
    },
    flush() {
      gzip.push(new Uint8Array(), true);
    },
  });
}

async function visitAnswer(request: Request): Promise<Response> {
  const html = visitPage();
  const digest = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(html));
  const etag = `"${btoa(String.fromCharCode(...new Uint8Array(digest)))}"`;
  const headers = { etag, 'cache-control': 'no-cache', 'content-security-policy': policy() };
  const known = request.headers.get('if-none-match')?.split(',') ?? [];
  // Weak comparison: what compresses on the way may have said W/ (https://httpwg.org/specs/rfc9110.html#field.if-none-match).
  if (known.some((one) => one.trim().replace(/^W\//, '') === etag))
    return new Response(null, { status: 304, headers });
  return new Response(html, { headers: { ...headers, 'content-type': 'text/html; charset=utf-8' } });
}
