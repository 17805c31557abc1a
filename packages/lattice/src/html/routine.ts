import { closureOf } from './closures.js';
import { codeRun, reportOwnFault } from './code/index.js';
import type { Frame } from './frame.js';
import type { How } from './how.js';
import type { Callable, RoutineParts, Run } from './lower/steps.js';

/** How often a routine runs until code is written of it. */
export const fewTimes = 4;

/** A component as HTML text, or another piece of it that is written by itself: a function of its props' values. */
export class Routine implements Callable {
  readonly parts: RoutineParts;
  run: Run;

  private readonly how: How;
  private byInstructions: Run | undefined;

  /** The same by the interpreter, which can stop where data is waited for. */
  get instructed(): Run {
    this.byInstructions ??= closureRun(this.parts);
    return this.byInstructions;
  }

  constructor(parts: RoutineParts, how: How) {
    this.parts = parts;
    this.how = how;
    this.run = this.first();
  }

  /** Where it runs by the interpreter for good: the same with a list of values, which becomes that of the registers. */
  byList: ListRun | undefined;

  private interpret(closures: ListRun | undefined): void {
    this.byList = closures ?? listRun(this.parts);
    this.run = withList(this.byList);
  }

  /** Runs code for the first time. Where it stops and the interpreter does not, the code is at fault, and not used again. */
  private tried(code: Run, frame: Frame, out: string, values: readonly unknown[]): string {
    const { pass } = frame;
    const { problems, sink } = pass;
    const before = problems.length;
    // What is passed on cannot be taken back.
    pass.sink = undefined;
    try {
      const text = code(frame, out, ...values);
      this.run = code;
      return text;
    } catch (thrown) {
      if (!(thrown instanceof ReferenceError || thrown instanceof TypeError || thrown instanceof SyntaxError))
        throw thrown;
      pass.problems = problems;
      problems.length = before;
      this.interpret(undefined);
      const text = this.run(frame, out, ...values);
      reportOwnFault(this.parts.name, thrown);
      return text;
    } finally {
      pass.sink = sink;
    }
  }

  private first(): Run {
    const { how, parts } = this;
    const isUsual = how === 'usual';
    let times = 0;
    let closures: ListRun | undefined;
    return (frame, out, ...values) => {
      if (isUsual && times++ < fewTimes) {
        closures ??= listRun(parts);
        return closures(frame, out, values as unknown[]);
      }
      const code = codeRun(parts, how);
      if (code && isUsual) return this.tried(code, frame, out, values);
      if (code) this.run = code;
      else this.interpret(closures);
      return this.run(frame, out, ...values);
    };
  }
}

type ListRun = (frame: Frame, out: string, values: unknown[]) => string;

/** A routine without code. */
export function closureRun(parts: RoutineParts): Run {
  return withList(listRun(parts));
}

function withList(run: ListRun): Run {
  return (frame, out, ...values) => run(frame, out, values as unknown[]);
}

function listRun({ hints, steps }: RoutineParts): ListRun {
  const write = closureOf(steps);
  const registers = hints.length;
  return (frame, out, values) => {
    while (values.length < registers) values.push(undefined);
    frame.locals = values;
    return write(frame, out);
  };
}
