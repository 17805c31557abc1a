import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { el } from 'zesty-lattice';
import { streamHtml } from 'zesty-lattice/html';
import { GrovePage } from './components.js';

const styles = readFileSync(new URL('./page.css', import.meta.url), 'utf8');

/** What the handler needs to know of where it runs. */
export interface Where {
  /** The address of the JSON service. */
  readonly service: string;
  /** The script that makes the page's elements live. */
  readonly script: string;
}

/**
 * Answers a request (https://fetch.spec.whatwg.org/#response-class), on any server that speaks `Request` and `Response`.
 *
 * `/` sends the page in order, `/?order=as-ready` what is slow last. `ms` and `fail` are passed on to the service.
 */
export async function handle(request: Request, { script, service }: Where): Promise<Response> {
  const url = new URL(request.url);
  if (url.pathname === '/app.js')
    return new Response(script, { headers: { 'content-type': 'text/javascript' } });
  // In a page the elements ask here, and the service is nobody else's to know.
  if (url.pathname.startsWith('/data/'))
    return fetch(`${service}/${url.pathname.slice('/data/'.length)}${url.search}`, {
      signal: request.signal,
    });
  if (url.pathname !== '/') return new Response('Not found', { status: 404 });

  const nonce = randomBytes(16).toString('base64');
  const asked = new URLSearchParams(
    [...url.searchParams].filter(([name]) => name === 'ms' || name === 'fail'),
  );
  const query = asked.size > 0 ? `?${asked}` : '';
  const body = streamHtml(
    GrovePage,
    { log: `/data/log${query}`, water: '/data/water' },
    {
      form: 'elements',
      order: url.searchParams.get('order') === 'as-ready' ? 'as-ready' : 'in-order',
      nonce,
      signal: request.signal,
      fetch: (path, init) => fetch(String(path).replace(/^\/data/, service), init),
      loads: { timeOut: 2_000, retries: 1 },
      onProblem: ({ code, where }) => console.error(code, where),
      page: {
        title: 'Grove log · Ninefold Orchard',
        styles,
        head: el.script({ type: 'module', src: '/app.js' }),
      },
    },
  );
  return new Response(body, {
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': `default-src 'self'; script-src 'self' 'nonce-${nonce}'; style-src 'self' 'nonce-${nonce}'; base-uri 'none'; object-src 'none'`,
    },
  });
}
