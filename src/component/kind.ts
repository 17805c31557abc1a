import { dev, refuseCall, show } from '../problem/index.js';

/** How a prop may be left out: not at all, giving `undefined`, or giving its fallback value. */
export type Presence = 'required' | 'optional' | 'fallback';

/** What an attribute's text turned out not to be. */
export const unreadable: unique symbol = Symbol();

/** The rules of one kind of value; `Kind` adds presence, tests and a description to them. */
export interface KindRules<Value> {
  /** The kind's word, such as `text`. */
  readonly word: string;
  /** What belongs here, as it stands in a sentence: `text`, `one of "early", "late"`. */
  readonly expected: string;
  /** Whether the value is of this kind. Runs for every changing value at render time. */
  accepts(value: unknown): boolean;
  /** Says more exactly what is wrong with a value that was not accepted, such as the field at fault. */
  explain?(value: unknown): string | undefined;
  /** The value that is handed on, where it is not the very value that was given. */
  settle?(value: unknown): Value;
  /** An attribute's text as a value. */
  read(text: string): unknown;
  /** What the kind was made with: a list's item, a record's fields, the words of a choice. */
  readonly holds?: unknown;
  /** A value as an attribute's text; null where the attribute is left out. */
  write(value: Value): string | null;
  /** The value as JSON Schema (draft 2020-12). */
  readonly schema: Readonly<Record<string, unknown>>;
}

interface Settings {
  readonly presence: Presence;
  readonly fallbackValue?: unknown;
  readonly description?: string;
  readonly tests: readonly Test[];
}

interface Test {
  readonly passes: (value: never) => boolean;
  readonly message: string;
}

/** Where a kind keeps its types; there is nothing at run time. */
export declare const kindTypes: unique symbol;

/**
 * One prop's kind: its TypeScript type, its run-time check, its attribute form and its schema.
 * A kind is never changed; each call gives a new one.
 *
 * `Value` is what the template sees, `Given` what a use hands over (they differ for `prop.schema` alone).
 */
export class Kind<Value, Given = Value, How extends Presence = 'required'> {
  declare readonly [kindTypes]: { value: Value; given: Given; how: How };
  readonly rules: KindRules<Value>;
  readonly settings: Settings;

  constructor(rules: KindRules<Value>, settings: Settings = { presence: 'required', tests: [] }) {
    this.rules = rules;
    this.settings = settings;
  }

  /** The prop may be left out; the template then sees `undefined`. */
  optional(): Kind<Value, Given, 'optional'> {
    return new Kind(this.rules, { ...this.settings, presence: 'optional' });
  }

  /**
   * The prop may be left out; the template then sees this value.
   *
   * @throws LatticeError `call-invalid`, while developing
   * @example prop.number().fallback(0)
   */
  fallback(value: NoInfer<Value>): Kind<Value, Given, 'fallback'> {
    if (dev) checkFallback(this as AnyKind, value);
    return new Kind(this.rules, { ...this.settings, presence: 'fallback', fallbackValue: value });
  }

  /**
   * Adds a test that a value must pass. The message completes the sentence "The prop x …".
   *
   * @throws LatticeError `call-invalid`, while developing
   * @example prop.number().where((n) => n >= 0, 'must not be below zero')
   */
  where(passes: (value: Value) => boolean, message: string): Kind<Value, Given, How> {
    if (dev && (typeof passes !== 'function' || typeof message !== 'string'))
      refuseCall(
        this.where,
        'where',
        'takes a test and a message',
        "Write prop.number().where((n) => n >= 0, 'must not be below zero').",
      );
    return new Kind(this.rules, { ...this.settings, tests: [...this.settings.tests, { passes, message }] });
  }

  /** Says what the prop is for; tools show it. */
  describe(description: string): Kind<Value, Given, How> {
    return new Kind(this.rules, { ...this.settings, description });
  }
}

function checkFallback(kind: AnyKind, value: unknown): void {
  // A schema takes what a use gives, and a fallback is what comes of it.
  const wrong = kind.rules.settle ? undefined : fault(kind, value);
  if (wrong !== undefined)
    refuseCall(
      kind.fallback,
      'A prop with this fallback',
      wrong,
      'Give it a value of its own kind, or leave it out with optional().',
    );
}

/** Whether something is a kind, of this or another copy of the library. */
export function isKind(candidate: unknown): candidate is AnyKind {
  const { rules, settings } = (candidate ?? {}) as Partial<AnyKind>;
  return typeof rules?.accepts === 'function' && typeof settings === 'object';
}

/** Any kind, whatever it holds. */
export type AnyKind = Kind<unknown, unknown, Presence>;

/** Whether a value is of the kind and passes its tests. */
export function fits(kind: AnyKind, value: unknown): boolean {
  if (!kind.rules.accepts(value)) return false;
  const { tests } = kind.settings;
  if (tests.length === 0) return true;
  const settled = settle(kind, value);
  return tests.every((test) => test.passes(settled as never));
}

/** The value that the template sees for an accepted value. */
export function settle(kind: AnyKind, value: unknown): unknown {
  return kind.rules.settle ? kind.rules.settle(value) : value;
}

/** What is wrong with a value, completing "The prop x …"; undefined when nothing is. */
export function fault(kind: AnyKind, value: unknown): string | undefined {
  const { rules, settings } = kind;
  if (!rules.accepts(value)) {
    return rules.explain?.(value) ?? `takes ${rules.expected}, and got ${show(value)}`;
  }
  const settled = settle(kind, value);
  return settings.tests.find((test) => !test.passes(settled as never))?.message;
}

/** Whether a value is a record, of whatever class. */
export function isRecord(value: unknown): value is Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
