import { finding, printValue } from '../../problem/index.js';
import type { Scope } from '../../template/scope.js';
import { after, ended } from './adopted.js';
import { adopt } from './adoption.js';
import { type Attach, attempt, type Block, follow, type Scopes, update } from './block.js';
import type { Comparison, OfRow } from './compared.js';
import { forward, inside, mount, type Reads, remove } from './move.js';
import { report } from './report.js';
import type { RowPath } from './row-path.js';
import { Rows } from './rows.js';
import { derived, refresh } from './scopes.js';
import type { Get } from './text.js';
import { create, type View } from './view.js';

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
  /** Set where something in the rows makes ids. */
  readonly path?: RowPath | undefined;
  readonly key?: OfRow | undefined;
  /** Things that rows read just to compare them with something of their own. */
  readonly compared?: readonly (() => Comparison)[] | undefined;
  /** Set where something in a row asks for its number: a place, an event's handler, the path of a use. */
  readonly numbered?: boolean | undefined;
  /** Set where all there is in a row shows values or listens: that needs a scope just while it is looked at. */
  readonly isPlain?: boolean | undefined;
  readonly row: View;
  readonly empty?: View | undefined;
  /** What rows and the content for none read. */
  readonly reads: Reads;
}

/** Content for every item of a list, before a node that marks the place. */
export function each(of: Each): Attach {
  const { level, item, itemMask, indexMask, key, row, empty, reads, path, isPlain, numbered = false } = of;
  const readsIndex = reads.some(([index, mask]) => index === level && mask & indexMask);
  const setRow = ({ locals }: Scope, value: unknown, index: number): void => {
    locals[item] = value;
    locals[item + 1] = index;
  };
  return (mark, scopes, block, instance) => {
    /** One scope serves to ask all items for their keys, and is that of all plain rows in turn. */
    const shared = derived(scopes[level] as Scope);
    const sharedScopes: Scopes = scopes.slice();
    sharedScopes[level] = shared;
    sharedScopes.enter = (one) => setRow(shared, one.item, one.index);
    const rowScopes = (value: unknown, index: number): Scopes => {
      if (isPlain) {
        setRow(shared, value, index);
        return sharedScopes;
      }
      const own = derived(scopes[level] as Scope);
      setRow(own, value, index);
      path?.(own, key ? key(value, index, own) : index);
      const copies = scopes.slice();
      copies[level] = own;
      return copies;
    };
    /** The next of the rows that a server wrote. */
    let cursor: Node | null = instance.adoption ? inside(mark, instance) : null;
    const rows = new Rows(mark, instance, {
      create(value, index) {
        if (!instance.adoption) return create(row, rowScopes(value, index), instance);
        const taken = adopt(row, cursor, mark.parentNode as Node, rowScopes(value, index), instance);
        cursor = after(taken.last, null);
        return taken;
      },
      keyOf: key,
      shared,
      update(changed, isNew, value, index) {
        const own = changed.scopes[level] as Scope;
        let mask = isNew ? itemMask : 0;
        if (readsIndex && (isPlain || own.locals[item + 1] !== index)) mask |= indexMask;
        setRow(own, value, index);
        if (isPlain) changed.put(mask, level, sharedScopes[0] as Scope, instance);
        else if (mask) update(changed, level, mask);
      },
      areNumbered: numbered,
      doubled: (one) =>
        report(instance, finding('key-doubled', { key: JSON.stringify(one) ?? String(one), list: of.name })),
    });
    const comparisons = of.compared?.map((make) => make()) ?? [];
    let emptyBlock: Block | undefined;
    const run = (): void => {
      refresh(shared, scopes[level] as Scope, item, 2);
      const value = of.list(scopes[level] as Scope);
      const items: readonly unknown[] = Array.isArray(value) ? value : [];
      if (items !== value && value !== null && value !== undefined)
        report(instance, finding('list-invalid', { name: of.name, got: printValue(value) }));
      rows.show(items);
      for (const one of comparisons) one.shown(scopes[level] as Scope);
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
      // Past 30 names the last bit is shared, also by an item: it stands for what is outside, too.
      let others = mask;
      const show = (within: Block, changed: number, index = within.index): void => {
        const own = within.scopes[level] as Scope;
        if (one === level) refresh(own, scopes[level] as Scope, item, 2);
        setRow(own, within.item, index);
        update(within, one, changed);
      };
      for (const comparison of one === level ? comparisons : [])
        if (others & comparison.mask) {
          others &= ~comparison.mask;
          comparison.changed(rows.all, scopes[level] as Scope, shared, (within) =>
            show(within, comparison.mask),
          );
        }
      if (others) rows.all.forEach((within, index) => show(within, others, index));
    });
    follow(block, level, of.mask, run);
  };
}
