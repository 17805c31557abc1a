import { coreOf, type ExprCore, inputsOf } from './expr.js';
import { isHandlerCall } from './handler-call.js';
import { isNode, isRecord } from './node.js';
import type { Node } from './nodes/index.js';

/** Every expression that a template's content reaches, through nodes, attributes and other expressions. */
export function placedExprs(content: unknown): ReadonlySet<ExprCore> {
  const reached = new Set<ExprCore>();
  const seen = new Set<unknown>();
  const visit = (part: unknown): void => {
    const core = coreOf(part);
    if (core) visitCore(core);
    else if (typeof part === 'object' && part !== null && !seen.has(part)) {
      seen.add(part);
      if (Array.isArray(part)) part.forEach(visit);
      else if (isHandlerCall(part)) part.args.forEach(visit);
      else if (isNode(part)) partsOf(part as Node).forEach(visit);
      else if (isRecord(part)) Object.values(part).forEach(visit);
    }
  };
  const visitCore = (core: ExprCore): void => {
    if (reached.has(core)) return;
    reached.add(core);
    inputsOf(core).forEach(visitCore);
  };
  visit(content);
  return reached;
}

/** Whatever a node holds that may be, or hold, an expression or another node. */
export function partsOf(node: Node): readonly unknown[] {
  switch (node.kind) {
    case 'element':
      return [node.tag, node.attributes, node.content];
    case 'given':
      return [node.test.face, node.content, node.otherwise];
    case 'each':
      return [node.list, node.key?.face, node.row, node.empty];
    case 'slot':
      return [node.data, node.fallback];
    case 'trusted':
      return [node.html];
    case 'use':
      return [node.props, ...Object.values(node.slots).map((slot) => slot.content)];
  }
}
