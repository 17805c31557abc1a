import type { ComponentCore } from '../component/index.js';
import { type Finding, finding, placed, problemText } from '../problem/index.js';
import type { Frame } from '../template/index.js';
import type { Adoption } from './adoption.js';
import type { Bits } from './bits.js';
import type { Block } from './block.js';
import type { Field } from './field.js';
import type { Consumed, Providing } from './shared-data.js';

type Values = Readonly<Record<string, unknown>>;

/** One live element: its frame, its shadow root's block, and what waits to be shown. */
export class Instance {
  readonly component: ComponentCore;
  readonly host: HTMLElement;
  readonly frame: Frame;
  bits: Bits;
  block: Block | undefined;
  /** Its part in a form, where it is a field. */
  field: Field | undefined;
  /** What it hands down, and what it reads from above, where it does. */
  providing: Providing | undefined;
  consumed: Consumed | undefined;
  /** Set while slots that hand data are filled anew, by other functions than before. */
  refills = false;
  /** Set while a shadow root that a server wrote is taken over. */
  adoption: Adoption | undefined;
  #waiting = 0;
  #leave: AbortController | undefined;
  readonly #told = new Set<string>();

  constructor(component: ComponentCore, host: HTMLElement, frame: Frame, bits: Bits) {
    this.component = component;
    this.host = host;
    this.frame = frame;
    this.bits = bits;
  }

  /** Says a problem on the console, once for each. */
  report(found: Finding): void {
    const text = problemText(placed(found, this.component.name));
    if (this.#told.has(text)) return;
    this.#told.add(text);
    console.error(text);
  }

  /** Does work that makes new nodes, also while a shadow root is taken over. */
  anew<T>(work: () => T): T {
    const { adoption } = this;
    this.adoption = undefined;
    try {
      return work();
    } finally {
      this.adoption = adoption;
    }
  }

  /** Says that what a server wrote is not what is shown now. */
  differs(how: string): void {
    this.report(finding('markup-differs', { component: this.component.name, how }));
  }

  /** Has places that read these bits looked at, together with all else that changes in the same turn. */
  changed(bits: number): void {
    if (this.#waiting === 0) queueMicrotask(() => this.flush());
    this.#waiting |= bits;
  }

  flush(): void {
    const bits = this.#waiting;
    this.#waiting = 0;
    if (bits === 0) return;
    this.block?.update(0, bits);
    this.field?.sync();
    this.providing?.sync();
  }

  /** Changes the state; fields that stay the same touch nothing. */
  change(changes: Values): void {
    const state = this.frame.state as Record<string, unknown> | undefined;
    if (!state) return;
    let bits = 0;
    for (const [name, value] of Object.entries(changes)) {
      if (Object.is(state[name], value)) continue;
      state[name] = value;
      bits |= this.bits.of(`state ${name}`);
    }
    if (bits !== 0) this.changed(bits);
  }

  get props(): Values {
    const { names } = this.component.props;
    return Object.fromEntries(names.map((name, index) => [name, this.frame.props[index]]));
  }

  get context(): Values {
    return {
      props: this.props,
      state: { ...this.frame.state },
      host: this.host,
      dispatch: (name: string, detail?: unknown) =>
        this.host.dispatchEvent(new CustomEvent(name, { detail, bubbles: true, composed: true })),
    };
  }

  /** Calls a handler; what it gives back changes the state. What it throws is told, and the element stays usable. */
  handle(name: string, args: readonly unknown[], event: Event): void {
    const handler = this.component.handlers[name] as
      | ((context: Values, ...args: unknown[]) => unknown)
      | undefined;
    this.#guard(name, () => handler?.({ ...this.context, event }, ...args));
  }

  react(name: string, before: unknown): void {
    const reaction = this.component.reactions[name] as
      | ((context: Values, before: unknown) => unknown)
      | undefined;
    if (reaction && this.#leave)
      this.#guard(name, () =>
        reaction({ ...this.context, ...this.#life(this.#leave as AbortController) }, before),
      );
  }

  #guard(name: string, work: () => unknown): void {
    try {
      const outcome = work();
      if (outcome instanceof Promise)
        outcome.then(
          (changes) => this.#take(changes),
          (thrown) => this.#failed(name, thrown),
        );
      else this.#take(outcome);
    } catch (thrown) {
      this.#failed(name, thrown);
    }
  }

  #take(outcome: unknown): void {
    if (typeof outcome === 'object' && outcome !== null) this.change(outcome as Values);
  }

  #failed(handler: string, thrown: unknown): void {
    const reason = thrown instanceof Error ? thrown.message : String(thrown);
    const found = finding('handler-failed', { component: this.component.name, handler, reason });
    console.error(problemText(placed(found, this.component.name)), thrown);
    this.host.dispatchEvent(new ErrorEvent('error', { error: thrown, message: found.message }));
  }

  #life(leave: AbortController): Values {
    return { signal: leave.signal, change: (changes: Values) => this.change(changes) };
  }

  enter(): void {
    this.consumed?.request();
    if (this.#leave) return;
    this.#leave = new AbortController();
    const connected = this.component.connected as ((context: Values) => void) | undefined;
    if (connected)
      this.#guard('connected', () =>
        connected({ ...this.context, ...this.#life(this.#leave as AbortController) }),
      );
  }

  leave(): void {
    this.consumed?.stop();
    this.#leave?.abort();
    this.#leave = undefined;
  }
}
