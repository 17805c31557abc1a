import { dev } from '../../problem/index.js';
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
    const { scope, host, live, each, show } = instance;
    /** Whether it stays as a server wrote it, until its providers are there. */
    let isWaiting = false;
    const values = new Map<string, unknown>();
    (scope as { shared: Scope['shared'] }).shared = values;
    const stops = new Map<string, () => void>();
    const set = (name: string, value: unknown): void => {
      if (Object.is(values.get(name), value)) return;
      if (value === undefined) values.delete(name);
      else values.set(name, value);
      instance.changed(live.mask[`shared ${name}`]);
    };
    /** Asks for all of it anew: the nearest provider may be another by now, or none. */
    const request = (): void => {
      EventTarget.prototype.addEventListener.call(document, 'context-provider', hear);
      for (const name of names) {
        let isAnswered = false;
        const before = stops.get(name);
        stops.delete(name);
        host.dispatchEvent(
          new ContextRequest(name, host, (value, stop) => {
            if (stop) stops.set(name, stop);
            isAnswered = true;
            set(name, value);
          }),
        );
        before?.();
        if (!isAnswered) set(name, undefined);
      }
    };
    const hear = (): void => {
      request();
      resume();
    };
    instance.show = () => {
      const sent = sentBy(host);
      // The first question of a reader that waits, which hears of providers from then on; others ask when they are shown.
      if (sent.length > 0) request();
      const missing = sent.filter(([, tag]) => around(host, tag)?.matches(':not(:defined)'));
      isWaiting = missing.length > 0;
      if (isWaiting) return report(missing);
      if (sent.length > 0) host.shadowRoot?.firstChild?.remove();
      show.call(instance);
    };
    /** Reports, during development, providers that nothing registers for some time. */
    const report = (missing: readonly (readonly [share: string, tag: string])[]): void => {
      if (dev)
        setTimeout(() => {
          for (const [share, tag] of missing)
            if (isWaiting && !customElements.get(tag)) instance.tell('provider-unregistered', { share, tag });
        }, late);
    };
    instance.each = (...turn: unknown[]) => {
      if (turn[0] !== 'enter' || !isWaiting) (each as (...turn: unknown[]) => void).call(instance, ...turn);
    };
    const resume = (): void => {
      if (!isWaiting || !host.isConnected) return;
      instance.show();
      if (!isWaiting) instance.each?.('enter');
    };
    return {
      before: request,
      enter: request,
      leave() {
        EventTarget.prototype.removeEventListener.call(document, 'context-provider', hear);
        for (const stop of stops.values()) stop();
        stops.clear();
      },
    };
  };
}

/** How long a provider may take to be registered, in milliseconds. */
const late = 2_000;

/**
 * Returns the shares that a server read for an element, each with the tag of its provider. An element that hydrates before
 * its providers would show something else. A comment that somebody else wrote says nothing.
 */
function sentBy({ shadowRoot }: HTMLElement): readonly (readonly [share: string, tag: string])[] {
  const first = shadowRoot?.firstChild;
  if (!(first instanceof Comment) || !first.data.startsWith('shared {')) return [];
  try {
    return Object.entries(JSON.parse(first.data.slice('shared '.length)) as Readonly<Record<string, string>>);
  } catch {
    return [];
  }
}

/** Returns the nearest element with a tag around another, also outside of its shadow root. */
function around(host: Element, tag: string): Element | undefined {
  for (let at: Node | null | undefined = host; at; ) {
    at = at.parentNode ?? (at as Partial<ShadowRoot>).host;
    if ((at as Element | undefined)?.localName === tag) return at as Element;
  }
  return undefined;
}

/** Answers one who asked. Whoever fails at it is reported as any script that fails, and all others hear all the same. */
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
    const { host, live, scope } = instance;
    const asking = new Map<string, Set<Answer>>();
    const values = (): Map<string, unknown> =>
      new Map(provides(instance.context() as never).map(({ share, value }) => [share, value]));
    let known = new Map<string, unknown>();
    /** Whether what it provides may be something else by now. */
    let isOld = false;
    const old = (): void => {
      isOld = true;
    };
    host.addEventListener('context-request', (candidate) => {
      const event = candidate as ContextRequest;
      // What it reads itself is provided around it.
      if ((event.contextTarget ?? event.composedPath()[0]) === host) return;
      // Asked before it is shown, it says what it is going to: it may itself wait for a provider.
      if (live.state) scope.state ??= { ...live.state(instance.props) } as never;
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
      changed: old,
      stated: old,
      /** Tells whoever asked what has changed. */
      shown() {
        if (!isOld) return;
        isOld = false;
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
