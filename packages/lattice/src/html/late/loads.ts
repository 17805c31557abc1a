import pLimit from 'p-limit';
import pRetry, { AbortError } from 'p-retry';
import type { ComponentCore } from '../../component/index.js';
import { fullReason, reasonOf } from '../../problem/index.js';
import {
  failedState,
  fetching,
  isAsyncRows,
  type LoadState,
  loadedFor,
  loadedState,
  loadKey,
  stateValues,
  usualTimeOut,
  watched,
  watchedState,
  within,
} from '../../template/index.js';
import type { LoadPool } from './load-pool.js';
import { StartedRows } from './started-rows.js';
import { whenAborted } from './when-aborted.js';

/** Limits of loads: the option `loads`. */
export interface LoadOptions {
  /** How many loads of this rendering run at the same time (default: 8). */
  readonly atOnce?: number;
  /** A limit that this rendering shares with others: `loadPool(32)`. */
  readonly pool?: LoadPool;
  /**
   * The time limit in milliseconds for each try and for each item of an async iterable (default: the component's
   * `loadTimeOut`, or 10,000).
   */
  readonly timeOut?: number;
  /** How often a failed load is retried (default: 0). */
  readonly retries?: number;
  /** The delay in milliseconds before the first retry; it doubles for each further one (default: 100). */
  readonly retryAfter?: number;
}

/** How many loads run at the same time where nobody says. */
const usualAtOnce = 8;

type Fetch = typeof globalThis.fetch;
type State = LoadState<unknown>;
type Values = Readonly<Record<string, unknown>>;

/** The address that others are resolved against. */
function absoluteBase(base: string | URL): string {
  if (URL.canParse(base)) return String(base);
  throw new TypeError(
    `The option base is the whole address of the page, but received ${JSON.stringify(base)}. With node:http: { base: new URL(request.url, 'https://ninefold.example') }.`,
  );
}

/** `fetch` where there is no page: an address alone does not say of which server it is. */
const fetchAbsolute: Fetch = (input, init) => {
  if (!(input instanceof Request) && !URL.canParse(input))
    throw new TypeError(
      `a server has no page that ${JSON.stringify(String(input))} could be an address of; pass { base: request.url } to the rendering, or a fetch of your own`,
    );
  return globalThis.fetch(input, init);
};

/** What a load threw, whatever that is, with the address that it asked last. */
class Failed extends Error {
  readonly address: string | undefined;

  constructor(cause: unknown, address: string | undefined) {
    super('', { cause });
    this.address = address;
  }
}

const failures = new WeakMap<State, Failed>();

/** Returns what a load threw, and why it failed, for the server alone: a state is what a page may show of it. */
export function failureOf(state: State): { readonly cause: unknown; readonly reason: string } {
  const failed = failures.get(state);
  if (!failed) return { cause: undefined, reason: state.fault?.message ?? '' };
  const reason = fullReason(failed.cause);
  const isNamed = failed.address === undefined || reason.includes(failed.address);
  return { cause: failed.cause, reason: isNamed ? reason : `${reason} (${failed.address})` };
}

/** Returns the state of a load that threw something. */
export function failedWith(thrown: unknown): State {
  const failed = thrown instanceof Failed ? thrown : new Failed(thrown, undefined);
  const state = failedState(reasonOf(failed.cause));
  failures.set(state, failed);
  return state;
}

/** What the components of one rendering load: equal loads once, so many at a time, each for so long. */
export class Loads {
  /** Made for the first load: most pages have none. */
  private limit: ReturnType<typeof pLimit> | undefined;
  private readonly options: LoadOptions;
  private readonly signal: AbortSignal;
  private readonly fetch: Fetch;
  private readonly base: string | undefined;
  private readonly known = new Map<ComponentCore, Map<string, Promise<State>>>();

  constructor(
    options: LoadOptions,
    signal: AbortSignal,
    { base, fetch }: { readonly base?: string | URL | undefined; readonly fetch?: Fetch | undefined },
  ) {
    this.options = options;
    this.signal = signal;
    this.base = base === undefined ? undefined : absoluteBase(base);
    // Where there is a page, as in a browser, addresses are resolved against its own.
    this.fetch = fetch ?? ('location' in globalThis ? globalThis.fetch : fetchAbsolute);
  }

  /** How many loads run at the same time. */
  get atOnce(): number {
    return Math.max(1, this.options.atOnce ?? usualAtOnce);
  }

  /** How many have not come to their end. */
  private running = 0;

  /** Whether anything is still being loaded, or read row by row. */
  get isRunning(): boolean {
    return this.running > 0;
  }

  /** What a component's load comes to with some props; it never fails, what failed is a state. */
  state(component: ComponentCore, props: Values): Promise<State> {
    const key = loadKey(props);
    if (key === undefined) return this.start(component, props);
    const known = this.known.get(component) ?? new Map<string, Promise<State>>();
    this.known.set(component, known);
    const before = known.get(key);
    const state = before ?? this.start(component, props);
    known.set(key, state);
    if (!before) return state;
    // Rows that come one after another can be read only once.
    return before.then((one) => (isAsyncRows(one.value) ? this.start(component, props) : one));
  }

  private start(component: ComponentCore, props: Values): Promise<State> {
    const { pool, retries = 0 } = this.options;
    this.limit ??= pLimit(this.atOnce);
    const reads = new Set<string>();
    const state = component.state?.(props);
    const seen = { props: watched(props, reads), state: watchedState(state, reads) };
    this.running++;
    const once = (): Promise<unknown> => this.once(component, seen);
    const tried = retries > 0 ? () => once().catch((thrown) => this.again(thrown, once)) : once;
    const inTurn = pool ? () => pool.run(tried) : tried;
    const loaded = this.limit(inTurn).then((value) => loadedState(value), failedWith);
    return loaded.then((one) => {
      // Rows that are still to be read stop with the rendering.
      if (!isAsyncRows(one.value)) this.running--;
      loadedFor.set(one, { reads, props: { ...props, ...stateValues(state) } });
      return one;
    });
  }

  /** More tries after one that failed: most loads need none, and nothing of what tries take. */
  private again(failed: unknown, once: () => Promise<unknown>): Promise<unknown> {
    const { retries = 0, retryAfter = 100 } = this.options;
    const refuseAborted = (): void => {
      if (this.signal.aborted) throw new AbortError('aborted');
    };
    const tries = (number: number): Promise<unknown> => (number === 1 ? Promise.reject(failed) : once());
    const own = new AbortController();
    const unfollow = whenAborted(this.signal, () => own.abort(this.signal.reason));
    const options = { retries, minTimeout: retryAfter, signal: own.signal, onFailedAttempt: refuseAborted };
    return pRetry(tries, options).finally(unfollow);
  }

  /** One try, for as long as it may take. */
  private async once(
    component: ComponentCore,
    seen: { readonly props: Values; readonly state: Values },
  ): Promise<unknown> {
    const timeOut = this.options.timeOut ?? component.loadTimeOut ?? usualTimeOut;
    const own = new AbortController();
    const stop = (reason: unknown): void => own.abort(reason);
    const { signal } = this;
    const unfollow = whenAborted(signal, () => stop(signal.reason));
    const given = fetching(this.fetch, own.signal);
    let address: string | undefined;
    const fetch: Fetch = (input, init) => {
      address = input instanceof Request ? input.url : String(input);
      if (this.base === undefined || input instanceof Request) return given(input, init);
      address = new URL(address, this.base).href;
      return given(address, init);
    };
    const load = component.load as ((context: object) => unknown) | undefined;
    try {
      const work = (async () => load?.({ ...seen, signal: own.signal, fetch }))();
      const value = await within(untilAborted(work, own.signal), timeOut, stop);
      if (isAsyncRows(value)) return await StartedRows.of(value, timeOut, own.signal, stop);
      unfollow();
      return value;
    } catch (thrown) {
      unfollow();
      throw new Failed(thrown, address);
    }
  }
}

/** Waits for something until a signal aborts. */
function untilAborted<Found>(work: Promise<Found>, signal: AbortSignal): Promise<Found> {
  return new Promise((done, fail) => {
    const end = whenAborted(signal, () => fail(signal.reason));
    work.then(done, fail).then(end);
  });
}
