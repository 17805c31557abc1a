import type { ComponentCore } from '../component/index.js';
import { type Core, ExprCore, operand } from '../template/index.js';
import type { Block } from './block.js';
import type { BoundProp, PlanFill, PlanNode } from './plan.js';

/**
 * Props that are what the use's own content says, where it gives them no value: the props of a component's uses in a slot.
 *
 * @param owner the component in whose template the use stands: it may hand its own slot on
 */
export function withGivenUses(
  { props: { kinds }, slots }: ComponentCore,
  bound: readonly BoundProp[],
  fills: readonly (PlanFill | undefined)[],
  owner: ComponentCore | undefined,
): readonly BoundProp[] {
  if (!kinds.some(({ settings }) => settings.uses)) return bound;
  return bound.map((one, index): BoundProp => {
    const wanted = kinds[index]?.settings.uses;
    const fill = wanted && fills[slots.at.get(wanted.slot) ?? -1];
    if (!fill || fill.data !== undefined || one.from === 'given') return one;
    const expr = usesIn(fill.block, wanted.component, owner);
    return expr ? { name: one.name, from: 'given', expr, value: undefined } : one;
  });
}

/** The uses of a component that stand outermost in content, as a list with lists in it; undefined where there are none. */
function usesIn({ nodes }: Block, wanted: ComponentCore, owner: ComponentCore | undefined): Core | undefined {
  const items = nodes.flatMap((node) => itemOf(node, wanted, owner) ?? []);
  return items.length > 0 ? new ExprCore({ op: 'list', items }) : undefined;
}

function itemOf(node: PlanNode, wanted: ComponentCore, owner: ComponentCore | undefined): Core | undefined {
  if (node.kind === 'use') return node.component === wanted ? recordOf(node.props) : undefined;
  if (node.kind === 'given') {
    const [holds, otherwise] = [usesIn(node.content, wanted, owner), usesIn(node.otherwise, wanted, owner)];
    if (!holds && !otherwise) return undefined;
    const none = operand(undefined);
    return new ExprCore({
      op: 'choice',
      test: node.test,
      holds: holds ?? none,
      otherwise: otherwise ?? none,
    });
  }
  if (node.kind === 'each') {
    const of = usesIn(node.row, wanted, owner);
    return of && new ExprCore({ op: 'any', list: node.list, item: node.item, of, isEach: true });
  }
  if (node.kind !== 'slot' || !owner) return undefined;
  const index = owner.props.kinds.findIndex(
    ({ settings: { uses } }) => uses?.component === wanted && uses.slot === node.name,
  );
  return index < 0
    ? undefined
    : new ExprCore({ op: 'prop', name: owner.props.names[index] as string, index });
}

function recordOf(props: readonly BoundProp[]): Core {
  const there = props.filter(({ expr, value }) => expr !== undefined || value !== undefined);
  return new ExprCore({
    op: 'record',
    keys: there.map(({ name }) => name),
    items: there.map(({ expr, value }) => expr ?? new ExprCore({ op: 'literal', value })),
  });
}
