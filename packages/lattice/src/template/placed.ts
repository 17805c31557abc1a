import { coreOf, ExprCore } from './expression/expr.js';
import { inputsOf } from './expression/inputs.js';
import type { Core } from './expression/ops.js';
import { isHandlerCall, isListenerFunction } from './handler-call.js';
import { isNode, isRecord } from './node.js';
import { isNodePlace } from './node-place.js';

/** Every expression that a template's content reaches, through nodes, attributes and other expressions. */
export function placedExprs(content: unknown): ReadonlySet<Core> {
  const reached = new Set<Core>();
  const seen = new Set<unknown>();
  const visit = (part: unknown): void => {
    const core = coreOf(part);
    if (core) visitCore(core);
    else if (typeof part === 'object' && part !== null && !seen.has(part)) {
      seen.add(part);
      if (Array.isArray(part)) part.forEach(visit);
      else if (isHandlerCall(part)) part.args.forEach(visit);
      else if (isNodePlace(part)) visit(part.key);
      else if (isNode(part)) part.parts().forEach(visit);
      else if (isRecord(part)) {
        Object.values(part).forEach(visit);
        if (isRecord(part.on)) Object.values(part.on).forEach(heard);
      }
    }
  };
  // Other functions are values, which are not run.
  const heard = (listener: unknown): void => {
    if (isListenerFunction(listener)) visit(listener(new ExprCore({ op: 'event' }).face));
  };
  const visitCore = (core: Core): void => {
    if (reached.has(core)) return;
    reached.add(core);
    inputsOf(core).forEach(visitCore);
  };
  visit(content);
  return reached;
}
