/** What went wrong, in words for developers. */
export interface LoadFault {
  readonly message: string;
}

/** What a component's `load` has come to as yet. */
export interface LoadState<Data> {
  /** Whether an answer is being waited for; with `reload` what was loaded before still is there. */
  readonly isLoading: boolean;
  readonly isLoaded: boolean;
  /** What was loaded; nothing before it is, and where it failed. */
  readonly value: Data | undefined;
  readonly fault: LoadFault | undefined;
}

type Values = Readonly<Record<string, unknown>>;

/** How long a load, and each of its rows, may take unless the component or the rendering says otherwise, in milliseconds. */
export const usualTimeOut = 10_000;

/** The states are made here alone, so that all outputs ask the same of them. */
export const waitingState: LoadState<never> = {
  isLoading: true,
  isLoaded: false,
  value: undefined,
  fault: undefined,
};

/** What a state was loaded for: a change of other props means no other data. */
export interface LoadedFor {
  readonly reads: ReadonlySet<string>;
  readonly props: Values;
}

export const loadedFor = /* @__PURE__ */ new WeakMap<LoadState<unknown>, LoadedFor>();

/** Props that take note of who reads them. */
export function watched(props: Values, reads: Set<string>): Values {
  return new Proxy(props, {
    get(all, name) {
      if (typeof name === 'string') reads.add(name);
      return all[name as string];
    },
  });
}

/** The fields of a state by names that no prop has, for what a load reads. */
export function stateValues(state: object | undefined): Values {
  return Object.fromEntries(Object.entries(state ?? {}).map(([name, value]) => [`state ${name}`, value]));
}

/** A state that takes note of who reads it, among the props that do. */
export function watchedState(state: object | undefined, reads: Set<string>): Values {
  return new Proxy((state ?? {}) as Values, {
    get(all, name) {
      if (typeof name === 'string') reads.add(`state ${name}`);
      return all[name as string];
    },
  });
}

export function loadedState<Data>(value: Data): LoadState<Data> {
  return { isLoading: false, isLoaded: true, value, fault: undefined };
}

export function failedState(message: string): LoadState<never> {
  return { isLoading: false, isLoaded: false, value: undefined, fault: { message } };
}

/** What tells loads of a component from one another; nothing where its props are more than data. */
export function loadKey(props: Values): string | undefined {
  try {
    return JSON.stringify(props, (_name, value) => {
      if (typeof value === 'function' || value instanceof Map || value instanceof Set) throw value;
      return value;
    });
  } catch {
    return undefined;
  }
}

/**
 * Returns a number that tells the value of a prop from others, the same on a server and in a page (FNV-1a, 32 bits);
 * undefined where the value is more than data.
 */
export function propHash(value: unknown): number | undefined {
  const text = loadKey({ value });
  if (text === undefined) return undefined;
  let hash = 0x811c9dc5;
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
  return hash >>> 0;
}

/** `fetch` as a load has it: it stops with the load, and with a signal that the author gives it besides. */
export function fetching(fetch: typeof globalThis.fetch, signal: AbortSignal): typeof globalThis.fetch {
  return (input, init) => {
    const own = init?.signal;
    return fetch(input, { ...init, signal: own && own !== signal ? AbortSignal.any([own, signal]) : signal });
  };
}

/** A longer time is none to a timer (https://html.spec.whatwg.org/#timers, "timeout" is a signed 32-bit integer). */
export const mostTimeOut = 0x7fffffff;

/** What a load, or a row of one, failed with that took longer than it may. */
export const lateError = (ms: number): Error => new Error(`it took longer than ${ms} ms`);

/** Waits for something, but no longer than some milliseconds: then it fails, and `stop` is called with the reason. */
export function within<Found>(
  work: PromiseLike<Found>,
  ms: number,
  stop: (reason: Error) => void,
): Promise<Found> {
  if (ms > mostTimeOut) return Promise.resolve(work);
  return new Promise((done, fail) => {
    const timer = setTimeout(() => {
      const late = lateError(ms);
      fail(late);
      stop(late);
    }, ms);
    work.then(done, fail);
    work.then(
      () => clearTimeout(timer),
      () => clearTimeout(timer),
    );
  });
}
