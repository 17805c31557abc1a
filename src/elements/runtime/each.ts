import { finding, show } from '../../problem/index.js';
import { idPart } from '../../template/id-part.js';
import type { Scope } from '../../template/scope.js';
import { after, ended } from './adopted.js';
import { adopt } from './adoption.js';
import { type Attach, attempt, type Block, follow, type Scopes, update } from './block.js';
import { copyOf } from './dom.js';
import type { Instance } from './instance.js';
import { forward, inside, mount, type Reads, remove } from './move.js';
import { Rows } from './rows.js';
import { derived, refresh } from './scopes.js';
import type { Get } from './text.js';
import { attachAll, create, type View } from './view.js';

export interface Each {
  readonly list: Get;
  /** As a person would write it. */
  readonly name: string;
  readonly mask: number;
  readonly level: number;
  /** The local that holds the item; the next one holds its number. */
  readonly item: number;
  readonly itemMask: number;
  readonly indexMask: number;
  /** The mask of all locals of the level. */
  readonly locals: number;
  /** How many row and slot functions enclose the rows, where something in them makes ids. */
  readonly depth?: number | undefined;
  readonly key?: Get | undefined;
  readonly row: View;
  readonly empty?: View | undefined;
  /** What rows and the content for none read. */
  readonly reads: Reads;
}

/** Makes a row. One of a single element is cloned without a fragment around it, which costs as much again. */
function createRow(view: View, scopes: Scopes, instance: Instance): ReturnType<typeof create> {
  const { firstChild, lastChild } = view.fragment();
  if (firstChild !== lastChild || !(firstChild instanceof Element)) return create(view, scopes, instance);
  const node = copyOf(firstChild);
  return { block: attachAll(view, node, node, scopes, instance), fragment: node };
}

/** Content for every item of a list, before a node that marks the place. */
export function each(of: Each): Attach {
  const { level, item, itemMask, indexMask, key, row, empty, reads, depth } = of;
  const readsIndex = reads.some(([index, mask]) => index === level && mask & indexMask);
  return (mark, scopes, block, instance) => {
    const rowScopes = (value: unknown, index: number): Scopes => {
      const own = derived(scopes[level] as Scope);
      own.locals[item] = value;
      own.locals[item + 1] = index;
      if (own.at && depth !== undefined) {
        own.at = own.at.slice();
        own.at[depth + 1] = `${own.at[depth] ?? ''}-${idPart(key ? key(own) : index)}`;
      }
      const copies = scopes.slice();
      copies[level] = own;
      return copies;
    };
    /** The next of the rows that a server wrote. */
    let cursor: Node | null = instance.adoption ? inside(mark, instance) : null;
    /** One scope serves to ask all items for their keys. */
    const probe = derived(scopes[level] as Scope);
    const rows = new Rows(mark, {
      create(value, index) {
        if (!instance.adoption) return createRow(row, rowScopes(value, index), instance);
        const taken = adopt(row, cursor, mark.parentNode as Node, rowScopes(value, index), instance);
        cursor = after(taken.last, null);
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
        const { locals } = changed.scopes[level] as Scope;
        let mask = isNew ? itemMask : 0;
        if (readsIndex && locals[item + 1] !== index) mask |= indexMask;
        locals[item] = value;
        locals[item + 1] = index;
        if (mask) update(changed, level, mask);
      },
      doubled: (one) =>
        instance.report(finding('key-doubled', { key: JSON.stringify(one) ?? String(one), list: of.name })),
    });
    let emptyBlock: Block | undefined;
    const run = (): void => {
      const value = of.list(scopes[level] as Scope);
      const items: readonly unknown[] = Array.isArray(value) ? value : [];
      if (items !== value && value !== null && value !== undefined)
        instance.report(finding('list-invalid', { name: of.name, got: show(value) }));
      rows.show(items);
      if (items.length > 0) {
        if (emptyBlock) remove(emptyBlock);
        emptyBlock = undefined;
      } else if (empty && !emptyBlock) emptyBlock = mount(empty, mark, [...scopes], instance);
    };
    attempt(instance, run);
    if (instance.adoption && !emptyBlock) ended(cursor, mark, instance, mark.parentNode);
    // What rows read besides their own item goes to each of them, before the list itself is looked at.
    forward(block, reads, (one, mask) => {
      if (emptyBlock) update(emptyBlock, one, mask);
      const others = one === level ? mask & ~(itemMask | indexMask) : mask;
      if (!others) return;
      const areOuter = one === level && others & of.locals;
      for (const { block: within } of rows.all) {
        if (areOuter) refresh(within.scopes[level] as Scope, scopes[level] as Scope, item, 2);
        update(within, one, others);
      }
    });
    follow(block, level, of.mask, run);
  };
}
