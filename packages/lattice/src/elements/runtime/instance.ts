import { watched } from '#watch';
import { unreadable } from '../../component/rule.js';
import { dev, type Finding, finding, type LatticeError, problemText, reasonOf } from '../../problem/index.js';
import type { Scope } from '../../template/scope.js';
import type { Adoption } from './adopted.js';
import { adopting } from './adoption.js';
import { type Block, update } from './block.js';
import { isRequired, type Live, type LiveProp } from './live.js';
import { say } from './report.js';
import { checkedValue } from './settle.js';
import { create, nodesOf } from './view.js';

type OwnProblem =
  | 'handler-failed'
  | 'value-failed'
  | 'content-not-allowed'
  | 'prop-invalid'
  | 'prop-missing'
  | 'markup-differs'
  | 'markup-unread'
  | 'state-changed-in-place'
  | 'provider-unregistered'
  | 'update-loop';
type Facts<Code extends OwnProblem> = Parameters<typeof finding<Code>>[1];
type Values = Readonly<Record<string, unknown>>;

/** How many updates one has caused in the turn that is under way: those that follow from it count on. */
let round = 0;

/** The elements that have changed in this turn. */
const waiting: Instance[] = [];

/** Shows the changes of a turn, and those that follow from them. One that fails holds up no other. */
function showWaiting(): void {
  for (const one of waiting.splice(0)) one.showChanges();
  round = 0;
}

/** Settles when all changes are shown, those that follow from them and those of elements inside with them. */
export async function settled(): Promise<void> {
  do await undefined;
  while (waiting.length > 0);
}

/** Whether nothing waits to be shown. */
export function isSettled(): boolean {
  return waiting.length === 0;
}

/** How many updates have caused the one that is under way. */
export function roundNow(): number {
  return round;
}

/** Does what follows from an update when that has ended: the update that it causes counts as one more. */
export function continued(after: number, work: () => void): void {
  const before = round;
  round = after;
  work();
  round = before;
}

/** Does what follows from an update at once: changes in it count as one more. */
export function following(work: () => void): void {
  round++;
  work();
  round--;
}

/** One interactive element: its scope, its shadow root's block, and what waits to be shown. */
export class Instance {
  // Declared, not defined: each would be a line in every page.
  declare readonly live: Live;
  declare readonly host: HTMLElement;
  declare readonly scope: Scope;
  /** What it shows: `null` where that could not be made, `undefined` before the first try. */
  declare block: Block | null | undefined;
  /** Lets what the element has besides its template take its turn; set where it has something. */
  declare each:
    | (<Turn extends keyof Feature>(turn: Turn, ...args: Parameters<NonNullable<Feature[Turn]>>) => void)
    | undefined;
  /** Loads its data anew; set where it loads. */
  declare reload: (() => void) | undefined;
  /** Shows what stands in its place where it cannot be shown; set where it has such content. */
  declare failed: ((message: string) => void) | undefined;
  /** Tries again to show it; set where it has content for when it cannot be shown. */
  declare retry: (() => void) | undefined;
  /** Events that wait for the handler that sends them to end. */
  declare held: Event[] | undefined;
  /** Set while a shadow root that a server wrote is hydrated. */
  declare adoption: Adoption | undefined;
  #waiting = 0;
  #round = 0;

  constructor(live: Live, host: HTMLElement) {
    this.live = live;
    this.host = host;
    // What an element of its own has no use for is left out: it has no owner, and no place in one.
    this.scope = {
      name: live.name,
      props: live.props.map(({ fallback }) => fallback),
    } as unknown as Scope;
    live.features?.(this);
  }

  /** Says a problem of the component; gives its message. */
  tell<Code extends OwnProblem>(
    code: Code,
    facts: Omit<Facts<Code>, 'component'>,
    ...thrown: readonly unknown[]
  ): string {
    const found = dev && finding(code, { component: this.live.name, ...facts } as Facts<Code>);
    // In a built page the name stands behind it once, as where it is.
    const message = found ? found.message : `${code} ${JSON.stringify(facts)}`;
    if (found) say(this, problemText({ where: this.live.name, ...found }), thrown);
    else console.error(`${message} in ${this.live.name}`, ...thrown);
    return message;
  }

  /** Says what an author's code threw; set anew where there is content for that. */
  fail(thrown: unknown): void {
    // What is being hydrated is made anew as a whole.
    if (thrown === this.adoption) throw thrown;
    const problem = dev && (thrown as Partial<LatticeError> | undefined)?.problems?.[0];
    if (problem) say(this, problemText({ where: this.live.name, ...(problem as Finding) }), [thrown]);
    else
      this.tell(
        'value-failed',
        { ...(dev && { name: this.live.name }), reason: reasonOf(thrown) } as never,
        thrown,
      );
  }

  /** Takes a prop's value: one that does not fit is reported, and the value before is kept. */
  take(index: number, given: unknown): void {
    const prop = this.live.props[index] as LiveProp;
    const { name, rule } = prop;
    const before = this.scope.props[index];
    const fail = (fault: string): unknown => {
      if (dev && given === unreadable) {
        const { attribute = name } = prop;
        const text = JSON.stringify(this.host.getAttribute(attribute));
        fault = `expects ${rule.expected}, but its attribute ${attribute}=${text} cannot be read as that`;
      }
      this.tell('prop-invalid', { prop: name, fault });
      return before;
    };
    if (dev && given === undefined && isRequired(prop) && this.block)
      this.tell('prop-missing', { prop: name, expected: rule.expected });
    const value = given === undefined ? prop.fallback : checkedValue(rule, given, fail);
    this.#set(this.scope.props as never, index as never, value, prop.mask, name);
  }

  /** Shows the template: in what a server wrote, or made anew; later where it `waits` for what it needs. */
  show(waits?: boolean): void {
    const { scope, live } = this;
    const isMissing = (value: unknown, index: number): boolean =>
      value === undefined && !(live.props[index] as LiveProp).isOptional;
    this.block = null;
    if (waits && scope.props.some(isMissing)) return this.changed(0);
    try {
      // In a built page the place that shows the prop is empty, and nothing is reported.
      if (dev)
        for (const { name, rule } of live.props.filter((_, index) => isMissing(scope.props[index], index)))
          this.tell('prop-missing', { prop: name, expected: rule.expected });
      // First of all: what it provides may be of its state, and asked for by itself.
      if (live.state) scope.state ??= { ...(live.state(this.props) as Values) };
      this.each?.('before');
      const root = this.host.shadowRoot as ShadowRoot;
      let block = root.firstChild && adopting(this, root);
      if (!block) {
        block = create(live.view, [scope], this);
        root.replaceChildren(nodesOf(block));
      }
      this.block = block;
      this.each?.('after');
    } catch (thrown) {
      this.fail(thrown);
    }
  }

  /** Has places that read what the mask stands for looked at, together with all else that changes in the same turn. */
  changed(mask: number | undefined): void {
    if (!this.#waiting) {
      this.#round = round + 1;
      if (waiting.push(this) === 1) queueMicrotask(showWaiting);
    }
    this.#waiting |= mask as number;
  }

  /** Shows what has changed. */
  showChanges(): void {
    const changed = this.#waiting;
    this.#waiting = 0;
    round = this.#round;
    try {
      if (this.block) update(this.block, 0, changed);
      // What could not be shown may be so now. Before the first try it may still be without some of its attributes: an
      // engine may run microtasks between the callbacks of an upgrade.
      else if (this.block !== undefined && this.host.isConnected) this.show();
    } catch (thrown) {
      this.fail(thrown);
    }
  }

  /** Changes the state; fields that stay the same touch nothing. */
  change(changes: unknown): void {
    const state = this.scope.state as Record<string, unknown> | undefined;
    if (!state || !changes || typeof changes !== 'object') return;
    for (const [name, value] of Object.entries(changes))
      this.#set(state, name, value, this.live.mask[`state ${name}`], name);
  }

  /** Keeps a value that is another one than before; not one that follows from so many updates that they would never end. */
  #set(
    values: Record<string, unknown>,
    key: string,
    value: unknown,
    mask: number | undefined,
    name: string,
  ): void {
    if (Object.is(values[key], value) || (round > 99 && this.tell('update-loop', { prop: name }))) return;
    values[key] = value;
    this.changed(mask as number);
  }

  get props(): Values {
    return Object.fromEntries(this.live.props.map(({ name }, index) => [name, this.scope.props[index]]));
  }

  context(more?: Values): Values {
    return {
      props: this.props,
      // A field that is set here would change nothing: it says so during development.
      state: dev ? Object.freeze({ ...this.scope.state }) : { ...this.scope.state },
      host: this.host,
      dispatch: (name: string, detail?: unknown) => {
        const event = new CustomEvent(name, { detail, bubbles: true, composed: true });
        return this.held?.push(event) || this.host.dispatchEvent(event);
      },
      ...more,
    };
  }

  /** Calls what the component has for something; what that returns changes the state. What it throws is reported, and the element stays usable. */
  call(name: string, work: unknown, more: Values, args: readonly unknown[]): void {
    const failed = (thrown: unknown): void => {
      const message = this.tell('handler-failed', { handler: name, reason: reasonOf(thrown) }, thrown);
      this.host.dispatchEvent(new ErrorEvent('error', { error: thrown, message }));
    };
    // Whoever hears an event finds the state that the handler made: it is sent when that is there.
    const before = this.held;
    const own: Event[] = [];
    this.held = own;
    try {
      const outcome = (
        (watched ? watched(this, name, work) : work) as
          | ((context: Values, ...args: unknown[]) => unknown)
          | undefined
      )?.(this.context(more), ...args);
      if (outcome instanceof Promise) outcome.then((changes) => this.change(changes)).catch(failed);
      else this.change(outcome);
    } catch (thrown) {
      failed(thrown);
    }
    this.held = before;
    own.map(this.host.dispatchEvent, this.host);
  }
}

/** What an element does besides showing its template: take part in a form, pass data down, follow its slots. */
export interface Feature {
  /** Before the template is shown for the first time, and after. */
  before?(): void;
  after?(): void;
  /** When functions fill its slots that are other ones than before. */
  refilled?(): void;
  /** When its state has another value than before. */
  stated?(): void;
  /** When changes have been shown. */
  shown?(): void;
  /** When a prop has another value than before. */
  changed?(prop: string, before: unknown): void;
  /** When the element is put into the document, and when it has left it. */
  enter?(): void;
  leave?(): void;
}
