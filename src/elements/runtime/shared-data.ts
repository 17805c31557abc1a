import type { Scope } from '../../template/scope.js';
import type { Provided } from '../../template/share.js';
import type { Feature, Instance } from './instance.js';

type Answer = (value: unknown, unsubscribe?: () => void) => void;

/** An element's question for shared data, by the community's context protocol: the nearest provider above answers. */
class ContextRequest extends Event {
  readonly context: string;
  readonly contextTarget: HTMLElement;
  readonly callback: Answer;
  readonly subscribe = true;

  constructor(context: string, contextTarget: HTMLElement, callback: Answer) {
    super('context-request', { bubbles: true, composed: true });
    this.context = context;
    this.contextTarget = contextTarget;
    this.callback = callback;
  }
}

/** What an element reads from providers above it, kept in step while it is in the document. */
export function consuming(...names: readonly string[]): (instance: Instance) => Feature {
  return (instance) => {
    const { scope, host, live } = instance;
    const values = new Map<string, unknown>();
    (scope as { shared: Scope['shared'] }).shared = values;
    const stops = new Map<string, () => void>();
    /** Asks for what has no provider as yet; one that comes later says so, and is asked then. */
    const request = (): void => {
      EventTarget.prototype.addEventListener.call(document, 'context-provider', request);
      for (const name of names) {
        if (stops.has(name)) continue;
        host.dispatchEvent(
          new ContextRequest(name, host, (value, stop) => {
            stops.set(name, stop ?? (() => undefined));
            if (Object.is(values.get(name), value) && values.has(name)) return;
            values.set(name, value);
            instance.changed(live.mask(`shared ${name}`));
          }),
        );
      }
    };
    return {
      before: request,
      enter: request,
      leave() {
        EventTarget.prototype.removeEventListener.call(document, 'context-provider', request);
        for (const stop of stops.values()) stop();
        stops.clear();
      },
    };
  };
}

/** Answers one who asked. Whoever fails at it is told as any script that fails, and all others hear all the same. */
function answer(callback: Answer, value: unknown, stop: (() => void) | undefined): void {
  try {
    callback(value, stop);
  } catch (thrown) {
    reportError(thrown);
  }
}

/** What an element provides to those below it. */
export function providing(
  provides: (context: never) => readonly Provided[],
): (instance: Instance) => Feature {
  return (instance) => {
    const { host } = instance;
    const asking = new Map<string, Set<Answer>>();
    const values = (): Map<string, unknown> =>
      new Map(provides(instance.context as never).map(({ share, value }) => [share, value]));
    let known = new Map<string, unknown>();
    host.addEventListener('context-request', (candidate) => {
      const event = candidate as ContextRequest;
      if ((event.contextTarget ?? event.composedPath()[0]) === host) return;
      known = values();
      const { callback, context } = event;
      if (typeof callback !== 'function' || typeof context !== 'string' || !known.has(context)) return;
      event.stopImmediatePropagation();
      const all = asking.get(context) ?? new Set();
      asking.set(context, all);
      if (event.subscribe) all.add(callback);
      answer(callback, known.get(context), event.subscribe ? () => all.delete(callback) : undefined);
    });
    return {
      /** Says that there is a provider now, for those that came before it. */
      after() {
        host.dispatchEvent(new Event('context-provider', { bubbles: true, composed: true }));
      },
      /** Tells whoever asked what has changed. */
      shown() {
        const before = known;
        known = values();
        for (const [name, value] of known) {
          if (Object.is(before.get(name), value)) continue;
          for (const callback of [...(asking.get(name) ?? [])])
            answer(callback, value, () => asking.get(name)?.delete(callback));
        }
      },
    };
  };
}
