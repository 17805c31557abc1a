import type { AnyComponent, Use } from '../component/index.js';
import { type LateOptions, type PageOptions, renderHtmlAsync, renderPage } from '../html/index.js';
import { type MailTextOptions, mailText } from '../html/mail/index.js';
import type { Problem } from '../problem/index.js';

export { type MailAttributes, type MailBuilders, mail } from './builders.js';

/** A mail's two parts, and what is to be said of it. */
export interface Mail {
  readonly html: string;
  readonly text: string;
  /** How long the HTML is; some programs cut what is longer than 102 KB. */
  readonly bytes: number;
  readonly problems: readonly Problem[];
}

/** What a mail has besides its content. */
export interface MailOptions
  extends Pick<PageOptions, 'title' | 'lang' | 'dir' | 'description' | 'styles' | 'base'>,
    MailTextOptions {}

/**
 * Renders a mail: a document whose rules stand in its elements, and its plain text. Needs the packages `css-select`
 * and `html-to-text`, in Node.
 *
 * @throws LatticeError with all problems, as `renderPage` does
 * @example const { html, text } = renderMail(Newsletter({ varieties }), { title: 'Ninefold news' });
 */
export function renderMail(target: Use | AnyComponent, options: MailOptions): Mail {
  const problems: Problem[] = [];
  const { links, ...page } = options;
  const html = renderPage(target, { ...page, mail: true, onProblem: (one) => problems.push(one) });
  return mailOf(html, problems, links);
}

/** The same, once what its components load is there. */
export async function renderMailAsync(
  target: Use | AnyComponent,
  options: MailOptions & Pick<LateOptions, 'signal' | 'fetch' | 'loads'>,
): Promise<Mail> {
  const { fetch, links, loads, signal, ...page } = options;
  const problems: Problem[] = [];
  const html = await (renderHtmlAsync as (target: unknown, ...given: unknown[]) => Promise<string>)(
    target,
    ...(typeof target === 'function' ? [undefined] : []),
    { fetch, loads, signal, page: { ...page, mail: true }, onProblem: (one: Problem) => problems.push(one) },
  );
  return mailOf(html, problems, links);
}

function mailOf(html: string, problems: readonly Problem[], links: MailTextOptions['links']): Mail {
  return {
    html,
    text: mailText(html, links && { links }),
    bytes: new TextEncoder().encode(html).length,
    problems,
  };
}
