import { type AnyKind, settle } from '../../component/index.js';
import { type ExprCore, type Frame, inputExprs } from '../../template/index.js';
import { holdsSlot, isInteractive, type PlanUse, propFault, readsShared } from '../../tree/index.js';
import type { Chunks, Write } from '../chunks.js';
import { frameOf, noLocals } from '../frames.js';
import type { At } from '../lowering.js';
import { between, blockStart } from '../marks.js';
import type { Pass } from '../pass.js';
import { type Program, programAhead, programOf } from '../program.js';
import { withShared } from '../provide.js';
import { type Item, type Source, sourceOf } from '../sources.js';
import { lowerHost } from './host.js';
import { lowerFill } from './slot.js';

/** A use: its props' values in a frame of its own, its content as fills, its component's program. */
export function lowerUse(node: PlanUse, to: Chunks, at: At): void {
  if (at.lowering.form !== 'markup' && isInteractive(node.component))
    return lowerHost(node, to, at, valuesOf(node));
  const { accepted, component, site } = node;
  const { lowering, depth } = at;
  for (const value of Object.values(accepted ?? {}))
    for (const core of inputExprs(value)) lowering.note(core);
  for (const prop of node.props) if (prop.expr) lowering.note(prop.expr);
  const before = lowering.makesIds;
  lowering.makesIds = false;
  const ahead = programAhead(component, lowering.inner);
  lowering.noteUse(ahead);
  const fills = node.fills.map((fill) => fill && lowerFill(fill, lowering, depth));
  const makesIds = lowering.makesIds;
  lowering.makesIds ||= before;
  const passesSlots = node.fills.some((fill) => fill !== undefined && holdsSlot(fill.content));
  const form = lowering.inner;
  const shares = component.provides !== undefined || readsShared(component);
  const mayMakeIds = makesIds || passesSlots;
  const number = `-${site.number}`;
  const idsFor = (frame: Frame): string[] | undefined =>
    makesIds || (passesSlots && frame.at) ? [(frame.at?.[depth] ?? '') + number] : undefined;
  const values = valuesOf(node);
  let program: Program | undefined = ahead;
  const write: Write = (frame, pass) => {
    program ??= programOf(component, form);
    const at = mayMakeIds ? idsFor(frame) : undefined;
    const locals = program.locals === 0 ? noLocals : [];
    const inner = frameOf(component, values(frame, pass), fills, frame, site, at, locals);
    if (accepted) inner.accepted = accepted;
    if (!shares) return program.write(inner, pass);
    const { write: writeInner } = program;
    return withShared(component, inner, pass, () => writeInner(inner, pass));
  };
  if (ahead) return to.place(write);
  // A component inside itself: an element makes what stands there when it is really there.
  between(to, at, () => {
    to.text(blockStart([node], at));
    to.place(write);
  });
}

export type Values = (frame: Frame, pass: Pass) => readonly unknown[];

/** How to have the settled prop values of a use; those that change are checked each time. */
function valuesOf(node: PlanUse): Values {
  const constants = node.props.map((prop) => prop.value);
  if (node.props.every((prop) => !prop.expr)) return () => constants;
  const readers = node.props.map((prop, index) =>
    prop.expr ? reader(node, index, prop.expr) : () => prop.value,
  );
  const [a, b, c, d] = readers;
  if (a && b && c && d && readers.length === 4) {
    return (frame, pass) => [a(frame, pass), b(frame, pass), c(frame, pass), d(frame, pass)];
  }
  if (a && b && c && readers.length === 3)
    return (frame, pass) => [a(frame, pass), b(frame, pass), c(frame, pass)];
  if (a && b && readers.length === 2) return (frame, pass) => [a(frame, pass), b(frame, pass)];
  if (a && readers.length === 1) return (frame, pass) => [a(frame, pass)];
  return (frame, pass) => readers.map((read) => read(frame, pass));
}

type Reader = (frame: Frame, pass: Pass) => unknown;

/** The type that values of a kind have, where that is all there is to check. */
const plainTypes: Readonly<Record<string, string>> = { text: 'string', number: 'number', flag: 'boolean' };

/** Reads one changing prop; a value that fits at once is handed on as it is. */
function reader(node: PlanUse, index: number, expr: ExprCore): Reader {
  const kind = node.component.props.kinds[index] as AnyKind;
  const late = (value: unknown, frame: Frame, pass: Pass): unknown =>
    settleLate(node, index, value, frame, pass);
  if (kind.settings.tests.length > 0 || kind.rules.settle)
    return (frame, pass) => late(expr.get(frame), frame, pass);
  const type = plainTypes[kind.rules.word];
  if (type !== undefined) return typeReader(sourceOf(expr), type, late);
  const { get } = expr;
  const { accepts } = kind.rules;
  return (frame, pass) => {
    const value = get(frame);
    return value !== undefined && accepts(value) ? value : late(value, frame, pass);
  };
}

type Late = (value: unknown, frame: Frame, pass: Pass) => unknown;

function typeReader(source: Source, type: string, late: Late): Reader {
  const isFit = (value: unknown): boolean =>
    typeof value === type && (type !== 'number' || Number.isFinite(value));
  if (source.from === 'field' && type !== 'number') {
    const { local, key } = source;
    return (frame, pass) => {
      const value = (frame.locals[local] as Item)?.[key];
      return typeof value === type ? value : late(value, frame, pass);
    };
  }
  if (source.from === 'field') {
    const { local, key } = source;
    return (frame, pass) => {
      const value = (frame.locals[local] as Item)?.[key];
      return isFit(value) ? value : late(value, frame, pass);
    };
  }
  if (source.from === 'prop') {
    const { index } = source;
    return (frame, pass) => {
      const value = frame.props[index];
      return isFit(value) ? value : late(value, frame, pass);
    };
  }
  const { get } = source;
  return (frame, pass) => {
    const value = get(frame);
    return isFit(value) ? value : late(value, frame, pass);
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
