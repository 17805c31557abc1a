import {
  type AnyComponent,
  type ComponentCore,
  componentCore,
  type Use,
  UseNode,
} from '../component/index.js';
import { dev, failure, refuseCall } from '../problem/index.js';
import { escapeAttribute, escapeText } from '../template/escape.js';
import type { Content } from '../template/index.js';
import { isUse, notAComponent, refuse } from '../tree/index.js';
import { mailHtml } from './mail/index.js';
import { Pass, type Sink, tellOnConsole } from './pass.js';
import { textOfPlain } from './quick.js';
import { joinedCss, nonceText, type RenderOptions, sheetLink, withCall, writeTo } from './render.js';
import { BytesSink, lastBytes, roomBefore, TextSink } from './sinks.js';
import { writeOnTheSpot } from './spot.js';
import { styleSheet } from './styles.js';

/** Options of `renderPage` and `renderPageBytes`. */
export interface PageOptions
  extends Pick<
    RenderOptions,
    'form' | 'idPrefix' | 'loadsIn' | 'nonce' | 'onProblem' | 'registers' | 'sheets' | 'styleAttributes'
  > {
  /** The title of the document (https://html.spec.whatwg.org/#the-title-element). */
  readonly title: string;
  /** The language of the text, as a BCP 47 tag such as `en` or `pt-BR`. */
  readonly lang?: string;
  /** `ltr`, `rtl` or `auto`. */
  readonly dir?: 'ltr' | 'rtl' | 'auto';
  /** The description of the document, for search engines. */
  readonly description?: string;
  /** More content for the head: links, meta elements, scripts. */
  readonly head?: Content;
  /**
   * Writes the document for mail programs: rules are written into the elements, scripts are removed, and what mail programs do
   * not show is reported. Node only; needs the packages `css-select` and `html-to-text`.
   */
  readonly mail?: boolean;
  /** With `mail`: the address that relative ones in it are resolved against. Without it they are reported. */
  readonly base?: string | URL;
  /** CSS for the whole page. It comes before the rules of components. */
  readonly styles?: string;
}

/**
 * Renders a whole document: doctype, language, character set, viewport, title, the styles of the page and of each
 * component once, and the content in the body.
 *
 * @throws LatticeError with all problems, as `renderHtml` does
 * @example renderPage(FairPage({ varieties }), { title: 'Open day', lang: 'en' })
 */
export function renderPage(target: Use | AnyComponent, options: PageOptions): string {
  try {
    const sink = new TextSink();
    const { before, last } = pageParts(pageUse(target, options, renderPage), options, sink);
    const html = before + sink.with(last) + pageEnd;
    return options.mail ? mailHtml(html, options.onProblem ?? tellOnConsole, options.base) : html;
  } catch (thrown) {
    throw withCall(thrown, renderPage);
  }
}

/**
 * Renders a whole document as `renderPage` does, to the bytes of UTF-8 that a server sends.
 *
 * @throws LatticeError with all problems, as `renderHtml` does
 * @example response.end(renderPageBytes(FairPage({ varieties }), { title: 'Open day', lang: 'en' }))
 */
export function renderPageBytes(target: Use | AnyComponent, options: Omit<PageOptions, 'mail'>): Uint8Array {
  const use = pageUse(target, options, renderPageBytes);
  const sink = new BytesSink(lastBytes(use.component), roomBefore);
  const { before, last } = pageParts(use, options, sink);
  return sink.with(last + pageEnd, before);
}

/** What stands after it. */
export const pageEnd = '\n</body>\n</html>\n';

/** The use that a page shows. */
function pageUse(
  target: Use | AnyComponent,
  options: PageOptions,
  called: (target: Use, options: PageOptions) => unknown,
): UseNode {
  if (dev && typeof options?.title !== 'string')
    refuseCall(
      called,
      called.name,
      'expects options with the title of the page',
      "Write renderPage(FairPage({ … }), { title: 'Open day' }).",
    );
  return isUse(target) ? target : emptyUse(target, called);
}

/** What stands before the content, and what of the content comes last: all else goes to the sink. */
function pageParts(
  use: UseNode,
  options: PageOptions,
  sink: Sink,
): { readonly before: string; readonly last: string } {
  const { form, idPrefix, loadsIn, nonce, onProblem, registers, sheets, styleAttributes } = options;
  const { last, rules, styled } = writeTo(
    use,
    {
      ...(form && { form }),
      ...(idPrefix !== undefined && { idPrefix }),
      ...(loadsIn && { loadsIn }),
      ...(nonce !== undefined && { nonce }),
      ...(onProblem && { onProblem }),
      ...(registers && { registers }),
      ...(sheets && { sheets }),
      ...(styleAttributes && { styleAttributes }),
    },
    sink,
  );
  return { before: pageStart(options, styled, rules), last };
}

/** What stands before the content of a document. */
export function pageStart(options: PageOptions, styled: ReadonlySet<ComponentCore>, rules = ''): string {
  const { title, lang = 'en', dir, description, head, nonce, sheets } = options;
  const css = joinedCss(styleSheet(styled, options.styles ?? ''), rules);
  const parts = [
    `<!doctype html>\n<html lang="${escapeAttribute(lang)}"${dir ? ` dir="${escapeAttribute(dir)}"` : ''}>\n<head>`,
    '<meta charset="utf-8">',
    '<meta name="viewport" content="width=device-width, initial-scale=1">',
    `<title>${escapeText(title)}</title>`,
  ];
  if (description !== undefined)
    parts.push(`<meta name="description" content="${escapeAttribute(description)}">`);
  for (const href of sheets ?? []) parts.push(sheetLink(href));
  if (css !== '') parts.push(`<style${nonceText(nonce)}>${css}</style>`);
  const more = headHtml(head);
  if (more !== '') parts.push(more);
  return `${parts.join('\n')}\n</head>\n<body>\n`;
}

function emptyUse(target: unknown, called: unknown): UseNode {
  const component = componentCore(target);
  if (!component) throw failure(notAComponent(target));
  return new UseNode(component, undefined, undefined, called);
}

function headHtml(head: Content): string {
  const pass = new Pass();
  const html = (dev ? undefined : textOfPlain(head, pass)) ?? writeOnTheSpot(head, pass, '');
  refuse(pass.problems);
  return html;
}
