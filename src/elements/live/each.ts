import { dev, finding, show } from '../../problem/index.js';
import type { Frame } from '../../template/frame.js';
import { idPart } from '../../template/id-part.js';
import { adopt, differs } from './adoption.js';
import { type Attach, type Block, type Frames, follow, update } from './block.js';
import { derived, refresh } from './frames.js';
import { forward, inside, mount, type Reads, remove } from './move.js';
import { Rows } from './rows.js';
import type { Get } from './text.js';
import { create, type View } from './view.js';

export interface Each {
  readonly list: Get;
  /** As a person would write it. */
  readonly name: string;
  readonly bits: number;
  readonly scope: number;
  /** The local that holds the item; the next one holds its number. */
  readonly item: number;
  readonly itemBit: number;
  readonly indexBit: number;
  /** The bits of all locals of the scope. */
  readonly locals: number;
  /** How many row and slot functions enclose the rows. */
  readonly depth: number;
  readonly key?: Get | undefined;
  readonly row: View;
  readonly empty?: View | undefined;
  /** What rows and the content for none read. */
  readonly reads: Reads;
}

/** Content for every item of a list, before a node that marks the place. */
export function each(of: Each): Attach {
  const { scope, item, itemBit, indexBit, key, row, empty, reads, depth } = of;
  const readsIndex = reads.some(([index, bits]) => index === scope && bits & indexBit);
  return (mark, frames, block, instance) => {
    const rowFrames = (value: unknown, index: number): Frames => {
      const own = derived(frames[scope] as Frame);
      own.locals[item] = value;
      own.locals[item + 1] = index;
      if (own.at) {
        own.at = own.at.slice();
        own.at[depth + 1] = `${own.at[depth] ?? ''}-${idPart(key ? key(own) : index)}`;
      }
      const copies = frames.slice();
      copies[scope] = own;
      return copies;
    };
    /** The next of the rows that a server wrote. */
    let cursor: Node | null = instance.adoption ? inside(mark, instance) : null;
    /** One frame serves to ask all items for their keys. */
    const probe = derived(frames[scope] as Frame);
    const rows = new Rows(mark, {
      create(value, index) {
        if (!instance.adoption) return create(row, rowFrames(value, index), instance);
        const taken = adopt(row, cursor, mark.parentNode, rowFrames(value, index), instance);
        cursor = taken.last?.nextSibling ?? null;
        return { block: taken, fragment: new DocumentFragment() };
      },
      keyOf:
        key &&
        ((value, index) => {
          probe.locals[item] = value;
          probe.locals[item + 1] = index;
          return key(probe);
        }),
      update(changed, isNew, value, index) {
        const { locals } = changed.frames[scope] as Frame;
        let bits = isNew ? itemBit : 0;
        if (readsIndex && locals[item + 1] !== index) bits |= indexBit;
        locals[item] = value;
        locals[item + 1] = index;
        if (bits) update(changed, scope, bits);
      },
      doubled: (one) =>
        instance.report(finding('key-doubled', { key: JSON.stringify(one) ?? String(one), list: of.name })),
    });
    let emptyBlock: Block | undefined;
    const run = (): void => {
      const value = of.list(frames[scope] as Frame);
      const items: readonly unknown[] = Array.isArray(value) ? value : [];
      if (items !== value && value !== null && value !== undefined)
        instance.report(finding('list-invalid', { name: of.name, got: show(value) }));
      rows.show(items);
      if (items.length > 0) {
        if (emptyBlock) remove(emptyBlock);
        emptyBlock = undefined;
      } else if (empty && !emptyBlock) emptyBlock = mount(empty, mark, [...frames], instance);
    };
    run();
    if (instance.adoption && rows.all.length > 0 && cursor !== mark)
      differs(mark.parentNode, dev && 'has more rows');
    // What rows read besides their own item goes to each of them, before the list itself is looked at.
    forward(block, reads, (one, bits) => {
      if (emptyBlock) update(emptyBlock, one, bits);
      const others = one === scope ? bits & ~(itemBit | indexBit) : bits;
      if (!others) return;
      const areOuter = one === scope && others & of.locals;
      for (const { block: within } of rows.all) {
        if (areOuter) refresh(within.frames[scope] as Frame, frames[scope] as Frame, item, 2);
        update(within, one, others);
      }
    });
    follow(block, scope, of.bits, run);
  };
}
