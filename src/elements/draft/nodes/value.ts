import { finding } from '../../../problem/index.js';
import { describe, type ExprCore } from '../../../template/index.js';
import { misplaced, type PlanValue } from '../../../tree/index.js';
import type { Instance } from '../../live/instance.js';
import { call, InPage } from '../call.js';
import type { Draft, Spot } from '../draft.js';
import { type Around, SketchSpot } from '../sketch.js';

/** An expression's value as a text node. */
export function buildValue(node: PlanValue, parent: Around, view: Draft, { scope }: Spot): void {
  const core = node.value;
  const bits = scope.bits.read(core);
  view.note(scope.index, bits);
  const tell = new InPage(() => tellOf(core));
  view.place(view.add(parent, new SketchSpot('text')), call('text', core, bits, scope.index, tell));
}

/** Says of a value that is no content what it is and where it comes from; written code has shorter words. */
function tellOf(core: ExprCore): (value: unknown, instance: Instance) => void {
  return (value, instance) => {
    const { message, hint } = misplaced(value);
    const found = finding('content-not-allowed', { what: '', place: '', hint });
    instance.report({ ...found, message: `${describe(core)}: ${message}` });
  };
}
