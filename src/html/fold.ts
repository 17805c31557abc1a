import { coreOf, type ExprCore, inputExprs, inputsOf } from '../template/index.js';
import type { PlanNode, PlanUse } from '../tree/index.js';
import { isInteractive } from '../tree/index.js';
import { Chunks } from './chunks.js';
import { emptyFrame } from './frames.js';
import type { At } from './lowering.js';
import { Pass } from './pass.js';
import { type Form, programAhead } from './program.js';

/** Whether a node comes out the same at every rendering, so that its text can be had while compiling. */
export function foldable(node: PlanNode, form: Form): boolean {
  return isClosed(node, new Set(), form);
}

/** Compiles a closed node apart, writes it once and keeps the text. A problem on the way is left to rendering. */
export function foldInto<N extends PlanNode>(
  node: N,
  to: Chunks,
  at: At,
  lower: (node: N, to: Chunks, at: At) => void,
): void {
  const chunks = new Chunks();
  lower(node, chunks, at);
  const pass = new Pass();
  try {
    const text = chunks.compile()(emptyFrame(), pass);
    if (pass.problems.length === 0) return to.text(text);
  } catch {
    // Whatever was thrown is thrown again, with its place, when the node is rendered.
  }
  to.place(chunks.compile());
}

function isClosed(node: PlanNode, bound: ReadonlySet<number>, form: Form): boolean {
  const all = (nodes: readonly PlanNode[], more = bound): boolean =>
    nodes.every((one) => isClosed(one, more, form));
  switch (node.kind) {
    case 'text':
      return true;
    case 'value':
      return isClosedExpr(node.value, bound);
    case 'trusted':
      return typeof node.html === 'string' || isClosedExpr(node.html, bound);
    case 'element':
      return typeof node.tag === 'string' && areClosed(node.attributes, bound) && all(node.content);
    case 'given':
      return isClosedExpr(node.test, bound) && all(node.content) && all(node.otherwise);
    case 'each': {
      const inside = new Set([...bound, node.item, node.item + 1]);
      const listClosed = Array.isArray(node.list) || isClosedExpr(node.list as ExprCore, bound);
      return listClosed && all(node.row, inside) && all(node.empty);
    }
    case 'slot':
      return false;
    case 'use':
      return isClosedUse(node, bound, form);
  }
}

function isClosedUse(node: PlanUse, bound: ReadonlySet<number>, form: Form): boolean {
  if (form !== 'markup' && isInteractive(node.component)) return false;
  const program = programAhead(node.component, form);
  if (!program || program.makesIds || program.varies || !areClosed(node.accepted ?? {}, bound)) return false;
  return (
    node.props.every((prop) => !prop.expr || isClosedExpr(prop.expr, bound)) &&
    node.fills.every((fill) => {
      if (!fill) return true;
      const inside = fill.data === undefined ? bound : new Set([...bound, fill.data]);
      return fill.content.every((one) => isClosed(one, inside, form));
    })
  );
}

function areClosed(attributes: Readonly<Record<string, unknown>>, bound: ReadonlySet<number>): boolean {
  return Object.values(attributes).every((value) => {
    const core = coreOf(value);
    if (core) return isClosedExpr(core, bound);
    return inputExprs(value).every((one) => isClosedExpr(one, bound));
  });
}

function isClosedExpr(core: ExprCore, bound: ReadonlySet<number>): boolean {
  const { op } = core;
  switch (op.op) {
    case 'local':
      return bound.has(op.local);
    case 'calc':
      return op.inputs.length > 0 && inputsOf(core).every((input) => isClosedExpr(input, bound));
    case 'field':
    case 'phrase':
      return inputsOf(core).every((input) => isClosedExpr(input, bound));
    default:
      return false;
  }
}
