import { finding, reasonOf } from '../../problem/index.js';
import { isAsyncRows } from '../../template/async-rows.js';
import {
  failedState,
  fetching,
  type LoadFault,
  type LoadState,
  loadedState,
  loadKey,
  propHash,
  stateValues,
  usualTimeOut,
  waitingState,
  watched,
  watchedState,
  within,
} from '../../template/load-state.js';
import type { Feature, Instance } from './instance.js';
import { report } from './report.js';

type State = LoadState<unknown>;
type Values = Readonly<Record<string, unknown>>;

/** A component's `load`. */
export type Load = ((context: never) => unknown) | undefined;

/** An element that waits for something, or shows it. */
interface Reader {
  show(state: State): void;
  /** Loads for its own props, where they are others by now than those that were read. */
  isStale(read: Values, reads: ReadonlySet<string>): boolean;
  join(): void;
}

/** What elements with equal props load together, once, as long as one of them is on the page. */
interface Shared {
  state: State;
  stop: AbortController | undefined;
  /** The props, and fields of the state, that were read for it, and what they were. */
  reads: Set<string>;
  read: Values;
  /** What was thrown, where it failed. */
  thrown?: unknown;
  readonly readers: Set<Reader>;
}

/** How often rows that come one after another are shown, in milliseconds. */
const often = 40;

/** Thrown by a place that shows why a load failed on the server, which a page does not know: the place stays as it is. */
const unsaid: LoadFault = {
  get message(): string {
    throw unsaid;
  },
};

/**
 * What an element loads: when it is there, when a prop changes, when it is asked to; given up when it has left. Whether it
 * reads the state, and keeps what it had while it loads for another prop, is said.
 */
export function loading(
  load: Load,
  timeOut = usualTimeOut,
  readsState?: boolean,
  keeps?: boolean,
): (instance: Instance) => Feature {
  const all = new Map<string, Shared>();
  return (instance) => {
    const { host, live, scope } = instance;
    let key: string | undefined;
    let own: Shared | undefined;
    let isAsked = false;
    let taken = new Set<string>();
    const values = (): Values =>
      readsState ? { ...instance.props, ...stateValues(scope.state) } : instance.props;
    const show = (state: State): void => {
      if (state === scope.data) return;
      scope.data = state;
      instance.changed(live.mask.data);
      const { fault } = state;
      if (!fault) return;
      const thrown = own?.thrown;
      report(
        instance,
        finding('load-failed', { component: live.name, reason: fault.message }),
        ...(thrown === undefined ? [] : [thrown]),
      );
      instance.failed?.(fault.message);
    };
    const drop = (): void => {
      own?.readers.delete(reader);
      if (own?.readers.size === 0) {
        own.stop?.abort();
        if (key !== undefined && all.get(key) === own) all.delete(key);
      }
      own = undefined;
    };
    /** Shares what equal elements load, or starts it. */
    const join = (known?: State): void => {
      const props = loadKey(values());
      const before = scope.data as State;
      if (own && props !== undefined && props === key) return;
      drop();
      key = props;
      const shared: Shared = (key !== undefined && all.get(key)) || {
        state: known ?? (keeps && before.isLoaded ? { ...before, isLoading: true } : waitingState),
        stop: undefined,
        reads: known ? taken : new Set(),
        read: values(),
        readers: new Set(),
      };
      own = shared;
      if (key !== undefined) all.set(key, shared);
      shared.readers.add(reader);
      if (!known && !shared.stop && shared.state.isLoading) start(shared);
      show(shared.state);
    };
    const isOther = (read: Values, reads: ReadonlySet<string>): boolean => {
      const now = values();
      return [...reads].some((name) => !Object.is(read[name], now[name]));
    };
    const reader: Reader = {
      show,
      join,
      isStale: (read, reads) => (key === undefined || loadKey(values()) !== key) && isOther(read, reads),
    };
    const start = (shared: Shared): void => {
      shared.stop?.abort();
      const stop = new AbortController();
      const { signal } = stop;
      shared.stop = stop;
      shared.reads = new Set();
      const read = values();
      shared.read = read;
      const props = watched(instance.props, shared.reads);
      const state = watchedState(readsState ? { ...scope.state } : undefined, shared.reads);
      // What comes when another answer is waited for, or nobody is, is stale.
      const set = (state: State): void => {
        if (shared.stop !== stop) return;
        shared.state = state;
        for (const one of [...shared.readers]) {
          // A prop may have changed before `load` came to read it.
          if (one.isStale(read, shared.reads)) one.join();
          else one.show(state);
        }
      };
      let isLate = false;
      const limited = <Found>(work: PromiseLike<Found>): Promise<Found> =>
        within(work, timeOut, (reason) => {
          isLate = true;
          stop.abort(reason);
        });
      const given = async (): Promise<void> => {
        const work = (async () =>
          (load as ((context: object) => unknown) | undefined)?.({
            props,
            state,
            signal,
            fetch: fetching((...args) => fetch(...args), signal),
          }))();
        const value = await limited(work);
        if (isAsyncRows(value)) await gather(value, signal, set, limited);
        else if (!signal.aborted) set(loadedState(value));
      };
      given().catch((thrown) => {
        // What nobody waits for any more did not fail; what took too long did.
        if (signal.aborted && !isLate) return;
        shared.thrown = thrown;
        set(failedState(reasonOf(thrown)));
      });
    };
    const soon = (): void => {
      if (isAsked) return;
      isAsked = true;
      queueMicrotask(() => {
        isAsked = false;
        if (own) join();
      });
    };
    instance.reload = () => {
      if (!own) return;
      const { state } = own;
      // What failed is no answer to keep.
      own.state = state.fault ? waitingState : { ...state, isLoading: true };
      for (const one of own.readers) one.show(own.state);
      start(own);
    };
    return {
      before() {
        // It is shown anew where it had failed.
        scope.data = own ? own.state : waitingState;
        if (own) return;
        const block = host.shadowRoot?.querySelector('[data-loaded]');
        if (!block) return;
        block.remove();
        const { failed, of, value } = JSON.parse(block.textContent ?? '{}');
        const now = values();
        // What was loaded for other props is no answer.
        if (Object.keys(of).some((name) => of[name] !== propHash(now[name]))) return;
        taken = new Set(Object.keys(of));
        scope.data = failed ? { ...waitingState, isLoading: false, fault: unsaid } : loadedState(value);
        if (!failed) return;
        const { fail } = instance;
        instance.fail = (thrown) => {
          if (thrown !== unsaid) fail.call(instance, thrown);
        };
      },
      enter() {
        const state = scope.data as State;
        // What a server loaded is not loaded again.
        if (!own) join(state === waitingState ? undefined : state);
      },
      leave() {
        drop();
        scope.data = waitingState;
        instance.changed(live.mask.data);
      },
      changed(prop) {
        if (own?.reads.has(prop)) soon();
      },
      ...(readsState && {
        stated() {
          if (own && isOther(own.read, own.reads)) soon();
        },
      }),
    };
  };
}

/** Rows that come one after another, shown as they come. */
async function gather(
  rows: AsyncIterable<unknown>,
  signal: AbortSignal,
  set: (state: State) => void,
  limited: <Found>(work: PromiseLike<Found>) => Promise<Found>,
): Promise<void> {
  const all: unknown[] = [];
  let shown = 0;
  const items = rows[Symbol.asyncIterator]();
  try {
    for (;;) {
      const { done, value } = await limited(items.next());
      if (signal.aborted) return;
      if (done) break;
      all.push(value);
      if (performance.now() - shown < often) continue;
      shown = performance.now();
      set({ ...loadedState([...all]), isLoading: true });
    }
  } finally {
    items.return?.()?.catch(() => undefined);
  }
  set(loadedState(all));
}
