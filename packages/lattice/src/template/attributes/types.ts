import type { DomEvents, DomFile, DomKeyEvent } from '../dom-names.js';
import type { Expr, ExprOf, StateExpr } from '../expression/expr.js';
import type { HandlerCall } from '../handler-call.js';
import type { Content, TemplateNode } from '../node.js';
import type { NodePlace } from '../node-place.js';

/** An attribute's value: one of its own, an expression of one, or nothing for no attribute. */
export type Attr<T> = T | ExprOf<T | null | undefined | false> | null | undefined | false;

/** What `class` takes: text, a record of conditions, an expression of text, or a list of these. */
export type ClassInput =
  | string
  | ExprOf<string | null | undefined | false>
  | { readonly [name: string]: unknown }
  | null
  | undefined
  | false
  | readonly ClassInput[];

/** What `style` takes: CSS properties by their CSS names, custom properties (`--tone`) too; or constant text. */
export type StyleInput =
  | string
  | { readonly [property: string]: Attr<string | number> }
  | null
  | undefined
  | false;

/** `srcdoc` holds a whole document, so it takes only `trusted(html)`. */
export type DocumentHtml = TemplateNode | null | undefined | false;

/** Data for a `script` data block, written as JSON. */
export type JsonData =
  | ExprOf<unknown>
  | string
  | number
  | boolean
  | null
  | readonly unknown[]
  | { readonly [key: string]: unknown };

/** The call of a handler, or a function that is given the event as an expression and makes the call. */
export type Listener<E> = HandlerCall | ((event: Expr<E>) => HandlerCall);

/**
 * Handlers by event name. Names of the standard come with completion; any other event works too. Behind the name of a key
 * event stand the keys that it is for, behind any name `passive`, `once` or `capture`.
 *
 * @example on: { click: handlers.add(1), input: (event) => handlers.search(event.timeStamp) }
 * @example on: { 'keydown ArrowDown': handlers.move(1), 'keydown Control+s': handlers.save(), 'scroll passive': handlers.roll() }
 */
export type Listeners = { readonly [Name in keyof DomEvents]?: Listener<DomEvents[Name]> | undefined } & {
  readonly [words: `keydown ${string}` | `keyup ${string}`]: Listener<DomKeyEvent> | undefined;
  readonly [name: string]: HandlerCall | ((event: never) => HandlerCall) | undefined;
};

/** Attributes that every element takes (https://html.spec.whatwg.org/#global-attributes). */
export interface CommonAttributes {
  readonly class?: ClassInput;
  readonly style?: StyleInput;
  readonly on?: Listeners;
  /**
   * Properties that are set in a page and that no attribute stands for, by their names: `indeterminate`, `scrollTop`, any of an
   * element from elsewhere.
   *
   * @example el.input({ type: 'checkbox', properties: { indeterminate: state.some } })
   */
  readonly properties?: { readonly [name: string]: unknown } | undefined;
  /**
   * A class that the element has when its condition or row goes: it stays, inert, until the animations of that class end.
   *
   * @example given(state.isOpen, el.p({ leaving: 'fades' }, 'Open')) // styles: `.fades { animation: fade .2s }`
   */
  readonly leaving?: string | null | undefined | false;
  /** Gives the element one of the names in the component's `nodes`, by which its functions reach it. */
  readonly node?: NodePlace | undefined;
  /** Ties a form control to a field of the state, both ways. */
  readonly bind?:
    | StateExpr<string>
    | StateExpr<string | null>
    | StateExpr<number>
    | StateExpr<number | null>
    | StateExpr<boolean>
    | StateExpr<Date>
    | StateExpr<Date | null>
    | StateExpr<DomFile | null>
    | StateExpr<readonly DomFile[]>
    | StateExpr<readonly string[]>;
  readonly id?: Attr<string>;
  readonly title?: Attr<string>;
  readonly lang?: Attr<string>;
  readonly dir?: Attr<'ltr' | 'rtl' | 'auto'>;
  readonly hidden?: Attr<boolean | 'until-found'>;
  readonly inert?: Attr<boolean>;
  readonly tabindex?: Attr<number | `${number}`>;
  readonly role?: Attr<string>;
  readonly slot?: Attr<string>;
  readonly part?: Attr<string>;
  readonly exportparts?: Attr<string>;
  readonly popover?: Attr<boolean | 'auto' | 'manual' | 'hint'>;
  readonly accesskey?: Attr<string>;
  readonly autofocus?: Attr<boolean>;
  readonly autocapitalize?: Attr<'off' | 'none' | 'on' | 'sentences' | 'words' | 'characters'>;
  readonly autocorrect?: Attr<'on' | 'off'>;
  readonly contenteditable?: Attr<boolean | 'true' | 'false' | 'plaintext-only'>;
  readonly draggable?: Attr<boolean | 'true' | 'false'>;
  readonly enterkeyhint?: Attr<'enter' | 'done' | 'go' | 'next' | 'previous' | 'search' | 'send'>;
  readonly inputmode?: Attr<'none' | 'text' | 'decimal' | 'numeric' | 'tel' | 'search' | 'email' | 'url'>;
  readonly spellcheck?: Attr<boolean | 'true' | 'false'>;
  readonly translate?: Attr<'yes' | 'no'>;
  readonly writingsuggestions?: Attr<boolean | 'true' | 'false'>;
  readonly is?: Attr<string>;
  readonly itemid?: Attr<string>;
  readonly itemprop?: Attr<string>;
  readonly itemref?: Attr<string>;
  readonly itemscope?: Attr<boolean>;
  readonly itemtype?: Attr<string>;
  readonly nonce?: Attr<string>;
  readonly [data: `data-${string}`]: Attr<string | number | boolean>;
}

/** The builder of one element: attributes first, if any, then content. */
export type Builder<Attributes> = (first?: Attributes | Content, ...content: Content[]) => TemplateNode;

/** The builder of an element that takes no content. */
export type VoidBuilder<Attributes> = (attributes?: Attributes) => TemplateNode;
