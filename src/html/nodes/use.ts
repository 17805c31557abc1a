import { type AnyKind, fits, settle } from '../../component/index.js';
import type { Frame } from '../../template/index.js';
import { type PlanUse, propFault } from '../../tree/index.js';
import type { Chunks, Write } from '../chunks.js';
import { frameOf } from '../frames.js';
import type { At } from '../lowering.js';
import type { Pass } from '../pass.js';
import { type Program, programAhead, programOf } from '../program.js';
import { holdsSlot, lowerFill } from './slot.js';

/** A use: its props' values in a frame of its own, its content as fills, its component's program. */
export function lowerUse(node: PlanUse, to: Chunks, at: At): void {
  const { component, site } = node;
  const { lowering, depth } = at;
  for (const prop of node.props) if (prop.expr) lowering.note(prop.expr);
  const before = lowering.makesIds;
  lowering.makesIds = false;
  const ahead = programAhead(component);
  lowering.noteUse(ahead);
  const fills = node.fills.map((fill) => fill && lowerFill(fill, lowering, depth));
  const makesIds = lowering.makesIds;
  lowering.makesIds ||= before;
  const passesSlots = node.fills.some((fill) => fill !== undefined && holdsSlot(fill.content));
  const number = `-${site.number}`;
  const idsFor = (frame: Frame): string[] | undefined =>
    makesIds || (passesSlots && frame.at) ? [(frame.at?.[depth] ?? '') + number] : undefined;
  const values = valuesOf(node);
  let program: Program | undefined = ahead;
  const write: Write = (frame, pass) => {
    program ??= programOf(component);
    return program.write(frameOf(component, values(frame, pass), fills, frame, site, idsFor(frame)), pass);
  };
  to.place(write);
}

type Values = (frame: Frame, pass: Pass) => readonly unknown[];

/** How to have the settled prop values of a use; those that change are checked each time. */
function valuesOf(node: PlanUse): Values {
  const constants = node.props.map((prop) => prop.value);
  const changing = node.props.flatMap((prop, index) => (prop.expr ? [{ index, get: prop.expr.get }] : []));
  const kinds = node.component.props.kinds;
  if (changing.length === 0) return () => constants;
  return (frame, pass) => {
    const values = constants.slice();
    for (const { index, get } of changing) {
      const value = get(frame);
      const kind = kinds[index] as AnyKind;
      values[index] =
        value !== undefined && kind.rules.settle === undefined && fits(kind, value)
          ? value
          : settleLate(node, index, value, frame, pass);
    }
    return values;
  };
}

/** A value that is missing, does not fit, or is handed on changed. */
function settleLate(node: PlanUse, index: number, value: unknown, frame: Frame, pass: Pass): unknown {
  const found = propFault(node.component, index, value);
  if (found) {
    const place = frameOf({ ...node.component, state: undefined }, [], [], frame, node.site, undefined);
    pass.report(node.source ? { ...found, source: node.source } : found, place);
    return undefined;
  }
  const kind = node.component.props.kinds[index] as AnyKind;
  return value === undefined ? kind.settings.fallbackValue : settle(kind, value);
}
