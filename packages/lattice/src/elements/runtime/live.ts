import type { Rule } from '../../component/rule.js';
import type { Featured } from './featured.js';
import type { Instance } from './instance.js';
import type { View } from './view.js';

/** What a page needs of a component to have elements of it: its template made ready, its props, what it does. */
export interface Live {
  readonly name: string;
  readonly props: readonly LiveProp[];
  /** The masks of what a template reads, such as `state count` or `slot badge`; all else has none. */
  readonly mask: Readonly<Record<string, number | undefined>>;
  readonly view: View;
  readonly state?: ((props: Readonly<Record<string, unknown>>) => object) | undefined;
  readonly handlers?: Readonly<Record<string, unknown>>;
  /** Gives its shadow roots the sheets of the page. */
  look?: (instance: Instance) => void;
  /** What its elements do besides: each is made with the element. */
  features?: Featured;
  /** What its class has besides: members of form fields, functions that fill its slots, elements in its template. */
  readonly members?: readonly ((made: LiveClass) => void)[];
  /** What its shadow root is besides open. */
  readonly root?: { readonly delegatesFocus: boolean };
  /** Its class, once that is made. */
  made?: LiveClass;
}

export interface LiveProp {
  readonly name: string;
  /** Where it is not named as the prop is. */
  readonly attribute?: string;
  readonly mask: number;
  readonly rule: Rule;
  readonly fallback?: unknown;
  /** Set where it may be left out and has no fallback. */
  readonly isOptional?: boolean;
}

export interface LiveClass {
  /** Set where the page itself planned it. */
  isPlanned?: true;
  readonly prototype: object;
  new (): HTMLElement;
}

/** Whether a prop has to be given. */
export function isRequired({ fallback, isOptional }: LiveProp): boolean {
  return fallback === undefined && !isOptional;
}
