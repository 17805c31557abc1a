import { changing } from './acting.js';
import { instanceOf } from './element.js';
import { type Feature, following, type Instance } from './instance.js';
import type { LiveClass } from './live.js';

interface LiveElement extends HTMLElement {
  readonly [instanceOf]: Instance;
}

/** Lets the parts of a class's elements know when one has left the document. */
export function leaving(): (made: LiveClass) => void {
  return (made) => {
    Object.assign(made.prototype, {
      disconnectedCallback(this: LiveElement) {
        // A move is a leave and a return in one turn: only who is still out then has left.
        queueMicrotask(() => {
          if (!this.isConnected) this[instanceOf].each?.('leave');
        });
      },
      /** Moved by the browser in one step: nothing is lost, but what is around it may be something else. */
      connectedMoveCallback(this: LiveElement) {
        this[instanceOf].each?.('enter');
      },
    });
  };
}

type Work = ((context: never, ...args: never[]) => unknown) | undefined;

/**
 * What a component does when its element is put into the document, with a signal that tells when it has left, and
 * when a prop changes meanwhile.
 */
export function life(
  connected: Work,
  reactions: Readonly<Record<string, Work>> = {},
): (instance: Instance) => Feature {
  return (instance) => {
    let leaving: AbortController | undefined;
    const call = (name: string, work: Work, ...args: readonly unknown[]): void => {
      if (leaving) instance.call(name, work, { signal: leaving.signal, change: changing(instance) }, args);
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
      changed: (prop, before) => following(() => call(prop, reactions[prop], before)),
    };
  };
}
