import type { AnyComponent, Use } from '../component/index.js';
import { type LateOptions, type PageOptions, renderHtmlAsync, renderPage } from '../html/index.js';
import { mailText } from '../html/mail.js';
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
export interface MailOptions extends Pick<PageOptions, 'title' | 'lang' | 'dir' | 'description' | 'styles'> {}

/**
 * Renders a mail: a document whose rules stand in its elements, and its plain text. Needs the packages `juice`,
 * `html-to-text` and `parse5`, in Node.
 *
 * @throws LatticeError with all problems, as `renderPage` does
 * @example const { html, text } = renderMail(Newsletter({ varieties }), { title: 'Ninefold news' });
 */
export function renderMail(target: Use | AnyComponent, options: MailOptions): Mail {
  const problems: Problem[] = [];
  const html = renderPage(target, { ...options, mail: true, onProblem: (one) => problems.push(one) });
  return mailOf(html, problems);
}

/** The same, once what its components load is there. */
export async function renderMailAsync(
  target: Use | AnyComponent,
  options: MailOptions & Pick<LateOptions, 'signal' | 'fetch' | 'loads'>,
): Promise<Mail> {
  const { fetch, loads, signal, ...page } = options;
  const problems: Problem[] = [];
  const html = await (renderHtmlAsync as (target: unknown, ...given: unknown[]) => Promise<string>)(
    target,
    ...(typeof target === 'function' ? [undefined] : []),
    { fetch, loads, signal, page: { ...page, mail: true }, onProblem: (one: Problem) => problems.push(one) },
  );
  return mailOf(html, problems);
}

function mailOf(html: string, problems: readonly Problem[]): Mail {
  return { html, text: mailText(html), bytes: new TextEncoder().encode(html).length, problems };
}
