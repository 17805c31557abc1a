import { type ComponentCore, isMade } from '../component/index.js';
import { type Core, ExprCore, operand, withInputs } from '../template/index.js';
import { type Filled, filledCore } from './block.js';
import { hasHostRules } from './host-rules.js';
import { isInteractive } from './interactive.js';
import type { Plan, PlanUse } from './plan.js';
import { fallbackExpr } from './settle.js';

/** Locals of the component's own template are numbered apart from those around the use. */
const apart = 10_000;

/** Components whose content is being asked about: one that stands inside itself comes to something. */
const asking = new Set<ComponentCore>();

/**
 * Whether a use comes to anything: an element always does; of a component that is flattened it is whether its template
 * does, with what this use gives, read where the use is written.
 */
export function useFilled(use: PlanUse, planOf: (component: ComponentCore) => Plan): Filled {
  const { component } = use;
  if (isInteractive(component) || hasHostRules(component) || asking.has(component)) return true;
  asking.add(component);
  try {
    const { filled } = planOf(component).content;
    return typeof filled === 'boolean' ? filled : constant(given(filled, use));
  } finally {
    asking.delete(component);
  }
}

/** An expression of the component's own scope, as one of the scope where it is used. */
function given(core: Core, use: PlanUse): Core {
  const { op } = core;
  switch (op.op) {
    case 'prop': {
      const bound = use.props[op.index];
      return bound?.expr ? withFallback(bound.expr, use.component, op.index) : operand(bound?.value);
    }
    case 'filled': {
      const fill = use.fills[op.index];
      return filledCore(fill !== undefined && (fill.data !== undefined || fill.block.filled));
    }
    case 'local':
      return new ExprCore({ ...op, local: op.local + apart });
    case 'any':
      return new ExprCore({ ...op, list: given(op.list, use), item: op.item + apart, of: given(op.of, use) });
    default:
      return new ExprCore(withInputs(op, (input) => given(input, use)));
  }
}

/** A prop that is given nothing is its fallback. */
function withFallback(expr: Core, component: ComponentCore, index: number): Core {
  const fallback = component.props.kinds[index]?.settings.fallbackValue;
  if (fallback === undefined) return expr;
  return new ExprCore({
    op: 'binary',
    operator: '??',
    left: expr,
    right: isMade(fallback) ? fallbackExpr(fallback) : operand(fallback),
  });
}

/** Known, where it reads nothing. */
function constant(core: Core): Filled {
  return core.op.op === 'literal' ? core.op.value === true : core;
}
