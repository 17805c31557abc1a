import {
  type AnyComponent,
  type ComponentCore,
  componentCore,
  type PropsFor,
  perComponent,
  type Use,
  UseNode,
} from '../component/index.js';
import { planContent } from '../plan/index.js';
import { causeOf, failedIn, failure, finding, LatticeError, type Problem } from '../problem/index.js';
import { isNode } from '../template/index.js';
import { TreeBuilder } from './build.js';
import { ComponentTree } from './tree.js';

/**
 * Resolves a component tree: every use bound to its component, props checked, slots assigned. All problems are
 * collected in `problems`; nothing is thrown for them.
 *
 * @param target a use, or a component
 * @param props with a component: its props. Left out, what depends on them stays open.
 * @throws LatticeError `component-unknown` when the target is neither a component nor a use, `too-deep`
 * @example
 * const tree = resolve(FairPage, { varieties });
 * tree.problems.map((problem) => problem.code);
 */
export function resolve<const Target extends Use | AnyComponent>(
  target: Target,
  props?: Target extends AnyComponent ? PropsFor<Target> : never,
): ComponentTree {
  const component = componentCore(target);
  if (!component && !isUse(target)) throw failure(notAComponent(target));
  try {
    if (!component) return resolveUse(target as UseNode);
    return props ? resolveUse(new UseNode(component, props, undefined, resolve)) : resolveOpen(component);
  } catch (thrown) {
    throw failedIn(thrown, component?.name ?? (target as UseNode).component.name);
  }
}

/** Words what was given where a component or a use belongs. */
export function notAComponent(given: unknown): ReturnType<typeof finding> {
  const name =
    typeof given === 'function' ? given.name || 'a function' : given === null ? 'null' : typeof given;
  return finding('component-unknown', {
    name,
    hint: 'Pass a component made with component(…), or a use of one: Name({ … }).',
  });
}

export function isUse(candidate: unknown): candidate is UseNode {
  return isNode(candidate) && candidate.kind === 'use';
}

function resolveUse(use: UseNode): ComponentTree {
  return build(new TreeBuilder(), planContent(use));
}

/** The tree of a component whose own props and slots are left open; made once. */
export const resolveOpen: (component: ComponentCore) => ComponentTree = /* @__PURE__ */ perComponent(
  (component) => {
    const builder = new TreeBuilder();
    const root = builder.openRoot(component);
    return new ComponentTree(root, builder.finish(), builder.styles());
  },
);

function build(builder: TreeBuilder, plan: ReturnType<typeof planContent>): ComponentTree {
  const root = builder.root(plan);
  return new ComponentTree(root, builder.finish(), builder.styles());
}

/** Throws all errors of a tree, if it has any. */
export function refuse(problems: readonly Problem[]): void {
  const errors = problems.filter((problem) => problem.severity === 'error');
  if (errors.length === 0) return;
  const cause = errors.map(causeOf).find((one) => one !== undefined);
  throw new LatticeError(errors, cause === undefined ? undefined : { cause });
}
