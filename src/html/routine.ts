import { closureOf } from './closures.js';
import { codeRun, making } from './code/index.js';
import type { Callable, RoutineParts, Run } from './lower/steps.js';

/** How often a routine runs until code is written of it. */
export const fewTimes = 4;

/** A component as HTML text, or another piece of it that is written by itself: a function of its props' values. */
export class Routine implements Callable {
  readonly parts: RoutineParts;
  run: Run;

  private byInstructions: Run | undefined;

  /** The same by instructions, which can stop where data is waited for. */
  get instructed(): Run {
    this.byInstructions ??= closureRun(this.parts);
    return this.byInstructions;
  }

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
