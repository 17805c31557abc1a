/** What an attribute's text turned out not to be. */
export const unreadable: unique symbol = Symbol();

/**
 * The rule of a kind of value: which values it takes, and what it makes of an attribute's text. It is stated once: Node
 * checks by it, a page runs it, and written code names the function that makes it.
 */
export interface Rule<Value = unknown> {
  /** What belongs here, as it stands in a sentence: `text`, `one of early, late`. */
  readonly expected: string;
  /** Whether the value is of this kind. Runs for every changing value at render time. */
  accepts(value: unknown): boolean;
  /** An attribute's text as a value; `unreadable` where it is none. */
  read(text: string): unknown;
  /** Says more exactly what is wrong with a value that was not accepted, such as the field at fault. */
  explain?(value: unknown): string | undefined;
  /** The value that is passed on, where it is not the very value that was given. */
  settle?(value: unknown): Value;
}

export function rule(
  expected: string,
  accepts: Rule['accepts'],
  read: Rule['read'] = (text) => text,
): Rule<never> {
  return { expected, accepts, read };
}

/** A test that a value has to pass, and what is said of one that does not, completing "The prop x …". */
export type Test = readonly [passes: (value: never) => boolean, message: string];

/** A rule whose values have to pass tests. */
export function testedRule<Value>(of: Rule<Value>, tests: readonly Test[]): Rule<Value> {
  const failed = (value: unknown): Test | undefined => {
    const settled = of.settle ? of.settle(value) : value;
    return tests.find(([passes]) => !passes(settled as never));
  };
  return {
    ...of,
    accepts: (value) => of.accepts(value) && !failed(value),
    explain: (value) => (of.accepts(value) ? failed(value)?.[1] : of.explain?.(value)),
  };
}

/** What a rule makes of text; text that it cannot read stays text, so that the problem can show it. */
export function readText({ read }: Pick<Rule, 'read'>, text: unknown): unknown {
  const value = read(String(text));
  // Not compared with `unreadable`: a command may read texts by the rules of another copy of this library.
  return typeof value === 'symbol' ? text : value;
}
