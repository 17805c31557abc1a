import { coreOf, type Fill, type Frame } from '../../template/index.js';
import type { PlanFill, PlanNode, PlanSlot } from '../../tree/index.js';
import { Chunks, type Write } from '../chunks.js';
import { lowerAll } from '../lower.js';
import type { At, Lowering } from '../lowering.js';
import type { Pass } from '../pass.js';

/** Content given to a slot, ready to write. */
export interface HtmlFill extends Fill {
  readonly write: Write;
  /** Set where the content always comes to something, so that it need not be asked. */
  readonly isAlways: boolean;
  /** The owner's local that takes what the slot hands over. */
  readonly data: number | undefined;
  /** The depth of the content's rows in the owner's template. */
  readonly depth: number;
}

/** The place of a slot: its content, written in the frame it comes from, or the fallback. */
export function lowerSlot(node: PlanSlot, to: Chunks, at: At): void {
  const fallback = new Chunks();
  lowerAll(node.fallback, fallback, at);
  const writeFallback = fallback.compile();
  const { slot, data, number } = node;
  const core = coreOf(data);
  if (core) at.lowering.note(core);
  const getData = core?.get ?? (() => data);
  const { depth } = at;
  to.place((frame, pass) => {
    const fill = frame.fills[slot] as HtmlFill | undefined;
    const { owner } = frame;
    if (!fill || !owner || !(fill.isAlways || fill.isFilled(owner))) return writeFallback(frame, pass);
    if (fill.data === undefined) return fill.write(owner, pass);
    if (owner.at && frame.at) owner.at[fill.depth + 1] = `${frame.at[depth] ?? ''}s${number}`;
    return writeWith(fill, fill.data, getData(frame), owner, pass);
  });
}

function writeWith(fill: HtmlFill, local: number, data: unknown, owner: Frame, pass: Pass): string {
  const before = owner.locals[local];
  owner.locals[local] = data;
  const text = fill.write(owner, pass);
  owner.locals[local] = before;
  return text;
}

/** Compiles what a use gives to a slot. */
export function lowerFill(fill: PlanFill, lowering: Lowering, depth: number): HtmlFill {
  const chunks = new Chunks();
  const inside = fill.data === undefined ? depth : depth + 1;
  lowerAll(fill.content, chunks, { lowering, depth: inside, tag: '', isOutermost: false });
  const isAlways = fill.content.some((node) => nodeTest(node) === true);
  return { write: chunks.compile(), data: fill.data, depth, isAlways, isFilled: filledTest(fill.content) };
}

/** Whether content comes to anything: text, elements and uses always do, conditions and rows by what they give. */
export function filledTest(content: readonly PlanNode[]): (owner: Frame) => boolean {
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
      return (owner) => {
        const fill = owner.fills[node.slot];
        return (
          (fill !== undefined && owner.owner !== undefined && fill.isFilled(owner.owner)) || fallback(owner)
        );
      };
    }
    case 'value': {
      const { get } = node.value;
      return (owner) => {
        const value = get(owner);
        return value !== null && value !== undefined && value !== false && value !== '';
      };
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
