import type { AnyKind, ComponentCore } from '../../component/index.js';
import type { PlanAttribute } from '../../plan/index.js';
import type { Finding } from '../../problem/index.js';
import type { AttributeRule, Core } from '../../template/index.js';
import type { Form } from '../form.js';
import type { AcceptedHere, Frame, Where } from '../frame.js';

/** The number of a variable of a routine. */
export type Register = number;

/**
 * What a plan comes to as HTML text: texts, values shown, values kept, choices, rows, calls. Expressions in it read
 * registers alone, so that components stand in one another's text with nothing in between. Two writers read it, one
 * makes closures and one makes code.
 */
export type Step =
  | TextStep
  | ShowStep
  | AttributeStep
  | MadeStep
  | LetStep
  | StateStep
  | EntryStep
  | ChooseStep
  | RowsStep
  | ApartStep
  | ChangingStep
  | CallStep
  | FillStep
  | ReadyStep
  | ProvideStep
  | HostStep
  | LoadStep
  | GuardStep
  | ReportStep
  | AcceptedStep;

export type StepKind = Step['kind'];
export type StepOf<Kind extends StepKind> = Extract<Step, { readonly kind: Kind }>;

/** HTML text that never changes. */
export interface TextStep {
  readonly kind: 'text';
  readonly text: string;
}

/** A value as text. */
export interface ShowStep {
  readonly kind: 'show';
  readonly value: Core;
  /**
   * `content` takes what can stand as text and tells what cannot; `part` is a part of a phrase; `attribute` is text in
   * quotes, and `attribute part` a part of such text; `plain` needs no escapes.
   */
  readonly as: 'content' | 'part' | 'attribute' | 'attribute part' | 'plain';
  /** The value as it was written, for messages. */
  readonly name: () => string;
  readonly where: Where;
}

/** A whole attribute, by the rule of its name, or nothing. */
export interface AttributeStep {
  readonly kind: 'attribute';
  readonly name: string;
  readonly tag: string;
  readonly rule: AttributeRule;
  readonly value: Core;
  readonly where: Where;
}

/** Text that a function makes of values. */
export interface MadeStep {
  readonly kind: 'made';
  readonly make: Make;
  readonly values: readonly Core[];
  readonly where: Where;
  readonly quick?: Quick | undefined;
}

/** The same text for what most values are; `make` is asked where one of them is something else. */
export interface Quick {
  /** What the values have to be: words of a class, or what a declaration of a style may hold. */
  readonly test: 'word' | 'declared';
  /** What stands before each of these values, and behind the last. */
  readonly texts: readonly string[];
  /** Which of the values they are, by their numbers; the others are constant. */
  readonly at: readonly number[];
}

export type Make = (frame: Frame, where: Where, ...values: readonly unknown[]) => string;

/** A value kept in a register, checked first where it is a prop's. */
export interface LetStep {
  readonly kind: 'let';
  readonly to: Register;
  readonly value: Core;
  readonly check: Check | undefined;
}

/** How the value of a prop is checked. */
export interface Check {
  readonly component: ComponentCore;
  readonly index: number;
  readonly declared: AnyKind;
  /** Where the use is written, and where it stands. */
  readonly place: object | undefined;
  readonly where: Where;
}

/** The state that a component starts with, made of its props. */
export interface StateStep {
  readonly kind: 'state';
  readonly to: Register;
  readonly component: ComponentCore;
  readonly props: readonly Core[];
}

/** What there is where a component starts: shared data by its name, or what its ids start with. */
export interface EntryStep {
  readonly kind: 'entry';
  readonly to: Register;
  readonly share: string | undefined;
  /** Whether what the component itself provides does not count. */
  readonly isAround?: boolean;
}

export interface ChooseStep {
  readonly kind: 'choose';
  readonly test: Core;
  readonly yes: readonly Step[];
  readonly no: readonly Step[];
}

export interface RowsStep {
  readonly kind: 'rows';
  readonly list: Core;
  readonly item: Register;
  readonly index: Register;
  /** The register of the number of the first item, where the list is a part of another. */
  readonly from?: Register;
  readonly row: readonly Step[];
  readonly empty: readonly Step[];
  readonly name: () => string;
  readonly where: Where;
}

/** Text that is written apart and then changed, such as where a parser would eat its first line break. */
export interface ApartStep {
  readonly kind: 'apart';
  readonly inner: readonly Step[];
  readonly change: (text: string) => string;
}

/** An element whose tag is known only at render time. */
export interface ChangingStep {
  readonly kind: 'changing';
  readonly tag: Core;
  readonly start: readonly Step[];
  readonly content: readonly Step[];
  readonly where: Where;
}

/** A component that is not inlined. */
export interface CallStep {
  readonly kind: 'call';
  readonly routine: () => Callable;
  readonly args: readonly Core[];
  readonly fills: readonly (GivenFill | undefined)[];
  readonly ids: Core;
  readonly accepted: Handed | undefined;
  readonly where: Where;
  /** Set for inline content: its styles are needed then, and it is left out where something is wrong. */
  readonly onTheSpot: { readonly component: ComponentCore; readonly form: Form } | undefined;
}

/** Content given to a slot of a component that is not inlined. */
export interface GivenFill {
  /** None where it is only asked whether it comes to anything. */
  readonly content: readonly Step[] | undefined;
  readonly data: Register | undefined;
  /** What its ids start with, where it takes data. */
  readonly ids: Register | undefined;
  readonly filled: Core;
  readonly isAlways: boolean;
  readonly start: string;
}

/** Attributes that a use passes on, with what their expressions read. */
export interface Handed {
  readonly attributes: readonly PlanAttribute[];
  readonly values: readonly Core[];
  /** Whether what the routine itself was handed comes among them. */
  readonly addsOwn: boolean;
}

/** The place of a slot that the routine's caller fills. */
export interface FillStep {
  readonly kind: 'fill';
  readonly slot: number;
  readonly data: Core;
  readonly ids: Core | undefined;
  /** Whether comments stand around it, so that an element can take it over. */
  readonly marks: 'never' | 'always' | 'where it changes';
  readonly fallback: readonly Step[];
  readonly fallbackStart: string;
}

/** What fills a slot of a use inline: text, or something that writes it behind what is written. */
export interface ReadyStep {
  readonly kind: 'ready';
  readonly content: Core;
}

/** What is written while a component provides its data. */
export interface ProvideStep {
  readonly kind: 'provide';
  readonly component: ComponentCore;
  readonly props: readonly Core[];
  readonly state: Core;
  readonly inner: readonly Step[];
}

/** A component that stays an element. */
export interface HostStep {
  readonly kind: 'host';
  readonly host: HostParts;
  readonly props: readonly Core[];
  /** What it has loaded, where it loads. */
  readonly data: Core | undefined;
  readonly fills: readonly (GivenFill | undefined)[];
  /** Its attributes besides its props. */
  readonly own: readonly Step[];
  readonly content: readonly Step[];
  readonly where: Where;
}

/** What is known of an element before any of its values are. */
export interface HostParts {
  readonly component: ComponentCore;
  readonly shadow: () => Callable;
  /** The components with rules whose elements stand in its shadow root. */
  readonly styled: ReadonlySet<ComponentCore>;
  /** Its style element, where nothing is lent to it. */
  readonly style: () => string;
  /** Those whose elements stand in content for slots that pass data, besides those around. */
  readonly lent: readonly ComponentCore[] | undefined;
  readonly isOnTheSpot: boolean;
}

/** What is written of a component when its data is there. */
export interface LoadStep {
  readonly kind: 'load';
  readonly component: ComponentCore;
  readonly props: readonly Core[];
  /** The register that holds what has been loaded. */
  readonly to: Register;
  readonly inner: readonly Step[];
  /** Whether its template says what stands where loading failed. */
  readonly showsFailure: boolean;
  /** Whether what is written may be sent at the end of a page and moved to its place. */
  readonly isMovable: () => boolean;
  readonly where: Where;
}

/** What is written of a component, or what stands in its place where that fails. */
export interface GuardStep {
  readonly kind: 'guard';
  readonly component: ComponentCore;
  readonly inner: readonly Step[];
  /** The register that holds what went wrong. */
  readonly fault: Register;
  readonly fallback: readonly Step[];
  readonly where: Where;
}

/** Something wrong that is reported whenever it is shown. */
export interface ReportStep {
  readonly kind: 'report';
  readonly found: Finding;
  readonly where: Where;
}

/** The attributes of an element that takes those of its component's use, where they are known at render time only. */
export interface AcceptedStep {
  readonly kind: 'accepted';
  /** The attributes where the use passes on none. */
  readonly plain: readonly Step[];
  /** The element's own, their expressions reading registers from 0, and how to have those. */
  readonly own: readonly PlanAttribute[];
  readonly values: readonly Core[];
  /** Writes the attributes when they are known: own and passed on, merged. */
  readonly lower: (handed: AcceptedHere) => Callable;
  readonly where: Where;
}

/** A routine: how it is called, with the values that it takes. */
export type Run = (frame: Frame, out: string, ...values: readonly unknown[]) => string;

/** What a routine is made of. */
export interface RoutineParts {
  /** A word for it, that profilers show. */
  readonly name: string;
  /** Component, form and kind; nothing where it is made while something is rendered. */
  readonly key: string;
  /** How many values it takes; they are in its first registers. */
  readonly takes: number;
  /** What each register holds, in a word. */
  readonly hints: readonly string[];
  /** The kinds of the values it takes, where they are a component's props. */
  readonly kinds: readonly AnyKind[];
  readonly steps: readonly Step[];
}

/** What can be called, whether it runs by the interpreter or as code. */
export interface Callable {
  readonly parts: RoutineParts;
  run: Run;
  /** The same by the interpreter, which can stop where data is waited for. */
  readonly instructed: Run;
}

/** Steps as they are put together: texts beside each other are one. */
export class Steps {
  readonly list: Step[] = [];

  text(text: string): void {
    if (text === '') return;
    const last = this.list.at(-1);
    if (last?.kind === 'text') this.list[this.list.length - 1] = { kind: 'text', text: last.text + text };
    else this.list.push({ kind: 'text', text });
  }

  push(step: Step): void {
    if (step.kind === 'text') this.text(step.text);
    else this.list.push(step);
  }

  all(steps: readonly Step[]): void {
    for (const step of steps) this.push(step);
  }
}

/** The text, where steps are nothing else. */
export function constantOf(steps: readonly Step[]): string | undefined {
  if (steps.length === 0) return '';
  const [first] = steps;
  return steps.length === 1 && first?.kind === 'text' ? first.text : undefined;
}
