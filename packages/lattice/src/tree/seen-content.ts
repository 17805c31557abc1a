import { type ComponentCore, perComponent, UseNode } from '../component/index.js';
import { ElementNode, isNode, isRecord, rawTextElements } from '../template/index.js';

/** What was found to stand well before, below one element or in one slot. */
class Seen {
  readonly elements = new Map<unknown, Seen>();
  readonly uses = new Map<ComponentCore, SeenSlots>();
  hasText = false;
}

type SeenSlots = Map<string, Seen>;

const nothing = new Seen();

const slotsOf: (component: ComponentCore) => SeenSlots = /* @__PURE__ */ perComponent(() => new Map());

/** More than any program builds inline of elements inside one another; what is deeper is looked at each time. */
const deepest = 64;

/**
 * Whether content built inline stands as some did that was found to be all right: the same elements and components
 * in the same ones. What may stand where depends on nothing else, save for ids, and what has one is never taken for seen.
 *
 * A program builds the same content over and over, and it is looked at only the first time.
 */
export function isSeen(use: UseNode): boolean {
  return followUse(use, slotsOf(use.component), undefined, 0);
}

/**
 * Remembers content that was found to be all right.
 *
 * @param mayRepeat whether a component may stand more than once, having no ids of its own
 */
export function remember(use: UseNode, mayRepeat: (component: ComponentCore) => boolean): void {
  followUse(use, slotsOf(use.component), mayRepeat, 0);
}

/** Given where content is remembered: which components may stand in it. */
type Learns = ((component: ComponentCore) => boolean) | undefined;

function followUse({ component, given }: UseNode, slots: SeenSlots, learns: Learns, depth: number): boolean {
  if (component.accepts !== undefined) return false;
  // A component is looked at itself, too, whatever its use puts into it.
  if (learns) slots.set('', nothing);
  else if (!slots.has('')) return false;
  if (given === undefined) return true;
  if (!isRecord(given)) return followSlot('default', given, slots, learns, depth);
  for (const name in given) if (!followSlot(name, given[name], slots, learns, depth)) return false;
  return true;
}

function followSlot(
  name: string,
  content: unknown,
  slots: SeenSlots,
  learns: Learns,
  depth: number,
): boolean {
  let seen = slots.get(name);
  if (!seen) {
    if (!learns) return false;
    seen = new Seen();
    slots.set(name, seen);
  }
  return follow(content, seen, learns, depth);
}

function follow(content: unknown, seen: Seen, learns: Learns, depth: number): boolean {
  if (typeof content === 'string' || typeof content === 'number' || typeof content === 'bigint') {
    if (learns) seen.hasText = true;
    return seen.hasText;
  }
  if (content === undefined || content === null || content === false) return true;
  if (content instanceof ElementNode) return depth < deepest && followElement(content, seen, learns, depth);
  if (Array.isArray(content)) {
    for (const one of content) if (!follow(one, seen, learns, depth)) return false;
    return true;
  }
  if (content instanceof UseNode) return depth < deepest && followInner(content, seen, learns, depth);
  return isNode(content) && content.kind === 'trusted';
}

function followElement(
  { attributes, content, tag }: ElementNode,
  around: Seen,
  learns: Learns,
  depth: number,
): boolean {
  let seen = around.elements.get(tag);
  if (!seen) {
    if (!learns || typeof tag !== 'string' || rawTextElements.has(tag)) return false;
    seen = new Seen();
    around.elements.set(tag, seen);
  }
  for (const name in attributes) {
    const value = attributes[name];
    if (name === 'id' || typeof value === 'function' || (typeof value === 'object' && value !== null))
      return false;
  }
  for (const one of content) if (!follow(one, seen, learns, depth + 1)) return false;
  return true;
}

function followInner(use: UseNode, around: Seen, learns: Learns, depth: number): boolean {
  let slots = around.uses.get(use.component);
  if (!slots) {
    if (!learns?.(use.component)) return false;
    slots = new Map();
    around.uses.set(use.component, slots);
  }
  return followUse(use, slots, learns, depth + 1);
}
