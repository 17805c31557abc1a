import type { Rule } from '../../component/rule.js';
import type { Feature, Instance } from './instance.js';
import type { View } from './view.js';

/** What a page needs of a component to have elements of it: its template made ready, its props, what it does. */
export interface Live {
  readonly name: string;
  readonly props: readonly LiveProp[];
  /** The mask of something that a template reads, such as `state count` or `slot badge`; none where it reads no such thing. */
  mask(name: string): number | undefined;
  readonly view: View;
  readonly state?: ((props: Readonly<Record<string, unknown>>) => object) | undefined;
  readonly handlers?: Readonly<Record<string, unknown>>;
  /** Gives its shadow roots the sheets of the page. */
  look?: (instance: Instance) => void;
  /** What its elements do besides: each is made with the element. */
  features?: readonly ((instance: Instance) => Feature)[];
  /** What its class has besides: members of form fields, functions that fill its slots, elements in its template. */
  readonly members?: readonly ((made: LiveClass) => void)[];
  readonly isField?: boolean;
  /** Its class, once that is made. */
  made?: LiveClass;
}

export interface LiveProp {
  readonly name: string;
  readonly attribute: string;
  readonly mask: number;
  readonly rule: Rule;
  readonly fallback?: unknown;
  readonly isNeeded?: boolean;
}

export interface LiveClass {
  /** Set where the page itself planned it. */
  isPlanned?: true;
  readonly prototype: object;
  new (): HTMLElement;
}
