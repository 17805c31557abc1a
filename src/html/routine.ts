import type { AnyKind } from '../component/index.js';
import { closureOf } from './closures.js';
import { codeRun, making } from './code/index.js';
import type { Frame } from './frame.js';
import type { Step } from './lower/steps.js';

export type Run = (frame: Frame, out: string, ...values: readonly unknown[]) => string;

/** What a routine is made of. */
export interface RoutineParts {
  /** A word for it, that profilers show. */
  readonly name: string;
  /** How many values it takes; they are in its first registers. */
  readonly takes: number;
  /** What each register holds, in a word. */
  readonly hints: readonly string[];
  /** The kinds of the values it takes, where they are a component's props. */
  readonly kinds: readonly AnyKind[];
  readonly steps: readonly Step[];
}

/** How often a routine runs until code is written of it. */
export const fewTimes = 2;

/** A component as HTML text, or another piece of it that is written by itself: a function of its props' values. */
export class Routine {
  readonly parts: RoutineParts;
  run: Run;

  constructor(parts: RoutineParts) {
    this.parts = parts;
    this.run = this.first();
    making.watched?.add(this);
  }

  /** Runs it as if for the first time. */
  start(): void {
    this.run = this.first();
  }

  private first(): Run {
    const { parts } = this;
    const isUsual = making.how === 'usual';
    let times = 0;
    let closures: Run | undefined;
    return (...given) => {
      if (isUsual && times++ < fewTimes) {
        closures ??= closureRun(parts);
        return closures(...given);
      }
      this.run = codeRun(parts) ?? closures ?? closureRun(parts);
      return this.run(...given);
    };
  }
}

/** A routine without code. */
export function closureRun({ hints, steps }: RoutineParts): Run {
  const write = closureOf(steps);
  const registers = hints.length;
  return (frame, out, ...values) => {
    const locals = values as unknown[];
    while (locals.length < registers) locals.push(undefined);
    frame.locals = locals;
    return write(frame, out);
  };
}
