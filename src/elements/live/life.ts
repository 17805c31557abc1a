import type { Instance, Part } from './instance.js';

type Work = ((context: never, ...args: never[]) => unknown) | undefined;

/**
 * What a component does when its element is put into the document, with a signal that tells when it has left, and
 * when a prop changes meanwhile.
 */
export function life(
  connected: Work,
  reactions: Readonly<Record<string, Work>> = {},
): (instance: Instance) => Part {
  return (instance) => {
    let leaving: AbortController | undefined;
    const call = (name: string, work: Work, ...args: readonly unknown[]): void => {
      const change = (changes: unknown): void => instance.change(changes);
      if (leaving) instance.call(name, work, { signal: leaving.signal, change }, args);
    };
    return {
      enter() {
        if (leaving) return;
        leaving = new AbortController();
        call('connected', connected);
      },
      leave() {
        leaving?.abort();
        leaving = undefined;
      },
      changed: (prop, before) => call(prop, reactions[prop], before),
    };
  };
}
