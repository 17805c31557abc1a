import type { Instance, Part } from './instance.js';
import type { View } from './view.js';

/** What a page needs of a component to have elements of it: its template made ready, its props, what it does. */
export interface Live {
  readonly name: string;
  readonly props: readonly LiveProp[];
  /** The bit of something that a template reads, such as `state count` or `slot badge`; 0 where it reads no such thing. */
  bit(name: string): number;
  readonly view: View;
  /** Its style sheets, made when the first element is. */
  sheets?(): CSSStyleSheet[];
  readonly state?: ((props: Readonly<Record<string, unknown>>) => object) | undefined;
  readonly handlers?: Readonly<Record<string, unknown>>;
  /** What its elements do besides: each is made with the element. */
  readonly parts?: readonly ((instance: Instance) => Part)[];
  /** What its class has besides: members of form fields, and functions that fill its slots. */
  readonly members?: readonly ((made: LiveClass) => void)[];
  readonly isField?: boolean;
  /** The components that are elements in its template, to be defined with it. */
  uses?(): readonly Live[];
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
  readonly prototype: object;
  new (): HTMLElement;
}
