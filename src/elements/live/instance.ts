import { unreadable } from '../../component/kind.js';
import { dev, type Finding, finding, problemText } from '../../problem/index.js';
import type { Frame } from '../../template/frame.js';
import { type Adoption, adopting } from './adoption.js';
import { type Block, update } from './block.js';
import type { Live, LiveProp } from './live.js';
import { create } from './view.js';

type OwnProblem = 'content-not-allowed' | 'prop-invalid' | 'prop-missing' | 'markup-differs';
type Facts<Code extends OwnProblem> = Parameters<typeof finding<Code>>[1];
type Values = Readonly<Record<string, unknown>>;

/** One live element: its frame, its shadow root's block, and what waits to be shown. */
export class Instance {
  // Declared, not defined: each would be a line in every page.
  declare readonly live: Live;
  declare readonly host: HTMLElement;
  declare readonly frame: Frame;
  declare block: Block | undefined;
  /** Set while a shadow root that a server wrote is taken over. */
  declare adoption: Adoption | undefined;
  readonly #values: unknown[];
  readonly #parts: readonly Part[];
  #waiting = 0;
  readonly #told = new Set<string>();

  constructor(live: Live, host: HTMLElement) {
    this.live = live;
    this.host = host;
    this.#values = live.props.map(({ fallback }) => fallback);
    // What an element of its own has no use for is left out: it has no owner, and no place in one.
    this.frame = {
      name: live.name,
      props: this.#values,
      locals: [],
      fills: [],
      at: [''],
    } as unknown as Frame;
    this.#parts = live.parts?.map((part) => part(this)) ?? [];
  }

  /** Lets what the element has besides its template take its turn. */
  each<Turn extends keyof Part>(turn: Turn, ...args: Parameters<NonNullable<Part[Turn]>>): void {
    for (const part of this.#parts) (part[turn] as ((...args: unknown[]) => void) | undefined)?.(...args);
  }

  /** Says a problem on the console, once for each. */
  report(found: Finding): void {
    const text = problemText({ ...found, where: this.live.name });
    if (!this.#told.has(text)) console.error(text);
    this.#told.add(text);
  }

  /** Says a problem of the component. */
  tell<Code extends OwnProblem>(code: Code, facts: Omit<Facts<Code>, 'component'>): void {
    this.report(finding(code, { component: this.live.name, ...facts } as Facts<Code>));
  }

  /** Takes an attribute's text; without a text the prop is as if it were not given. */
  read(attribute: string, text: string | null): void {
    const index = this.live.props.findIndex((prop) => prop.attribute === attribute);
    this.take(index, text === null ? undefined : this.live.props[index]?.kind.read(text));
  }

  /** Takes a prop's value: one that does not fit is told, and the value before is kept. */
  take(index: number, given: unknown): void {
    const prop = this.live.props[index] as LiveProp;
    const { kind, name } = prop;
    let value = prop.fallback;
    if (given !== undefined) {
      let fault = kind.fault(given);
      if (dev && given === unreadable) {
        const { attribute } = prop;
        const text = JSON.stringify(this.host.getAttribute(attribute));
        fault = `takes ${kind.expected}, and its attribute ${attribute}=${text} cannot be read as that`;
      }
      if (fault !== undefined) return this.tell('prop-invalid', { prop: name, fault });
      value = kind.settle ? kind.settle(given) : given;
    }
    const before = this.#values[index];
    if (Object.is(before, value)) return;
    this.#values[index] = value;
    this.changed(prop.bit);
    if (this.block) this.each('changed', name, before);
  }

  /** Shows the template: in what a server wrote, or made anew. */
  show(): void {
    const { frame, live } = this;
    live.props.forEach(({ name, kind, isNeeded }, index) => {
      if (isNeeded && this.#values[index] === undefined)
        this.tell('prop-missing', { prop: name, expected: kind.expected });
    });
    this.each('before');
    if (live.state) frame.state ??= { ...(live.state(this.props) as Values) };
    const root = this.host.shadowRoot as ShadowRoot;
    this.block = root.firstChild ? adopting(this, root) : undefined;
    if (!this.block) {
      const { block, fragment } = create(live.view, [frame], this);
      this.block = block;
      root.replaceChildren(fragment);
    }
    this.each('after');
  }

  /** Has places that read these bits looked at, together with all else that changes in the same turn. */
  changed(bits: number | undefined): void {
    if (!this.#waiting)
      queueMicrotask(() => {
        const waiting = this.#waiting;
        this.#waiting = 0;
        if (this.block) update(this.block, 0, waiting);
        if (waiting) this.each('shown');
      });
    this.#waiting |= bits as number;
  }

  /** Changes the state; fields that stay the same touch nothing. */
  change(changes: unknown): void {
    const state = this.frame.state as Record<string, unknown> | undefined;
    if (!state || typeof changes !== 'object') return;
    for (const [name, value] of Object.entries(changes ?? {})) {
      if (Object.is(state[name], value)) continue;
      state[name] = value;
      this.changed(this.live.bit(`state ${name}`));
    }
  }

  get props(): Values {
    return Object.fromEntries(this.live.props.map(({ name }, index) => [name, this.#values[index]]));
  }

  get context(): Values {
    const { host } = this;
    return {
      props: this.props,
      state: { ...this.frame.state },
      host,
      dispatch: (name: string, detail?: unknown) =>
        host.dispatchEvent(new CustomEvent(name, { detail, bubbles: true, composed: true })),
    };
  }

  /** Calls what the component has for something; what that gives back changes the state. What it throws is told, and the element stays usable. */
  call(name: string, work: unknown, more: Values, args: readonly unknown[]): void {
    const failed = (thrown: unknown): void => {
      const reason = String((thrown as Error | undefined)?.message ?? thrown);
      const found = finding('handler-failed', { component: this.live.name, handler: name, reason });
      console.error(problemText({ ...found, where: this.live.name }), thrown);
      this.host.dispatchEvent(new ErrorEvent('error', { error: thrown, message: found.message }));
    };
    try {
      const outcome = (work as ((context: Values, ...args: unknown[]) => unknown) | undefined)?.(
        { ...this.context, ...more },
        ...args,
      );
      if (outcome instanceof Promise) outcome.then((changes) => this.change(changes)).catch(failed);
      else this.change(outcome);
    } catch (thrown) {
      failed(thrown);
    }
  }
}

/** What an element does besides showing its template: take part in a form, hand data down, follow its slots. */
export interface Part {
  /** Before the template is shown for the first time, and after. */
  before?(): void;
  after?(): void;
  /** When changes have been shown. */
  shown?(): void;
  /** When a prop has another value than before. */
  changed?(prop: string, before: unknown): void;
  /** When the element is put into the document, and when it has left it. */
  enter?(): void;
  leave?(): void;
}
