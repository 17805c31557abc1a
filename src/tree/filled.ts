import { type ExprCore, type Frame, inputsOf, isFilled, isSomething } from '../template/index.js';
import type { PlanFill, PlanNode } from './plan.js';

/** Whether content given to a slot counts as something whatever the values are; a function of the slot's data does. */
export function alwaysPlaces({ content, data }: PlanFill): boolean {
  return data !== undefined || content.some((node) => nodeTest(node) === true);
}

/** Whether content comes to anything: text, elements and uses always do, conditions and rows by what they give. */
export function fillTest(fill: PlanFill): (owner: Frame) => boolean {
  return alwaysPlaces(fill) ? () => true : filledTest(fill.content);
}

function filledTest(content: readonly PlanNode[]): (owner: Frame) => boolean {
  const tests = content.map(nodeTest);
  if (tests.includes(true)) return () => true;
  const open = tests.filter((test) => typeof test === 'function');
  return (owner) => open.some((test) => test(owner));
}

function nodeTest(node: PlanNode): boolean | ((owner: Frame) => boolean) {
  switch (node.kind) {
    case 'given': {
      const [then, otherwise] = [filledTest(node.content), filledTest(node.otherwise)];
      return (owner) => (node.test.get(owner) ? then(owner) : otherwise(owner));
    }
    case 'each': {
      const { list } = node;
      const empty = filledTest(node.empty);
      const get = 'get' in list ? list.get : () => list;
      return (owner) => {
        const items = get(owner);
        return (Array.isArray(items) && items.length > 0) || empty(owner);
      };
    }
    case 'slot': {
      const fallback = filledTest(node.fallback);
      return (owner) => (owner.owner !== undefined && isFilled(owner, node.slot)) || fallback(owner);
    }
    case 'value': {
      const { get } = node.value;
      return (owner) => isSomething(get(owner));
    }
    default:
      return true;
  }
}

/** Whether a slot is placed somewhere in these nodes, outside the components they use. */
export function holdsSlot(nodes: readonly PlanNode[]): boolean {
  return nodes.some((node) => {
    switch (node.kind) {
      case 'slot':
        return true;
      case 'element':
        return holdsSlot(node.content);
      case 'given':
        return holdsSlot(node.content) || holdsSlot(node.otherwise);
      case 'each':
        return holdsSlot(node.row) || holdsSlot(node.empty);
      case 'use':
        return node.fills.some((fill) => fill !== undefined && holdsSlot(fill.content));
      default:
        return false;
    }
  });
}

/** Whether something in these nodes asks if a slot is filled, or shows content by that. */
export function usesSlots(nodes: readonly PlanNode[]): boolean {
  return nodes.some((node) => {
    switch (node.kind) {
      case 'element':
        return usesSlots(node.content);
      case 'given':
        return asks(node.test) || usesSlots(node.content) || usesSlots(node.otherwise);
      case 'each':
        return usesSlots(node.row) || usesSlots(node.empty);
      case 'value':
        return asks(node.value);
      case 'use':
        return node.fills.some(
          (fill) => fill !== undefined && (holdsSlot(fill.content) || usesSlots(fill.content)),
        );
      default:
        return false;
    }
  });
}

function asks(core: ExprCore): boolean {
  return core.op.op === 'filled' || inputsOf(core).some(asks);
}
