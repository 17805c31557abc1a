import { changing } from './acting.js';
import { continued, type Feature, type Instance, isSettled, roundNow, settled } from './instance.js';

/** Runs a component's function when its changes are in the page, with the names of what has changed. */
export function showing(work: unknown): (instance: Instance) => Feature {
  return (instance) => {
    /** What has changed and is not in the page, and what is since the function ran. */
    let pending = new Set<string>();
    let changed = new Set<string>();
    let isAwaited = false;
    const run = async (round: number): Promise<void> => {
      // Others may have changed something since.
      do await settled();
      while (!isSettled());
      isAwaited = false;
      const given = { changed, change: changing(instance) };
      changed = new Set();
      if (instance.block && instance.host.isConnected)
        continued(round, () => instance.call('shown', work, given, []));
    };
    const soon = (): void => {
      for (const name of pending) changed.add(name);
      pending = new Set();
      if (!isAwaited) void run(roundNow());
      isAwaited = true;
    };
    const { change, scope } = instance;
    instance.change = (changes) => {
      const before: Readonly<Record<string, unknown>> = { ...scope.state };
      change.call(instance, changes);
      for (const name in changes as object)
        if (!Object.is(before[name], (scope.state as Record<string, unknown> | undefined)?.[name]))
          pending.add(name);
    };
    return { after: soon, shown: soon, changed: (prop) => void pending.add(prop) };
  };
}
