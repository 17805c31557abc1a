import {
  type AnyComponent,
  type AnyProps,
  type ComponentCore,
  componentCore,
  type PropsFor,
  type Use,
  UseNode,
} from '../component/index.js';
import { failedUse, withUsed } from '../plan/index.js';
import {
  callPlace,
  dev,
  failure,
  finding,
  LatticeError,
  type Problem,
  placeOf,
  printValue,
} from '../problem/index.js';
import { escapeAttribute } from '../template/escape.js';
import { isSeen, isUse, notAComponent, refuse, spotProblems } from '../tree/index.js';
import type { How } from './how.js';
import { changedSince } from './lower/index.js';
import { Pass, type Sink, tellOnConsole, type WrittenUse } from './pass.js';
import { pretty } from './pretty.js';
import { quickText, writeUse } from './quick.js';
import { BytesSink, lastBytes, roomBefore, TextSink } from './sinks.js';
import { styleSheet } from './styles.js';

/** Options of `renderHtml` and `renderBytes`. */
export interface RenderOptions {
  /**
   * Writes the styles of the components before the HTML, in one `style` element (default: `false`). `renderPage` writes
   * them into the head.
   */
  readonly styles?: boolean;
  /**
   * `markup` (default): components are flattened into plain HTML. `elements`: interactive components stay custom elements, with
   * declarative shadow roots that a browser shows before any script runs.
   */
  readonly form?: 'markup' | 'elements';
  /**
   * With `form: 'elements'`: URLs of style sheets that each shadow root links, such as a CSS framework. Pass the same to
   * `register`.
   */
  readonly sheets?: readonly string[];
  /**
   * With `form: 'elements'`: components that load data are written with their loading content and load in the browser.
   * `renderHtmlAsync` and `streamHtml` load it on the server.
   */
  readonly loadsIn?: 'page';
  /**
   * With `form: 'elements'`: the components that the page's script registers. A component that reads shared data of a provider
   * that is not among them is reported: it would stay as the server wrote it.
   */
  readonly registers?: readonly AnyComponent[];
  /** Receives problems that do not stop the rendering, with the thrown value (default: `console.error`). */
  readonly onProblem?: (problem: Problem, cause?: unknown) => void;
  /** The nonce of the page's Content Security Policy, for style and script elements (https://www.w3.org/TR/CSP3/#framework-directive-source-list). */
  readonly nonce?: string;
  /**
   * `as-rules`: writes rules in place of style attributes, which a policy without `'unsafe-inline'` blocks (default: attributes,
   * unless there is a `nonce`).
   */
  readonly styleAttributes?: 'as-rules';
  /** Writes one element a line, for people. This may change white space that a page shows (default: `false`). */
  readonly pretty?: boolean;
  /** A prefix for ids made with `uid`, for several renderings in one page. */
  readonly idPrefix?: string;
}

/** What rendering takes after a use, or after a component: its props, unless it needs none. */
export type RenderArguments<
  Target extends Use | AnyComponent,
  Options = RenderOptions,
> = Target extends AnyComponent
  ? undefined extends PropsFor<Target>
    ? [props?: PropsFor<Target>, options?: Options]
    : [props: PropsFor<Target>, options?: Options]
  : [options?: Options];

/**
 * Renders a use, or a component and its props, to HTML text.
 *
 * @throws LatticeError with all problems, when the tree has errors or a value is wrong
 * @example renderHtml(VarietyCard({ title: 'Dunlight' }, el.p('Thin skin.')))
 * @example renderHtml(FairPage, { varieties })
 */
export function renderHtml<const Target extends Use | AnyComponent>(
  target: Target,
  ...given: RenderArguments<Target>
): string {
  try {
    // The way of a server: plain markup, without styles.
    if (given.length < 2) {
      const core = componentCore(target);
      const use = core ? new UseNode(core, given[0] as AnyProps | undefined, undefined, renderHtml) : target;
      if (use instanceof UseNode && (core || given.length === 0) && (!dev || isSeen(use))) {
        if (dev) for (const problem of changedSince()) tellOnConsole(problem);
        const quick = quickText(use);
        if (quick !== undefined) return quick;
      }
    }
    const { use, options } = calledWith(target, given[0], given[1]);
    const { html, rules, styled } = write(use, options);
    const isPlain = !options.styles || (styled.size === 0 && rules === '');
    const all = isPlain
      ? html
      : `<style${nonceText(options.nonce)}>${joinedCss(styleSheet(styled), rules)}</style>${html}`;
    return options.pretty ? pretty(all) : all;
  } catch (thrown) {
    throw withCall(thrown, renderHtml);
  }
}

/**
 * Renders as `renderHtml` does, to the bytes of UTF-8 that a server sends. They are encoded as they are written, which
 * costs less than a text that is encoded at the end.
 *
 * @throws LatticeError with all problems, as `renderHtml` does
 * @example response.end(renderBytes(FairPage, { varieties }))
 */
export function renderBytes<const Target extends Use | AnyComponent>(
  target: Target,
  ...given: RenderArguments<Target>
): Uint8Array {
  const { use, options } = calledWith(target, given[0], given[1]);
  const sink = new BytesSink(lastBytes(use.component), options.styles ? roomBefore : 0);
  const { last, rules, styled } = writeTo(use, options, sink);
  if (!options.styles || (styled.size === 0 && rules === '')) return sink.with(last);
  return sink.with(last, `<style${nonceText(options.nonce)}>${joinedCss(styleSheet(styled), rules)}</style>`);
}

/**
 * What was thrown, with the line of the call where what is wrong is the use that was handed to it: inline a use has
 * no line of its own, since looking for one costs more than rendering it.
 *
 * @param call the public function that was called
 */
export function withCall(thrown: unknown, call: unknown): unknown {
  if (!dev || !(thrown instanceof LatticeError)) return thrown;
  const source = placeOf(callPlace(call));
  // A package that renders for somebody, as a batch does, is no line of theirs.
  if (!source || source.file.includes('/node_modules/')) return thrown;
  const isOfUse = ({ code, source: known, where }: Problem): boolean =>
    !known && !where.includes(' › ') && /^(?:prop|slot)-/.test(code);
  if (!thrown.problems.some(isOfUse)) return thrown;
  const problems = thrown.problems.map((one) => (isOfUse(one) ? { ...one, source } : one));
  return new LatticeError(problems, { cause: thrown.cause });
}

/** Sorts out the two ways a rendering is called. */
export function calledWith(
  target: unknown,
  first: unknown,
  second: unknown,
): { use: UseNode; options: RenderOptions } {
  if (isUse(target)) return { use: target, options: (first ?? {}) as RenderOptions };
  const component = componentCore(target);
  if (!component) throw failure(notAComponent(target));
  return {
    use: new UseNode(component, first as AnyProps | undefined, undefined, renderHtml),
    options: (second ?? {}) as RenderOptions,
  };
}

/** A link to a style sheet (https://html.spec.whatwg.org/#link-type-stylesheet). */
export function sheetLink(href: string, more = ''): string {
  return `<link rel="stylesheet" href="${escapeAttribute(href)}"${more}>`;
}

const noStyles: ReadonlySet<ComponentCore> = new Set();

/** Rules one after another. */
export function joinedCss(...parts: readonly string[]): string {
  return parts.filter((text) => text !== '').join('\n');
}

/** A nonce as an attribute. */
export function nonceText(nonce: string | undefined): string {
  return nonce === undefined ? '' : ` nonce="${escapeAttribute(nonce)}"`;
}

/** The markup of a use, and the components whose styles it needs. */
export function write(
  use: UseNode,
  options: RenderOptions & ToolOptions,
): { html: string; styled: ReadonlySet<ComponentCore>; rules: string } {
  const sink = new TextSink();
  const { last, rules, styled } = writeTo(use, options, sink);
  return { html: sink.with(last), styled, rules };
}

/** Writes the markup of a use to a sink as it gets ready; what comes last is given back. */
export function writeTo(
  use: UseNode,
  options: RenderOptions,
  sink: Sink,
): { last: string; styled: ReadonlySet<ComponentCore>; rules: string } {
  try {
    return writeAll(use, options, sink);
  } catch (thrown) {
    throw failedUse(thrown, use);
  }
}

/** A record of options without some of its keys, which it has to have. */
export type Without<Options, Keys extends keyof Options> = Omit<Options, Keys>;

/** What only this library's own tools ask of a rendering. */
export interface ToolOptions {
  /** Takes note of each use that is written. */
  readonly uses?: WrittenUse[];
  /** How routines are run. */
  readonly how?: How;
}

/** Sets up a rendering by its options. Returns what its ids start with. */
export function prepare(
  pass: Pass,
  {
    how = 'usual',
    idPrefix,
    nonce,
    onProblem,
    registers,
    sheets,
    styleAttributes,
    uses,
  }: RenderOptions & ToolOptions,
): string {
  pass.uses = uses;
  pass.how = how;
  if (pass.form !== 'markup' && pass.form !== 'elements')
    throw failure(
      finding('call-invalid', {
        name: 'form',
        fault: `expects "markup" or "elements", but received ${printValue(pass.form)}`,
        hint: "Write renderHtml(FairPage, props, { form: 'elements' }).",
      }),
    );
  if (nonce !== undefined) pass.nonce = nonceText(nonce);
  pass.isStrict = nonce !== undefined || styleAttributes === 'as-rules';
  if (sheets) pass.links = sheets.map((href) => sheetLink(href, ' data-sheet')).join('');
  if (onProblem) pass.onProblem = onProblem;
  if (dev) for (const problem of changedSince()) pass.tell(problem);
  if (registers) {
    const cores = registers.flatMap((component) => componentCore(component) ?? []);
    pass.registered = new Set([...withUsed(cores)].map(({ name }) => name));
  }
  return idPrefix === undefined ? '' : `-${idPrefix}`;
}

function writeAll(
  use: UseNode,
  options: RenderOptions,
  sink: Sink,
): { last: string; styled: ReadonlySet<ComponentCore>; rules: string } {
  // What stands where in inline content is looked at during development; what is unsafe is refused always.
  if (dev) refuse(spotProblems(use));
  const pass = new Pass(options.form, sink);
  const ids = prepare(pass, options);
  pass.loadsInPage = options.loadsIn === 'page' && options.form === 'elements';
  const last = writeUse(use, pass, ids);
  if (pass.problems.length > 0) refuse(pass.problems);
  return { last, styled: pass.styled ?? noStyles, rules: pass.styleRules.take() };
}
