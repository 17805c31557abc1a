import {
  type AnyComponent,
  type ComponentCore,
  componentCore,
  type Use,
} from 'zesty-lattice/internal/component';
import {
  type LoadOptions,
  type PageOptions,
  renderHtml,
  renderHtmlAsync,
  renderPage,
  waits,
} from 'zesty-lattice/internal/html';
import { hideFramesOf } from 'zesty-lattice/internal/problem';
import { trusted } from 'zesty-lattice/internal/template';

// A problem names a place of its author, and no line below that calls the component.
hideFramesOf(new URL('.', import.meta.url).href);

export type Props = Readonly<Record<string, unknown>>;

/** How a component becomes a file. */
export interface PageSettings {
  /** Whether a whole document is written, with the styles in its head. */
  readonly isPage: boolean;
  /** Whether it is one that mail programs show. */
  readonly isMail?: boolean;
  /** What relative addresses of a mail are resolved against. */
  readonly base?: string | undefined;
  readonly title?: string | undefined;
  readonly lang?: string | undefined;
  readonly dir?: string | undefined;
  /** HTML for the end of the head: scripts, links, what else the author has written for it. */
  readonly head?: string | undefined;
  /** `elements` keeps interactive components as their elements; `markup` unless said. */
  readonly form?: 'markup' | 'elements' | undefined;
  /** With `elements`: style sheets that each shadow root links. */
  readonly sheets?: readonly string[] | undefined;
  /** `linked`: nothing stands in the page that a policy without `'unsafe-inline'` refuses. */
  readonly rules?: 'linked' | undefined;
  /** Rules for the whole page. */
  readonly css?: string | undefined;
  readonly onProblem?: PageOptions['onProblem'];
  /** Limits of what is loaded, beside those of other pages. */
  readonly loads?: LoadOptions;
}

/** The HTML of a component with some props; data that it loads is waited for. */
export async function pageOf(component: AnyComponent, props: Props, settings: PageSettings): Promise<string> {
  const {
    base,
    css,
    dir,
    form = 'markup',
    head,
    isMail = false,
    isPage,
    lang = 'en',
    loads,
    onProblem,
    rules,
    sheets,
    title,
  } = settings;
  const use = component(...([props] as never[])) as Use;
  const telling = {
    form,
    ...(rules && { styleAttributes: 'as-rules' as const }),
    ...(onProblem && { onProblem }),
    ...(sheets && { sheets }),
  };
  const page = {
    title: title ?? titleFrom(props, component),
    lang,
    mail: isMail,
    ...(base !== undefined && { base }),
    ...(isDirection(dir) && { dir }),
    ...(head !== undefined && { head: trusted(head) }),
    ...(typeof props.description === 'string' && { description: props.description }),
    ...(css !== undefined && { styles: css }),
  };
  if (waits(componentCore(component) as ComponentCore)) {
    const waiting = { ...telling, ...(loads && { loads }) };
    return renderHtmlAsync(use, isPage ? { ...waiting, page } : { ...waiting, styles: true });
  }
  return isPage ? renderPage(use, { ...page, ...telling }) : renderHtml(use, { ...telling, styles: true });
}

/** Which ways text can run (https://html.spec.whatwg.org/#the-dir-attribute). */
export function isDirection(text: string | undefined): text is 'ltr' | 'rtl' | 'auto' {
  return text === 'ltr' || text === 'rtl' || text === 'auto';
}

/** The title of a page that is given none: its prop of that name, or what the component says it is. */
function titleFrom(props: Props, component: { readonly name: string }): string {
  const { description } = component as { readonly description?: string };
  return typeof props.title === 'string' ? props.title : (description ?? component.name);
}
