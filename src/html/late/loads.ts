import pLimit from 'p-limit';
import pRetry, { AbortError } from 'p-retry';
import type { ComponentCore } from '../../component/index.js';
import { reasonOf } from '../../problem/index.js';
import {
  failedState,
  isAsyncRows,
  type LoadState,
  loadedState,
  loadKey,
  readsOf,
  watched,
} from '../../template/index.js';

/** How a rendering waits for what its components load. */
export interface LoadOptions {
  /** How many are under way at the same time; 8 unless said. */
  readonly atOnce?: number;
  /** How long one may take, in milliseconds, each try by itself; 10,000 unless said. */
  readonly timeOut?: number;
  /** How often one that failed is tried again; never unless said. */
  readonly retries?: number;
  /** How long to wait before the first further try, in milliseconds, twice as long before each next; 100 unless said. */
  readonly retryAfter?: number;
}

type Fetch = typeof globalThis.fetch;

/** What the components of one rendering load: equal loads once, so many at a time, each for so long. */
export class Loads {
  /** Made for the first load: most pages have none. */
  private limit: ReturnType<typeof pLimit> | undefined;
  private readonly options: LoadOptions;
  private readonly signal: AbortSignal;
  private readonly fetch: Fetch;
  private readonly known = new Map<ComponentCore, Map<string, Promise<LoadState<unknown>>>>();

  constructor(options: LoadOptions, signal: AbortSignal, fetch: Fetch = globalThis.fetch) {
    this.options = options;
    this.signal = signal;
    this.fetch = fetch;
  }

  /** Whether anything has been loaded. */
  get isUsed(): boolean {
    return this.limit !== undefined;
  }

  /** What a component's load comes to with some props; it never fails, what failed is a state. */
  state(component: ComponentCore, props: Readonly<Record<string, unknown>>): Promise<LoadState<unknown>> {
    const key = loadKey(props);
    if (key === undefined) return this.start(component, props);
    const known = this.known.get(component) ?? new Map<string, Promise<LoadState<unknown>>>();
    this.known.set(component, known);
    const before = known.get(key);
    const state = before ?? this.start(component, props);
    known.set(key, state);
    if (!before) return state;
    // Rows that come one after another can be read only once.
    return before.then((one) => (isAsyncRows(one.value) ? this.start(component, props) : one));
  }

  private start(
    component: ComponentCore,
    props: Readonly<Record<string, unknown>>,
  ): Promise<LoadState<unknown>> {
    const { atOnce = 8, retries = 0, retryAfter = 100 } = this.options;
    this.limit ??= pLimit(Math.max(1, atOnce));
    const reads = new Set<string>();
    const seen = watched(props, reads);
    const tried = (): Promise<unknown> =>
      pRetry(() => this.once(component, seen), {
        retries,
        minTimeout: retryAfter,
        signal: this.signal,
        onFailedAttempt: () => {
          if (this.signal.aborted) throw new AbortError('aborted');
        },
      });
    const state = this.limit(tried).then(loadedState<unknown>, (thrown) => failedState(reasonOf(thrown)));
    return state.then((one) => {
      readsOf.set(one, reads);
      return one;
    });
  }

  /** One try, for as long as it may take. */
  private async once(component: ComponentCore, props: Readonly<Record<string, unknown>>): Promise<unknown> {
    const { timeOut = 10_000 } = this.options;
    const own = new AbortController();
    const stop = (): void => own.abort(this.signal.reason);
    this.signal.addEventListener('abort', stop, { once: true });
    if (this.signal.aborted) stop();
    let timer: ReturnType<typeof setTimeout> | undefined;
    const { fetch } = this;
    const load = component.load as ((context: object) => unknown) | undefined;
    try {
      const given = (async () =>
        load?.({
          props,
          signal: own.signal,
          fetch: (input: string | URL, init?: RequestInit) => fetch(input, { signal: own.signal, ...init }),
        }))();
      const late = new Promise<never>((_done, fail) => {
        own.signal.addEventListener('abort', () => fail(own.signal.reason), { once: true });
        if (own.signal.aborted) fail(own.signal.reason);
        timer = setTimeout(() => own.abort(new Error(`it took longer than ${timeOut} ms`)), timeOut);
      });
      return await Promise.race([given, late]);
    } catch (thrown) {
      // What is thrown that is no error, such as a text, is one all the same.
      throw thrown instanceof TypeError || !(thrown instanceof Error) ? new Error(reasonOf(thrown)) : thrown;
    } finally {
      clearTimeout(timer);
      this.signal.removeEventListener('abort', stop);
    }
  }
}
