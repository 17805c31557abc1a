import type { PlanFill } from '../../tree/index.js';

/** Tells whether content given to a slot comes to anything. */
export class FillTest {
  readonly fill: PlanFill;

  constructor(fill: PlanFill) {
    this.fill = fill;
  }
}
