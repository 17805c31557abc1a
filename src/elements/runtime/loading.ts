import { finding, reasonOf } from '../../problem/index.js';
import { isAsyncRows } from '../../template/async-rows.js';
import {
  failedState,
  type LoadState,
  loadedState,
  loadKey,
  waitingState,
  watched,
} from '../../template/load-state.js';
import type { Feature, Instance } from './instance.js';

type State = LoadState<unknown>;

/** A component's `load`. */
export type Load = ((context: never) => unknown) | undefined;

/** What elements with equal props load together, once, as long as one of them is on the page. */
interface Shared {
  state: State;
  stop: AbortController | undefined;
  /** The props that were read for it. */
  reads: Set<string>;
  readonly shows: Set<(state: State) => void>;
}

/** How often rows that come one after another are shown, in milliseconds. */
const often = 40;

/** What an element loads: when it is there, when a prop changes, when it is asked to; given up when it has left. */
export function loading(load: Load): (instance: Instance) => Feature {
  const all = new Map<string, Shared>();
  return (instance) => {
    const { host, live, scope } = instance;
    let key: string | undefined;
    let own: Shared | undefined;
    let isAsked = false;
    let taken = new Set<string>();
    const show = (state: State): void => {
      if (state === scope.data) return;
      scope.data = state;
      instance.changed(live.mask('data'));
      const { fault } = state;
      if (!fault) return;
      instance.report(finding('load-failed', { component: live.name, reason: fault.message }));
      instance.failed?.(fault.message);
    };
    const drop = (): void => {
      own?.shows.delete(show);
      if (own?.shows.size === 0) {
        own.stop?.abort();
        if (key !== undefined && all.get(key) === own) all.delete(key);
      }
      own = undefined;
    };
    /** Shares what equal elements load, or starts it. */
    const join = (known?: State): void => {
      const props = loadKey(instance.props);
      if (own && props !== undefined && props === key) return;
      drop();
      key = props;
      const shared = (key !== undefined && all.get(key)) || {
        state: known ?? waitingState,
        stop: undefined,
        reads: known ? taken : new Set(),
        shows: new Set(),
      };
      own = shared;
      if (key !== undefined) all.set(key, shared);
      shared.shows.add(show);
      if (!known && !shared.stop && shared.state === waitingState) start(shared);
      show(shared.state);
    };
    const start = (shared: Shared): void => {
      shared.stop?.abort();
      const stop = new AbortController();
      const { signal } = stop;
      shared.stop = stop;
      shared.reads = new Set();
      const props = watched(instance.props, shared.reads);
      // What comes when another answer is waited for, or nobody is, is stale.
      const set = (state: State): void => {
        if (signal.aborted || shared.stop !== stop) return;
        shared.state = state;
        for (const one of shared.shows) one(state);
      };
      const given = async (): Promise<void> => {
        const value = await (load as ((context: object) => unknown) | undefined)?.({
          props,
          signal,
          fetch: (input: string | URL, init?: RequestInit) => fetch(input, { signal, ...init }),
        });
        if (isAsyncRows(value)) await gather(value, signal, set);
        else set(loadedState(value));
      };
      given().catch((thrown) => set(failedState(reasonOf(thrown))));
    };
    instance.reload = () => {
      if (!own) return;
      const { state } = own;
      own.state = { ...state, isLoading: true };
      for (const one of own.shows) one(own.state);
      start(own);
    };
    return {
      before() {
        scope.data = waitingState;
        const block = host.shadowRoot?.querySelector('[data-loaded]');
        if (!block) return;
        block.remove();
        const { fault, of, value } = JSON.parse(block.textContent ?? '{}');
        taken = new Set(of);
        scope.data = fault === undefined ? loadedState(value) : failedState(fault);
      },
      enter() {
        const state = scope.data as State;
        // What a server loaded is not loaded again.
        if (!own) join(state === waitingState ? undefined : state);
      },
      leave() {
        drop();
        scope.data = waitingState;
        instance.changed(live.mask('data'));
      },
      changed(prop) {
        if (isAsked || !own?.reads.has(prop)) return;
        isAsked = true;
        queueMicrotask(() => {
          isAsked = false;
          if (own) join();
        });
      },
    };
  };
}

/** Rows that come one after another, shown as they come. */
async function gather(
  rows: AsyncIterable<unknown>,
  signal: AbortSignal,
  set: (state: State) => void,
): Promise<void> {
  const all: unknown[] = [];
  let shown = 0;
  for await (const row of rows) {
    if (signal.aborted) return;
    all.push(row);
    if (performance.now() - shown < often) continue;
    shown = performance.now();
    set({ ...loadedState([...all]), isLoading: true });
  }
  set(loadedState(all));
}
