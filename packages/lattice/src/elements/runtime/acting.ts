import { type Feature, type Instance, settled } from './instance.js';

/** Changes an element's state from outside a handler's answer: by fields, or by a function of the state as it is then. */
export function changing(instance: Instance): (changes: unknown) => Promise<void> {
  return (changes) => {
    instance.change(typeof changes === 'function' ? changes({ ...instance.scope.state }) : changes);
    return settled();
  };
}

type Work = (context: object, ...args: readonly unknown[]) => unknown;

/**
 * What handlers are given that wait for something: a signal that tells when the element has left, how to change the state
 * meanwhile, how to load anew. What stops because the element has left did not fail.
 */
export function acting(): (instance: Instance) => Feature {
  return (instance) => {
    let leaving: AbortController | undefined;
    const { call } = instance;
    instance.call = (name, work, more, args) => {
      leaving ??= new AbortController();
      const { signal } = leaving;
      const given = {
        signal,
        change: changing(instance),
        reload: () => instance.reload?.(),
        ...more,
      };
      const quiet: Work = (context, ...all) => {
        const outcome = (work as Work | undefined)?.(context, ...all);
        if (!(outcome instanceof Promise)) return outcome;
        return outcome.catch((thrown) => {
          if (!given.signal.aborted) throw thrown;
        });
      };
      call.call(instance, name, quiet, given, args);
    };
    return {
      leave() {
        leaving?.abort();
        leaving = undefined;
      },
    };
  };
}
