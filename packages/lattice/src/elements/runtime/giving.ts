import type { Feature, Instance } from './instance.js';

type Work = ((context: object, ...args: readonly unknown[]) => unknown) | undefined;

/**
 * Gives each call of a function a signal that aborts when the same function is called again. What an aborted call returns or
 * throws is ignored.
 */
export function giving(): (instance: Instance) => Feature {
  return (instance) => {
    const running = new Map<string, AbortController>();
    const { call } = instance;
    instance.call = (name, work, more, args) => {
      running.get(name)?.abort();
      const own = new AbortController();
      running.set(name, own);
      const { signal } = own;
      const given: Work = (context, ...all) => {
        const outcome = (work as Work)?.(context, ...all);
        if (!(outcome instanceof Promise)) return outcome;
        return outcome.then(
          (changes) => (signal.aborted ? undefined : changes),
          (thrown) => {
            if (!signal.aborted) throw thrown;
          },
        );
      };
      call.call(instance, name, given, { latest: signal, ...more }, args);
    };
    return {
      leave() {
        for (const one of running.values()) one.abort();
        running.clear();
      },
    };
  };
}
