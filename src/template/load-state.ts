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

/** The states are made here alone, so that all outputs ask the same of them. */
export const waitingState: LoadState<never> = {
  isLoading: true,
  isLoaded: false,
  value: undefined,
  fault: undefined,
};

/** Which props were read to load something: a change of others means no other data. */
export const readsOf = /* @__PURE__ */ new WeakMap<LoadState<unknown>, ReadonlySet<string>>();

/** Props that take note of who reads them. */
export function watched(
  props: Readonly<Record<string, unknown>>,
  reads: Set<string>,
): Readonly<Record<string, unknown>> {
  return new Proxy(props, {
    get(all, name) {
      if (typeof name === 'string') reads.add(name);
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
export function loadKey(props: Readonly<Record<string, unknown>>): string | undefined {
  try {
    return JSON.stringify(props, (_name, value) => {
      if (typeof value === 'function' || value instanceof Map || value instanceof Set) throw value;
      return value === undefined ? null : value;
    });
  } catch {
    return undefined;
  }
}
