import type { Instance, Part } from './instance.js';
import type { View } from './view.js';

/** What a page needs of a component to have elements of it: its template made ready, its props, what it does. */
export interface Live {
  readonly name: string;
  readonly props: readonly LiveProp[];
  /** The bit of something that a template reads, such as `state count` or `slot badge`; none where it reads no such thing. */
  bit(name: string): number | undefined;
  readonly view: View;
  readonly state?: ((props: Readonly<Record<string, unknown>>) => object) | undefined;
  readonly handlers?: Readonly<Record<string, unknown>>;
  /** What its elements do besides: each is made with the element. */
  readonly parts?: readonly ((instance: Instance) => Part)[];
  /** What its class has besides: members of form fields, functions that fill its slots, elements in its template. */
  readonly members?: readonly ((made: LiveClass) => void)[];
  readonly isField?: boolean;
  /** Its class, once that is made. */
  made?: LiveClass;
}

export interface LiveProp {
  readonly name: string;
  readonly attribute: string;
  readonly bit: number;
  readonly kind: LiveKind;
  readonly fallback?: unknown;
  readonly isNeeded?: boolean;
}

/** A kind of value as a page needs it. */
export interface LiveKind {
  /** What it takes, as it stands in a sentence. */
  readonly expected: string;
  /** The value of an attribute's text; `unreadable` where it has none. */
  read(text: string): unknown;
  /** What is wrong with a value, completing "The prop x …"; undefined when nothing is. */
  fault(value: unknown): string | undefined;
  /** What stands for a value in the template, where that is another. */
  settle?(value: unknown): unknown;
}

export interface LiveClass {
  /** Set where the page itself planned it. */
  isPlanned?: true;
  readonly prototype: object;
  new (): HTMLElement;
}
