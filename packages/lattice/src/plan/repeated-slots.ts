import { type ComponentCore, perComponent } from '../component/index.js';
import { type Finding, finding } from '../problem/index.js';
import { placeOfNode } from '../template/index.js';
import type { Block } from './block.js';
import { isInteractive } from './interactive.js';
import type { PlanFill, PlanNode, PlanSlot } from './plan.js';
import { planOf } from './planner.js';

/** One side of a condition that something stands on. */
interface Side {
  readonly of: PlanNode;
  readonly isFirst: boolean;
}

interface Sighting {
  readonly slot: PlanSlot;
  readonly sides: readonly Side[];
  readonly repeats: boolean;
}

/** A component whose template is followed, with what fills its slots. The component itself has no fills. */
interface Followed {
  readonly component: ComponentCore;
  readonly fills: readonly (PlanFill | undefined)[] | undefined;
  readonly owner: Followed | undefined;
}

/**
 * Slots of a component that an element cannot show as HTML text does: the browser shows what is given to a slot in one
 * place alone, so none may be there twice at once (https://dom.spec.whatwg.org/#find-slotables).
 */
export const repeatedSlots: (component: ComponentCore) => readonly Finding[] = /* @__PURE__ */ perComponent(
  (component) => {
    const seen: Sighting[] = [];
    const root: Followed = { component, fills: undefined, owner: undefined };
    follow(planOf(component).content, root, [], false, seen);
    const repeated = new Map<string, Sighting>();
    for (const [at, one] of seen.entries()) {
      const isThereTwice =
        one.repeats ||
        seen.slice(0, at).some((other) => other.slot.name === one.slot.name && !exclude(one, other));
      if (isThereTwice && !repeated.has(one.slot.name)) repeated.set(one.slot.name, one);
    }
    return [...repeated].map(([slot, { repeats, slot: place }]) =>
      finding(
        'slot-repeated',
        { component: component.name, slot, repeats },
        placeOfNode(place) ?? component.source,
      ),
    );
  },
);

function exclude(a: Sighting, b: Sighting): boolean {
  return a.sides.some((one) => b.sides.some((other) => one.of === other.of && one.isFirst !== other.isFirst));
}

function follow(
  block: Block,
  inside: Followed,
  sides: readonly Side[],
  repeats: boolean,
  seen: Sighting[],
): void {
  const side = (of: PlanNode, isFirst: boolean): readonly Side[] => [...sides, { of, isFirst }];
  for (const node of block.nodes) {
    switch (node.kind) {
      case 'given':
        follow(node.content, inside, side(node, true), repeats, seen);
        follow(node.otherwise, inside, side(node, false), repeats, seen);
        break;
      case 'each':
        follow(node.row, inside, side(node, true), true, seen);
        follow(node.empty, inside, side(node, false), repeats, seen);
        break;
      case 'slot':
        followSlot(node, inside, sides, repeats, seen);
        break;
      case 'use': {
        const { component, fills } = node;
        if (isInteractive(component))
          for (const fill of fills) {
            if (fill) follow(fill.block, inside, sides, repeats || fill.data !== undefined, seen);
          }
        // Only what is passed on can be ours: other templates place slots of their own.
        else if (fills.some((fill) => fill?.block.placesSlots) && !isAround(inside, component))
          follow(planOf(component).content, { component, fills, owner: inside }, sides, repeats, seen);
        break;
      }
      default:
        for (const inner of block.factsOf(node).blocks(node))
          follow(inner.block, inside, sides, repeats, seen);
    }
  }
}

function followSlot(
  node: PlanSlot,
  inside: Followed,
  sides: readonly Side[],
  repeats: boolean,
  seen: Sighting[],
): void {
  if (!inside.fills) {
    if (!node.hands) seen.push({ slot: node, sides, repeats });
    return follow(node.fallback, inside, sides, repeats, seen);
  }
  const fill = inside.fills[node.slot];
  if (fill && inside.owner)
    follow(
      fill.block,
      inside.owner,
      [...sides, { of: node, isFirst: true }],
      repeats || fill.data !== undefined,
      seen,
    );
  if (fill?.block.filled !== true)
    follow(node.fallback, inside, [...sides, { of: node, isFirst: false }], repeats, seen);
}

function isAround(inside: Followed | undefined, component: ComponentCore): boolean {
  return inside !== undefined && (inside.component === component || isAround(inside.owner, component));
}
