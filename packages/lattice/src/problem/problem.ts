import type { ProblemCode } from './words.js';

export type { ProblemCode } from './words.js';

export type Severity = 'error' | 'warning';

/** A place in a file somebody wrote. Lines and columns count from 1. */
export interface SourcePlace {
  readonly file: string;
  readonly line: number;
  readonly column: number;
  /** The lines around it with a mark under the column, where the text is at hand. */
  readonly frame?: string;
}

/**
 * One thing that is wrong, as data. The same shape comes from every door and every command.
 *
 * @example
 * const { problems } = resolve(FairPage);
 * problems[0]?.code;  // 'prop-missing'
 * problems[0]?.where; // 'fair-page › variety-list › variety-card[2]'
 */
export interface Problem {
  /** A stable, readable word; `docs/problems.md` has an entry for each. */
  readonly code: ProblemCode;
  readonly severity: Severity;
  /** One sentence: what is wrong. */
  readonly message: string;
  /** One sentence: what to write instead. */
  readonly hint: string;
  /** The components from the root down to the place, joined by ` › `; empty outside any component. */
  readonly where: string;
  /** File, line and column, where they are known. */
  readonly source?: SourcePlace;
}

/** Where a finding keeps what it was worded from, so that it can be said once more for HTML text. */
export const factsOf: unique symbol = Symbol('facts');

/** A problem before it is known in which component tree it stands. */
export interface Finding {
  readonly [factsOf]?: unknown;
  readonly code: ProblemCode;
  readonly severity: Severity;
  readonly message: string;
  readonly hint: string;
  readonly source?: SourcePlace;
}

/** Puts a finding in its place in the tree. */
export function placed({ code, hint, message, severity, source }: Finding, where: string): Problem {
  return { code, severity, message, hint, where, ...(source && { source }) };
}
