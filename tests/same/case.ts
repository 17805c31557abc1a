import type { Content, Expr } from 'zesty-lattice';
import type { Accepted, StateExpr } from '../../packages/lattice/src/template/index.js';

export interface Item {
  readonly id: number;
  readonly name: string;
  readonly on: boolean;
  readonly inner: readonly string[];
}

/** Everything that a case can show; its props and its state both have all of it. */
export interface Data {
  readonly text: string;
  readonly count: number;
  readonly flag: boolean;
  readonly maybe?: string | undefined;
  readonly items: readonly Item[];
  readonly tag: string;
  readonly url: string;
  readonly note: { readonly title: string; readonly by?: string | undefined };
  readonly chosen: readonly string[];
}

export type Exprs = { readonly [K in keyof Data]-?: Expr<Data[K]> };

type Place = ((fallback?: Content) => Content) & { readonly filled: Expr<boolean> };

/** What a case's template is given. On the spot the expressions are the plain values themselves. */
export interface Tools {
  readonly props: Exprs;
  readonly state: { readonly [K in keyof Data]-?: StateExpr<Data[K]> };
  readonly slots: {
    readonly default: Place;
    readonly title: Place;
    readonly foot: Place;
    readonly row: ((item: Expr<Item>, fallback?: Content) => Content) & { readonly filled: Expr<boolean> };
  };
  readonly handlers: {
    /** Sets a field of the state. */
    set(name: string, value: unknown): never;
    /** Adds to the count. */
    add(step: number | Expr<number>): never;
  };
  readonly accepted: Accepted;
}

/** Something happens: props or state change, or someone does something in the element that comes to such a change. */
export interface Step {
  readonly props?: Partial<Data>;
  readonly state?: Partial<Data>;
  readonly act?: (root: ShadowRoot) => void;
}

/** The ways in which a case is written. */
export type Writing = 'spot' | 'markup' | 'element';

/**
 * One thing that a template may hold. It is written as HTML text, as inline content, as HTML text with interpolations, as
 * an element planned in the page and ahead, and as an element that hydrates what a server wrote: all of them show one
 * and the same.
 */
export interface Case {
  readonly name: string;
  readonly template: (tools: Tools) => Content;
  readonly props?: Partial<Data>;
  readonly state?: Partial<Data>;
  /** What the use gives, by slot. */
  readonly content?: Readonly<Record<string, Content>>;
  readonly steps?: readonly Step[];
  readonly styles?: string;
  /** Ways in which it cannot be written, each with the reason. */
  readonly without?: Partial<Readonly<Record<Writing, string>>>;
}

export const items: readonly Item[] = [
  { id: 1, name: 'Dunlight', on: true, inner: ['a', '<b>'] },
  { id: 2, name: 'Salt & "bell"', on: false, inner: [] },
  { id: 3, name: '', on: true, inner: ['c'] },
];

export const base: Data = {
  text: 'Fog & <dew>',
  count: 2,
  flag: true,
  items,
  tag: 'section',
  url: '/grove?a=1&b=2',
  note: { title: 'Early', by: 'Ro' },
  chosen: ['x'],
};

const more: Item = { id: 4, name: 'New', on: true, inner: ['d', 'e'] };

/** What happens where a case says nothing else: everything changes, and some of it back again. */
export const usualSteps: readonly Step[] = [
  { state: { flag: false, count: 0 } },
  { props: { text: '', count: 1, flag: false } },
  { state: { items: [items[2] as Item, items[0] as Item, more], text: ' "new"\n' } },
  { props: { maybe: 'there', items: [], tag: 'h2', url: 'javascript:alert(1)' } },
  { state: { maybe: 'yes', flag: true, items: [], tag: 'aside', chosen: ['y', 'z'] } },
  { props: { maybe: undefined, items, flag: true, url: 'https://grove.example/?q=<' } },
  { state: { maybe: undefined, items: [more, ...items], count: 7, note: { title: 'Late' } } },
];
