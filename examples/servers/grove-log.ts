import { el, LatticeError } from 'zesty-lattice';
import { type HtmlStream, renderPage, streamHtml } from 'zesty-lattice/html';
import { GrovePage, VisitPage } from './components.js';

// The pages themselves, which are the same on every server.

/** What a server has to know of where it runs. */
export interface Where {
  /** The address of the JSON service. */
  readonly service: string;
  /** The script that makes the page's elements live. */
  readonly script: string;
  /** The style sheet of all pages. */
  readonly sheet: string;
}

/** What is asked of the grove log. */
export interface Asked {
  /** `newest`, the number of entries; `order=as-ready` sends what is slow last; `ms` and `fail` go to the service. */
  readonly query: URLSearchParams;
  /** Another one for each answer. */
  readonly nonce: string;
  /** Aborts when the visitor leaves. */
  readonly signal: AbortSignal;
}

/** The grove log, streamed while its data comes. */
export function groveLog({ query, nonce, signal }: Asked, { service, sheet }: Where): HtmlStream {
  const passedOn = new URLSearchParams([...query].filter(([name]) => name === 'ms' || name === 'fail'));
  const newest = query.get('newest');
  return streamHtml(
    GrovePage,
    {
      log: `/data/log${passedOn.size > 0 ? `?${passedOn}` : ''}`,
      water: '/data/water',
      ...(newest !== null && { newest: Number(newest) }),
    },
    {
      form: 'elements',
      order: query.get('order') === 'as-ready' ? 'as-ready' : 'in-order',
      nonce,
      signal,
      // In a page the elements ask at /data, and the service is nobody else's to know.
      fetch: (path, init) => fetch(String(path).replace(/^\/data/, service), init),
      loads: { timeOut: 8_000, retries: 1 },
      onProblem: ({ code, where }) => console.error(code, where),
      page: {
        title: 'Grove log · Ninefold Orchard',
        lang: 'en',
        styles: sheet,
        head: el.script({ type: 'module', src: '/app.js' }),
      },
    },
  );
}

/** A page without loads: a text that is the same for every visitor, so that a browser need not get it twice. */
export function visitPage(): string {
  return renderPage(VisitPage({ hours: { days: 'Saturday and Sunday', from: '9:00', to: '17:00' } }), {
    title: 'Visit · Ninefold Orchard',
    lang: 'en',
    // Styles in the page would need a nonce, and so would make another text of each answer.
    head: el.link({ rel: 'stylesheet', href: '/page.css' }),
  });
}

/** The policy of a page (https://www.w3.org/TR/CSP3/): nothing from elsewhere, and no script or style without the nonce. */
export function policy(nonce?: string): string {
  const own = nonce === undefined ? `'self'` : `'self' 'nonce-${nonce}'`;
  return `default-src 'self'; script-src ${own}; style-src ${own}; base-uri 'none'; object-src 'none'`;
}

/** What a server answers where a page failed before any of it was sent: what was asked was wrong, or we were. */
export function faultOf(thrown: unknown): { readonly status: number; readonly text: string } {
  const isAsked =
    thrown instanceof LatticeError && thrown.problems.every(({ code }) => code === 'prop-invalid');
  return isAsked
    ? { status: 400, text: 'This address asks for what there is not.' }
    : { status: 500, text: 'The page could not be written.' };
}

/** Where the service has what an element in the page asks for at `/data`. */
export function serviceUrl(url: string, { service }: Where): string {
  return url.replace(/^\/data/, service);
}
