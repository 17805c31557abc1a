import { dev, printValue, refuseCall } from '../problem/index.js';
import type { ComponentCore } from './core.js';
import type { KindWord } from './kind-words.js';
import { type Rule, type Test, testedRule } from './rule.js';

export { unreadable } from './rule.js';

/** Whether a prop is required, optional, or has a default value. */
export type Presence = 'required' | 'optional' | 'fallback';

/** The rule of one kind of value, and how the value is described; `Kind` adds presence, tests and words to it. */
export interface KindRules<Value> extends Rule<Value> {
  /** The kind's word, such as `text`. */
  readonly word: KindWord;
  /** How written code makes the rule: the function's name in a page's runtime, and what it is given. */
  readonly code: RuleCode;
  /** What the kind was made with: a list's item, a record's fields, the words of a choice. */
  readonly holds?: unknown;
  /** Of a record: whether it may have fields besides those that it names. */
  readonly holdsMore?: boolean;
  /** A value as an attribute's text; null where the attribute is left out. */
  write(value: Value): string | null;
}

/**
 * A constant of the runtime by its name, or a function with its arguments: data, kinds whose rules they are, and what
 * the author wrote.
 */
export interface RuleCode {
  readonly name: string;
  readonly args?: readonly unknown[];
}

/** Stands among a rule's arguments for what its author handed to the kind. */
export const authored: unique symbol = Symbol.for('zesty-lattice.authored');

interface Settings {
  readonly presence: Presence;
  readonly fallbackValue?: unknown;
  readonly description?: string;
  /** What to use in its place. */
  readonly deprecated?: string;
  readonly tests: readonly Test[];
  /** Whether an element's attribute follows its property. */
  readonly reflects?: true;
  /** Where its value comes from where a use gives none: the uses of a component in a slot. */
  readonly uses?: { readonly component: ComponentCore; readonly slot: string };
}

/** Where a kind keeps its types; there is nothing at run time. */
export declare const kindTypes: unique symbol;

/**
 * One prop's kind: its TypeScript type, its run-time check, its attribute form and its schema.
 * A kind is never changed; each call gives a new one.
 *
 * `Value` is what the template sees, `Given` what a use passes (they differ for `prop.schema` alone).
 */
export class Kind<Value, Given = Value, How extends Presence = 'required'> {
  declare readonly [kindTypes]: { value: Value; given: Given; how: How };
  readonly rules: KindRules<Value>;
  readonly settings: Settings;
  /** Its rule, with the tests that a value has to pass. */
  readonly rule: Rule<Value>;

  constructor(rules: KindRules<Value>, settings: Settings = { presence: 'required', tests: [] }) {
    this.rules = rules;
    this.settings = settings;
    this.rule = settings.tests.length === 0 ? rules : testedRule(rules, settings.tests);
  }

  /** The prop may be left out; the template then sees `undefined`. */
  optional(): Kind<Value, Given, 'optional'> {
    return new Kind(this.rules, { ...this.settings, presence: 'optional' });
  }

  /**
   * The prop may be left out; the template then sees this value, or what a function gives, which is called anew for
   * each use.
   *
   * @throws LatticeError `call-invalid`, during development
   * @example prop.number().fallback(0)
   * @example prop.date().fallback(() => new Date())
   */
  fallback(value: NoInfer<Value> | (() => NoInfer<Value>)): Kind<Value, Given, 'fallback'> {
    if (dev) checkFallback(this as AnyKind, value);
    return new Kind(this.rules, { ...this.settings, presence: 'fallback', fallbackValue: value });
  }

  /**
   * Adds a test that a value must pass. The message completes the sentence "The prop x …".
   *
   * @throws LatticeError `call-invalid`, during development
   * @example prop.number().where((n) => n >= 0, 'must not be below zero')
   */
  where(passes: (value: Value) => boolean, message: string): Kind<Value, Given, How> {
    if (dev && (typeof passes !== 'function' || typeof message !== 'string'))
      refuseCall(
        this.where,
        'where',
        'expects a test and a message',
        "Write prop.number().where((n) => n >= 0, 'must not be below zero').",
      );
    return new Kind(this.rules, { ...this.settings, tests: [...this.settings.tests, [passes, message]] });
  }

  /**
   * The element's attribute is set when its property changes, as those of native elements are
   * (https://html.spec.whatwg.org/#reflecting-content-attributes-in-idl-attributes). Lists and records are no attributes.
   *
   * @throws LatticeError `call-invalid`, during development
   * @example prop.flag().reflect()
   */
  reflect(): Kind<Value, Given, How> {
    if (dev && !/^(?:text|number|flag|choice|date|url)$/.test(this.rules.word))
      refuseCall(
        this.reflect,
        'reflect',
        `is for texts, numbers, flags, choices, dates and addresses, but was called on a prop of ${this.rules.expected}`,
        'Leave it out: a prop of this kind is a property alone.',
      );
    return new Kind(this.rules, { ...this.settings, reflects: true });
  }

  /** Says what the prop is for. */
  describe(description: string): Kind<Value, Given, How> {
    return new Kind(this.rules, { ...this.settings, description });
  }

  /**
   * Says that uses should no longer pass the prop, and what to do instead. `lattice check` and the editor report uses that do.
   *
   * @example crates: prop.number().optional().deprecated('Pass trees.')
   */
  deprecated(instead: string): Kind<Value, Given, How> {
    return new Kind(this.rules, { ...this.settings, deprecated: instead });
  }
}

function checkFallback(kind: AnyKind, value: unknown): void {
  // A schema takes what a use gives, and a fallback is what comes of it; what a function gives is checked where it is used.
  const wrong = kind.rules.settle || typeof value === 'function' ? undefined : fault(kind, value);
  if (wrong !== undefined)
    refuseCall(
      kind.fallback,
      'A prop with this fallback',
      wrong,
      'Pass a value of its own kind, or make the prop optional with optional().',
    );
}

/** The value that the template sees where a prop is left out. */
export function fallbackOf({ settings: { fallbackValue } }: AnyKind): unknown {
  return isMade(fallbackValue) ? fallbackValue() : fallbackValue;
}

/** Whether a fallback is a function that gives it. */
export function isMade(fallback: unknown): fallback is () => unknown {
  return typeof fallback === 'function';
}

/** Whether something is a kind, of this or another copy of the library. */
export function isKind(candidate: unknown): candidate is AnyKind {
  const { rules, settings } = (candidate ?? {}) as Partial<AnyKind>;
  return typeof rules?.accepts === 'function' && typeof settings === 'object';
}

/** Any kind, whatever it holds. */
export type AnyKind = Kind<unknown, unknown, Presence>;

/** Whether a value is of the kind and passes its tests. */
export function fits({ rule }: AnyKind, value: unknown): boolean {
  return rule.accepts(value);
}

/** The value that the template sees for an accepted value. */
export function settle({ rule }: AnyKind, value: unknown): unknown {
  return rule.settle ? rule.settle(value) : value;
}

/** What is wrong with a value, completing "The prop x …"; undefined when nothing is. */
export function fault({ rule }: AnyKind, value: unknown): string | undefined {
  if (rule.accepts(value)) return undefined;
  return rule.explain?.(value) ?? `expects ${rule.expected}, but received ${printValue(value)}`;
}

/** Whether a value is a record, of whatever class. */
export function isRecord(value: unknown): value is Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
