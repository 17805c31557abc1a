import type { AnyComponent, ComponentCore, Use, UseNode } from '../../component/index.js';
import { failedUse, planContent } from '../../plan/index.js';
import { dev } from '../../problem/index.js';
import { refuse, spotProblems } from '../../tree/index.js';
import { styledIn } from '../facts.js';
import type { Form } from '../form.js';
import { mailHtml } from '../mail/index.js';
import { type PageOptions, pageEnd, pageStart } from '../page.js';
import { Pass, tellOnConsole } from '../pass.js';
import { writeUse } from '../quick.js';
import {
  calledWith,
  joinedCss,
  nonceText,
  prepare,
  type RenderArguments,
  type RenderOptions,
  type Without,
} from '../render.js';
import { styleSheet } from '../styles.js';
import { walkAsReady } from './as-ready.js';
import { Late } from './late.js';
import { type LoadOptions, Loads } from './loads.js';
import { Part, pause, walk } from './part.js';
import { whenAborted } from './when-aborted.js';

/** Options of `renderHtmlAsync`. */
export interface LateOptions extends Without<RenderOptions, 'loadsIn'> {
  /** Aborts the rendering: everything that loads is aborted, and the rendering rejects with the reason of the signal. */
  readonly signal?: AbortSignal;
  /** The `fetch` that `load` receives, for example one that resolves the server's own URLs (default: `globalThis.fetch`). */
  readonly fetch?: typeof globalThis.fetch;
  /**
   * The address that addresses which `load` fetches are resolved against, as a browser does it with that of the page: of a
   * `Request` its `url` (https://fetch.spec.whatwg.org/#dom-request, "API base URL").
   */
  readonly base?: string | URL;
  /** Limits of loads. */
  readonly loads?: LoadOptions;
  /** Writes a whole document, as `renderPage` does. */
  readonly page?: Without<
    PageOptions,
    'form' | 'idPrefix' | 'loadsIn' | 'nonce' | 'onProblem' | 'registers' | 'sheets' | 'styleAttributes'
  >;
}

/** Options of `streamHtml`. */
export interface StreamOptions extends LateOptions {
  /**
   * `in-order` (default): each piece is sent when it and everything before it are ready. `as-ready`: slow content is sent last
   * and a small script moves it to its place; without scripts it stays at the end.
   */
  readonly order?: 'in-order' | 'as-ready';
}

/** What `streamHtml` returns: a stream of bytes that says when it has begun. */
export interface HtmlStream extends ReadableStream<Uint8Array> {
  /**
   * Resolves when the first piece is there to be read, before which no server need have sent a status. It rejects with what
   * went wrong until then, or with the reason for which the reader left.
   */
  readonly started: Promise<void>;
}

/**
 * Renders as `renderHtml` does, once the data of all components in it has been loaded: independent loads at the same
 * time, others as soon as what they depend on is there, equal ones once.
 *
 * @throws LatticeError with all problems, when the tree has errors, a value is wrong, or data that nobody shows a failure of cannot be loaded
 * @example await renderHtmlAsync(GrovePage, { from: 'https://ninefold.example/log.json' })
 * @example await renderHtmlAsync(GrovePage, {}, { page: { title: 'Grove log' }, loads: { timeOut: 2_000 } })
 */
export async function renderHtmlAsync<const Target extends Use | AnyComponent>(
  target: Target,
  ...given: RenderArguments<Target, LateOptions>
): Promise<string> {
  const called = calledWith(target, given[0], given[1]);
  const options = called.options as unknown as LateOptions;
  const { onProblem, page, signal, styles } = options;
  if (!page && !styles && !signal) {
    const text = wholeText(called.use, options);
    if (text !== undefined) return text;
  }
  let html = '';
  for await (const piece of pieces(called)) if (piece !== pause) html += piece;
  return page?.mail ? mailHtml(html, onProblem ?? tellOnConsole, page.base) : html;
}

/**
 * Renders to a stream of bytes (https://streams.spec.whatwg.org/#rs-class): what is ready goes out first, and rows that
 * come one after another are written as they are read, no faster than they are read.
 *
 * The stream fails with a LatticeError where rendering does; what was sent by then is the reader's. A reader that stops
 * stops all that is loading.
 *
 * @example return new Response(streamHtml(GrovePage, {}, { page: { title: 'Grove log' }, signal: request.signal }))
 * @example
 * const body = streamHtml(GrovePage, {}, { page: { title: 'Grove log' }, signal: request.signal });
 * await body.started; // rejects while a server can still answer 500
 * return new Response(body);
 */
export function streamHtml<const Target extends Use | AnyComponent>(
  target: Target,
  ...given: RenderArguments<Target, StreamOptions>
): HtmlStream {
  const stop = new AbortController();
  const texts = chunked(textsSent(target, given[0], given[1], stop));
  const encoder = new TextEncoder();
  let settle: { resolve: () => void; reject: (thrown: unknown) => void } | undefined;
  const started = new Promise<void>((resolve, reject) => {
    settle = { resolve, reject };
  });
  // Who reads the stream is told as well; nobody has to wait for this.
  started.catch(() => undefined);
  const stream = new ReadableStream<Uint8Array>({
    async pull(controller) {
      try {
        const { done, value } = await texts.next();
        if (done) controller.close();
        else controller.enqueue(encoder.encode(value));
        settle?.resolve();
      } catch (thrown) {
        stop.abort(thrown);
        controller.error(thrown);
        settle?.reject(thrown);
      }
    },
    async cancel(reason) {
      const why = reason ?? new DOMException('The reader stopped.', 'AbortError');
      settle?.reject(why);
      stop.abort(why);
      await texts.return(undefined);
    },
  });
  return Object.assign(stream, { started });
}

/** How much text is sent as one. */
const enough = 16_384;

/** Texts put together to pieces that are worth sending, and whatever is ready before a pause. */
async function* chunked(all: AsyncGenerator<string | typeof pause>): AsyncGenerator<string, undefined> {
  let text = '';
  for await (const piece of all) {
    if (piece !== pause) text += piece;
    if (text !== '' && (piece === pause || text.length > enough)) {
      yield text;
      text = '';
    }
  }
  if (text !== '') yield text;
}

/** The texts of a stream: a wrong call fails as it is read, as all that goes wrong does. */
async function* textsSent(
  target: unknown,
  first: unknown,
  second: unknown,
  stop: AbortController,
): AsyncGenerator<string | typeof pause> {
  yield* pieces(calledWith(target, first, second), stop);
}

/** The texts of a rendering. */
async function* pieces(
  called: ReturnType<typeof calledWith>,
  stopper?: AbortController,
): AsyncGenerator<string | typeof pause> {
  const own = stopper ?? new AbortController();
  const { use } = called;
  const options = called.options as unknown as StreamOptions;
  const stop = (reason: unknown) => own.abort(reason);
  const { signal } = options;
  const unfollow = signal && whenAborted(signal, () => stop(signal.reason));
  const { loads: limits = {}, base, fetch } = options;
  const loads = new Loads(limits, own.signal, { base, fetch });
  try {
    const { part, pass } = begin(use, options, loads, own.signal, stopper !== undefined);
    const styled = options.page || options.styles ? styledOf(use, options.form ?? 'markup') : noStyles;
    // Those of what is there by now stand before it, all others behind what they are of.
    const rules = pass.styleRules.take();
    if (options.page)
      yield pageStart(
        {
          ...options.page,
          ...(options.sheets && { sheets: options.sheets }),
          ...(options.nonce !== undefined && { nonce: options.nonce }),
        },
        styled,
        rules,
      );
    else if (options.styles && (styled.size > 0 || rules !== ''))
      yield `<style${nonceText(options.nonce)}>${joinedCss(styleSheet(styled), rules)}</style>`;
    const all = options.order === 'as-ready' ? walkAsReady(part, options.nonce) : walk(part);
    for await (const piece of all) {
      own.signal.throwIfAborted();
      refuse(pass.problems);
      yield piece;
    }
    own.signal.throwIfAborted();
    refuse(pass.problems);
    const more = pass.styleRules.take();
    if (more !== '') yield `<style${nonceText(options.nonce)}>${more}</style>`;
    if (options.page) yield pageEnd;
  } finally {
    unfollow?.();
    // Whatever is still loading is loaded for nobody.
    if (loads.isRunning) stop(new DOMException('The rendering is over.', 'AbortError'));
  }
}

/** Writes all that is there at once, and starts what has to be waited for. */
function begin(
  use: UseNode,
  options: LateOptions,
  loads: Loads,
  signal: AbortSignal,
  isSent: boolean,
): { part: Part; pass: Pass } {
  try {
    if (dev) refuse(spotProblems(use));
    const atOnce = isSent ? undefined : textAtOnce(use, options);
    if (atOnce) {
      const part = new Part();
      part.take(atOnce.text);
      return { part, pass: atOnce.pass };
    }
    const pass = new Pass(options.form);
    const ids = prepare(pass, options);
    const late = new Late(pass, loads, signal, isSent);
    const part = late.whole(() => writeUse(use, pass, ids));
    refuse(pass.problems);
    return { part, pass };
  } catch (thrown) {
    throw failedUse(thrown, use);
  }
}

/** Components in whose renderings something had to be waited for. */
const waits = new WeakSet<ComponentCore>();

/** The text of a use alone; undefined where something in it has to be waited for. */
function wholeText(use: UseNode, options: LateOptions): string | undefined {
  try {
    if (dev) refuse(spotProblems(use));
    return textAtOnce(use, options)?.text;
  } catch (thrown) {
    throw failedUse(thrown, use);
  }
}

/** All there is to write, as `renderHtml` writes it; undefined where something in it has to be waited for. */
function textAtOnce(
  use: UseNode,
  options: LateOptions,
): { readonly text: string; readonly pass: Pass } | undefined {
  if (waits.has(use.component)) return undefined;
  const pass = new Pass(options.form);
  const ids = prepare(pass, options);
  // Rules that stand for style attributes are asked for as they come.
  if (pass.isStrict) return undefined;
  const { onProblem } = pass;
  const told: Parameters<Pass['onProblem']>[] = [];
  pass.onProblem = (...one) => void told.push(one);
  const text = writeUse(use, pass, ids);
  if (pass.problems.some(({ code }) => code === 'async-needed')) {
    waits.add(use.component);
    return undefined;
  }
  pass.onProblem = onProblem;
  for (const one of told) onProblem(...one);
  refuse(pass.problems);
  return { text, pass };
}

const noStyles: ReadonlySet<ComponentCore> = new Set();

/** The components whose rules the whole page may need: they stand before its content, which is not written yet. */
function styledOf(use: UseNode, form: Form): ReadonlySet<ComponentCore> {
  const all = new Set<ComponentCore>();
  for (const one of planContent(use).content.uses)
    for (const styled of styledIn(one.component, form)) all.add(styled);
  return all;
}
