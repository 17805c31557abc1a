import { finding } from '../../problem/index.js';
import { describe, type ExprCore } from '../../template/index.js';
import { misplaced, type PlanValue } from '../../tree/index.js';
import type { Instance } from '../instance.js';
import type { Spot, View } from '../view.js';

/** An expression's value as a text node. */
export function buildValue(node: PlanValue, parent: Node, view: View, { scope }: Spot): void {
  const text = parent.appendChild(document.createTextNode(''));
  const core = node.value;
  const { get } = core;
  const bits = scope.bits.read(core);
  const { index } = scope;
  view.note(scope, bits);
  view.place(text, (found, frames, block, instance) => {
    const target = found as Text;
    let shown = instance.adoption ? target.data : '';
    const written = shown;
    const run = (): void => {
      const value = get(frames[index] as never);
      const next = typeof value === 'string' ? value : textOf(value, core, instance);
      if (next !== shown) {
        shown = next;
        target.data = next;
      }
    };
    run();
    if (instance.adoption && shown !== written)
      instance.differs(`it says ${JSON.stringify(written)} where ${JSON.stringify(shown)} belongs`);
    if (bits !== 0) block.updaters.push({ scope: index, bits, run });
  });
}

function textOf(value: unknown, core: ExprCore, instance: Instance): string {
  if (typeof value === 'number' || typeof value === 'bigint') return String(value);
  if (value === null || value === undefined || value === false) return '';
  const { message, hint } = misplaced(value);
  const found = finding('content-not-allowed', { what: '', place: '', hint });
  instance.report({ ...found, message: `${describe(core)}: ${message}` });
  return '';
}
