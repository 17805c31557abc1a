import {
  type AnyComponent,
  type ComponentCore,
  componentCore,
  type Use,
} from 'zesty-lattice/internal/component';
import {
  type PageOptions,
  renderHtml,
  renderHtmlAsync,
  renderPage,
  waits,
} from 'zesty-lattice/internal/html';
import { hideFramesOf } from 'zesty-lattice/internal/problem';

// A problem names a place of its author, and no line below that calls the component.
hideFramesOf(new URL('.', import.meta.url).href);

export type Props = Readonly<Record<string, unknown>>;

/** How a component becomes a file. */
export interface PageSettings {
  /** Whether a whole document is written, with the styles in its head. */
  readonly isPage: boolean;
  /** Whether it is one that mail programs show. */
  readonly isMail?: boolean;
  readonly title?: string | undefined;
  readonly lang?: string | undefined;
  /** `elements` keeps interactive components as their elements; `markup` unless said. */
  readonly form?: 'markup' | 'elements' | undefined;
  /** With `elements`: style sheets that each shadow root links. */
  readonly sheets?: readonly string[] | undefined;
  /** `linked`: nothing stands in the page that a policy without `'unsafe-inline'` refuses. */
  readonly rules?: 'linked' | undefined;
  /** Rules for the whole page. */
  readonly css?: string | undefined;
  readonly onProblem?: PageOptions['onProblem'];
}

/** The HTML of a component with some props; data that it loads is waited for. */
export async function pageOf(component: AnyComponent, props: Props, settings: PageSettings): Promise<string> {
  const {
    css,
    form = 'markup',
    isMail = false,
    isPage,
    lang = 'en',
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
    ...(typeof props.description === 'string' && { description: props.description }),
    ...(css !== undefined && { styles: css }),
  };
  if (waits(componentCore(component) as ComponentCore))
    return renderHtmlAsync(use, isPage ? { ...telling, page } : { ...telling, styles: true });
  return isPage ? renderPage(use, { ...page, ...telling }) : renderHtml(use, { ...telling, styles: true });
}

/** The title of a page that is given none: its prop of that name, or what the component says it is. */
function titleFrom(props: Props, component: { readonly name: string }): string {
  const { description } = component as { readonly description?: string };
  return typeof props.title === 'string' ? props.title : (description ?? component.name);
}
