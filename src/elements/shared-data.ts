import type { Instance } from './instance.js';

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
export class Consumed {
  readonly values = new Map<string, unknown>();
  readonly #names: readonly string[];
  readonly #instance: Instance;
  readonly #stops = new Map<string, () => void>();
  readonly #ask = (): void => this.request();

  constructor(names: readonly string[], instance: Instance) {
    this.#names = names;
    this.#instance = instance;
  }

  /** Asks for what has no provider as yet; one that comes later says so, and is asked then. */
  request(): void {
    const { host } = this.#instance;
    document.addEventListener('context-provider', this.#ask);
    for (const name of this.#names) {
      if (this.#stops.has(name)) continue;
      host.dispatchEvent(
        new ContextRequest(name, host, (value, stop) => {
          this.#stops.set(name, stop ?? (() => undefined));
          if (Object.is(this.values.get(name), value) && this.values.has(name)) return;
          this.values.set(name, value);
          this.#instance.changed(this.#instance.bits.of(`shared ${name}`));
        }),
      );
    }
  }

  stop(): void {
    document.removeEventListener('context-provider', this.#ask);
    for (const stop of this.#stops.values()) stop();
    this.#stops.clear();
  }
}

/** What an element provides to those below it. */
export class Providing {
  readonly #instance: Instance;
  readonly #asking = new Map<string, Set<Answer>>();
  #shown = new Map<string, unknown>();

  constructor(instance: Instance) {
    this.#instance = instance;
    instance.host.addEventListener('context-request', (event) => this.#answer(event as ContextRequest));
  }

  /** Says that there is a provider now, for those that came before it. */
  announce(): void {
    this.#instance.host.dispatchEvent(new Event('context-provider', { bubbles: true, composed: true }));
  }

  #values(): Map<string, unknown> {
    const provided = this.#instance.component.provides?.(this.#instance.context as never) ?? [];
    return new Map(provided.map(({ share, value }) => [share, value]));
  }

  #answer(event: ContextRequest): void {
    const { host } = this.#instance;
    if ((event.contextTarget ?? event.composedPath()[0]) === host) return;
    this.#shown = this.#values();
    if (typeof event.context !== 'string' || !this.#shown.has(event.context)) return;
    event.stopImmediatePropagation();
    const { callback, context } = event;
    const asking = this.#asking.get(context) ?? new Set();
    this.#asking.set(context, asking);
    if (event.subscribe) asking.add(callback);
    callback(this.#shown.get(context), event.subscribe ? () => asking.delete(callback) : undefined);
  }

  /** Tells whoever asked what has changed. */
  sync(): void {
    const before = this.#shown;
    this.#shown = this.#values();
    for (const [name, value] of this.#shown) {
      if (Object.is(before.get(name), value)) continue;
      for (const callback of [...(this.#asking.get(name) ?? [])])
        callback(value, () => this.#asking.get(name)?.delete(callback));
    }
  }
}
