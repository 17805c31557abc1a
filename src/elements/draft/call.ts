import type * as live from '../live/index.js';

/** What a page's part has for drafts, by name: functions, and kinds of props. */
export type LiveName = keyof typeof live;

/**
 * Something a page is to have, before it is known whether the page makes it itself or gets it as written code: a call
 * of one of the functions of its part. Arguments are numbers, texts, lists and records, expressions, views, other
 * calls, and the kinds below.
 */
export class Call {
  readonly name: LiveName;
  readonly args: readonly unknown[];

  constructor(name: LiveName, args: readonly unknown[]) {
    this.name = name;
    this.args = args;
  }
}

export function call(name: LiveName, ...args: readonly unknown[]): Call {
  return new Call(name, args);
}

/** A value of the component's author, which is handed on as it is. */
export class Constant {
  readonly value: unknown;

  constructor(value: unknown) {
    this.value = value;
  }
}

/** What is known only when all of the template has been drafted. */
export class Later {
  readonly get: () => unknown;

  constructor(get: () => unknown) {
    this.get = get;
  }
}

/** What only a page that makes its views itself has; `obstacle` says why no code can be written, if that is so. */
export class InPage {
  readonly get: () => unknown;
  readonly obstacle: string | undefined;

  constructor(get: () => unknown, obstacle?: string) {
    this.get = get;
    this.obstacle = obstacle;
  }
}
