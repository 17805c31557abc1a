import type { AttributeRule, Core } from '../../template/index.js';
import { type BoundTo, ItemPlace } from './bound-to.js';

/**
 * One attribute of an element, decided: what stands there, by which rule, and whether it changes. Names are as they are
 * written; `key` is the name as a parser of HTML reads it.
 */
export type PlanAttribute =
  | FixedAttribute
  | ValueAttribute
  | ClassAttribute
  | StyleAttribute
  | ListenerAttribute
  | NamedAttribute
  | PropertyAttribute
  | LeavingAttribute
  | BindingAttribute
  | ChosenAttribute
  | NoAttribute
  | AcceptedAttributes;

/** The attribute by which a component's rules find what its template has written, or given something to. */
export const markKey = 'data-in';

/** Attributes with a mark among them, where there is one. */
export function withMark(
  attributes: readonly PlanAttribute[],
  mark: string | undefined,
): readonly PlanAttribute[] {
  if (mark === undefined) return attributes;
  return [...attributes, { kind: 'fixed', key: markKey, name: markKey, rule: 'plain', text: mark }];
}

export type AttributeKind = PlanAttribute['kind'];
export type AttributeOf<Kind extends AttributeKind> = Extract<PlanAttribute, { readonly kind: Kind }>;

/** An attribute that never changes: its text, or `true` for the name alone. */
export interface FixedAttribute {
  readonly kind: 'fixed';
  readonly key: string;
  readonly name: string;
  readonly rule: AttributeRule;
  readonly text: string | true;
}

export interface ValueAttribute {
  readonly kind: 'value';
  readonly key: string;
  readonly name: string;
  readonly rule: AttributeRule;
  readonly value: Core;
}

export interface ClassAttribute {
  readonly kind: 'class';
  readonly key: 'class';
  /** Words that are always there come as parts without a condition. */
  readonly parts: readonly ClassPiece[];
}

/** One part of a class: a word that is always there or by a condition, or text known at render time. */
export type ClassPiece =
  | { readonly kind: 'word'; readonly word: string; readonly when: Core | undefined }
  | { readonly kind: 'text'; readonly text: Core };

export interface StyleAttribute {
  readonly kind: 'style';
  readonly key: 'style';
  readonly parts: readonly (readonly [property: string, value: Core])[];
}

/** An event that one of the component's handlers hears, with the arguments it is called with. */
export interface ListenerAttribute {
  readonly kind: 'listener';
  readonly key: string;
  readonly type: string;
  readonly handler: string;
  readonly args: readonly Core[];
  /** Keys that it is for, as a page compares them; all where there are none. */
  readonly keys?: readonly string[];
  /** How it hears (https://dom.spec.whatwg.org/#dictdef-addeventlisteneroptions). */
  readonly ways?: { readonly passive?: true; readonly once?: true; readonly capture?: true };
}

/** One of the names in `nodes` of its component, and what tells it from others that have it. */
export interface NamedAttribute {
  readonly kind: 'named';
  readonly key: 'node';
  readonly name: string;
  readonly of: Core | undefined;
}

/** A property that is set in a page, which no attribute stands for. */
export interface PropertyAttribute {
  readonly kind: 'property';
  readonly key: string;
  readonly name: string;
  readonly value: Core;
}

/** Classes that an element has while it leaves, for as long as their animations last. */
export interface LeavingAttribute {
  readonly kind: 'leaving';
  readonly key: 'leaving';
  readonly classes: string;
}

/** A form control tied to a field of the state. */
export interface BindingAttribute {
  readonly kind: 'binding';
  readonly key: 'bind';
  readonly field: string;
  /** The way from there to what it shows: keys of records, numbers of rows. */
  readonly path: BoundTo['path'];
  readonly value: Core;
  /** How the control shows the value. */
  readonly control: 'text' | 'checkbox' | 'radio' | 'textarea' | 'select' | 'file';
  /** The type of an `input`, which says how dates are written; empty for others. */
  readonly type: string;
  /** What a radio button stands for. */
  readonly own: Core;
}

/** An option of a `select` that is tied to the state. */
export interface ChosenAttribute {
  readonly kind: 'chosen';
  readonly key: 'selected';
  /** The state of its `select`; undefined where the component or the slot around it has the `select`. */
  readonly chosen: Core | undefined;
  /** What the option stands for. */
  readonly own: Core;
}

/** Nothing, said so: it takes away an attribute of the same name that stands before. */
export interface NoAttribute {
  readonly kind: 'none';
  readonly key: string;
}

/** Stands where the use's own attributes go. */
export interface AcceptedAttributes {
  readonly kind: 'accepted';
  readonly key: '';
}

/** Whether the value of an attribute says that there is none. */
export function isNothing(value: unknown): boolean {
  return value === undefined || value === null || value === false;
}

/** A line for each kind of attribute. */
export type AttributeTable<Args extends readonly unknown[], Result> = {
  readonly [Kind in AttributeKind]: (attribute: AttributeOf<Kind>, ...args: Args) => Result;
};

/** Reads an attribute by a table. */
export function byAttribute<Args extends readonly unknown[], Result>(
  table: AttributeTable<Args, Result>,
  attribute: PlanAttribute,
  ...args: Args
): Result {
  // The line for a kind takes just that kind; TypeScript cannot follow the two through one index.
  return (table[attribute.kind] as (attribute: PlanAttribute, ...args: Args) => Result)(attribute, ...args);
}

/** The expressions that an attribute reads. */
export function attributeReads(attribute: PlanAttribute): readonly Core[] {
  return byAttribute(reads, attribute);
}

const reads: AttributeTable<[], readonly Core[]> = {
  fixed: () => [],
  value: ({ value }) => [value],
  class: ({ parts }) =>
    parts.flatMap((part) => (part.kind === 'text' ? [part.text] : part.when ? [part.when] : [])),
  style: ({ parts }) => parts.flatMap(([, value]) => (value.op.op === 'literal' ? [] : [value])),
  listener: () => [],
  named: () => [],
  property: ({ value }) => [value],
  leaving: () => [],
  binding: ({ value, path }) => [
    value,
    ...path.flatMap((key) =>
      typeof key === 'string' ? [] : key instanceof ItemPlace ? [key.list, key.value] : [key],
    ),
  ],
  chosen: ({ chosen, own }) => (chosen ? [chosen, own] : [own]),
  none: () => [],
  accepted: () => [],
};
