import { show } from '../../component/index.js';
import { finding } from '../../problem/index.js';
import { describe, type ExprCore, type Frame } from '../../template/index.js';
import { idPart, type PlanEach } from '../../tree/index.js';
import { MarkupDiffers } from '../adoption.js';
import type { Block, Frames } from '../block.js';
import { viewOf } from '../build.js';
import type { Instance } from '../instance.js';
import { Rows } from '../rows.js';
import { forward, type Spot, View } from '../view.js';
import { derived, refresh } from './slot.js';

/** Content for every item of a list, before a node that marks the place. */
export function buildEach(node: PlanEach, parent: Node, view: View, spot: Spot): void {
  const mark = parent.appendChild(document.createComment(''));
  const { scope } = spot;
  const { item, key } = node;
  const list = 'get' in node.list ? node.list : undefined;
  const listBits = list ? scope.bits.read(list) : 0;
  const itemBit = scope.bits.of(`local ${item}`);
  const indexBit = scope.bits.of(`local ${item + 1}`);
  const row = viewOf(node.row, view.numbers, { ...spot, depth: spot.depth + 1 });
  const empty = node.empty.length === 0 ? undefined : viewOf(node.empty, view.numbers, spot);
  const inner = new View(view.numbers);
  for (const one of [row, empty])
    for (const [index, bits] of one?.reads ?? []) inner.note({ ...scope, index }, bits);
  view.note(scope, listBits);
  for (const [index, bits] of inner.reads) view.note({ ...scope, index }, bits);
  const readsIndex = ((inner.reads.get(scope.index) ?? 0) & indexBit) !== 0;
  const get = list ? list.get : () => node.list;

  view.place(mark, (found, frames, block, instance) => {
    const rowFrames = (value: unknown, index: number): Frames => {
      const own = derived(frames[scope.index] as Frame);
      own.locals[item] = value;
      own.locals[item + 1] = index;
      if (own.at) {
        own.at = own.at.slice();
        own.at[spot.depth + 1] = `${own.at[spot.depth] ?? ''}-${idPart(key ? key.get(own) : index)}`;
      }
      const copies = frames.slice();
      copies[scope.index] = own;
      return copies;
    };
    /** The next of the rows that a server wrote. */
    let cursor: Node | null = instance.adoption?.inside(found) ?? null;
    /** One frame serves to ask all items for their keys. */
    const probe = derived(frames[scope.index] as Frame);
    const rows = new Rows(found, {
      create(value, index) {
        if (!instance.adoption) return row.create(rowFrames(value, index), instance);
        const { block: taken, next } = row.adopt(cursor, found.parentNode, rowFrames(value, index), instance);
        cursor = next;
        return { block: taken, fragment: document.createDocumentFragment() };
      },
      keyOf: key
        ? (value, index) => {
            probe.locals[item] = value;
            probe.locals[item + 1] = index;
            return key.get(probe);
          }
        : undefined,
      update(block, isNew, value, index) {
        const { locals } = block.frames[scope.index] as Frame;
        let bits = isNew ? itemBit : 0;
        if (readsIndex && locals[item + 1] !== index) bits |= indexBit;
        locals[item] = value;
        locals[item + 1] = index;
        if (bits !== 0) block.update(scope.index, bits);
      },
      doubled: (one) => {
        const name = list ? describe(list) : 'a list';
        instance.report(finding('key-doubled', { key: JSON.stringify(one) ?? String(one), list: name }));
      },
    });
    let emptyBlock: Block | undefined;
    const run = (): void => {
      const items = itemsOf(get(frames[scope.index] as Frame), list, instance);
      rows.show(items);
      if (items.length > 0) {
        emptyBlock?.remove();
        emptyBlock = undefined;
      } else if (empty && !emptyBlock) {
        emptyBlock = empty.mount(found, [...frames], instance);
      }
    };
    run();
    if (instance.adoption && rows.all.length > 0 && cursor !== found)
      throw new MarkupDiffers('it has more rows');
    // What rows read besides their own item goes to each of them, before the list itself is looked at.
    forward(block, inner.reads, (one, bits) => {
      emptyBlock?.update(one, bits);
      const others = one === scope.index ? bits & ~(itemBit | indexBit) : bits;
      if (others === 0) return;
      const areOuter = one === scope.index && (others & scope.bits.locals) !== 0;
      for (const { block: inside } of rows.all) {
        if (areOuter) refresh(inside.frames[scope.index] as Frame, frames[scope.index] as Frame, item, 2);
        inside.update(one, others);
      }
    });
    if (listBits !== 0) block.updaters.push({ scope: scope.index, bits: listBits, run });
  });
}

const noItems: readonly unknown[] = [];

function itemsOf(value: unknown, list: ExprCore | undefined, instance: Instance): readonly unknown[] {
  if (Array.isArray(value)) return value;
  if (value !== null && value !== undefined) {
    instance.report(finding('list-invalid', { name: list ? describe(list) : 'a value', got: show(value) }));
  }
  return noItems;
}
