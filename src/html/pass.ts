import type { ComponentCore } from '../component/index.js';
import { type Finding, type Problem, placed } from '../problem/index.js';
import { type Frame, pathOf } from '../template/index.js';
import type { Program } from './program.js';

/** One rendering: it gathers what is found wrong with values while they are written, and the styles it needs. */
export class Pass {
  readonly form: 'markup' | 'elements';
  readonly problems: Problem[] = [];
  /** The components whose styles content on the spot needs. */
  styled: Set<ComponentCore> | undefined;
  /** What the components around the place that is being written provide. */
  readonly shared: Map<string, unknown> = new Map();
  #uses = 0;

  constructor(form: 'markup' | 'elements' = 'markup') {
    this.form = form;
  }

  report(found: Finding, frame: Frame): void {
    this.problems.push(placed(found, pathOf(frame)));
  }

  /** Takes note of a component that content on the spot uses. */
  reached(program: Program): void {
    if (program.styled.size === 0) return;
    this.styled ??= new Set();
    for (const component of program.styled) this.styled.add(component);
  }

  /** What tells the ids of this use on the spot from those of the others; the first, outermost one needs nothing. */
  nextUse(): string {
    const number = this.#uses++;
    return number === 0 ? '' : `.${number}`;
  }
}
