import { finding } from '../../problem/index.js';
import type { Scope } from '../../template/scope.js';
import { type Attach, type Block, keep, update } from './block.js';
import { forward, mount, type Reads, remove } from './move.js';
import { report } from './report.js';
import type { Get } from './text.js';
import type { View } from './view.js';

/** A view for each tag that an element may have. */
export type ViewsByTag = Readonly<Record<string, View>> | ((tag: unknown) => View | undefined);

/** An element whose tag changes: it is made anew with it. */
export function changing(tag: Get, mask: number, level: number, views: ViewsByTag, reads: Reads): Attach {
  const viewFor =
    typeof views === 'function'
      ? views
      : (name: unknown) => (typeof name === 'string' && Object.hasOwn(views, name) ? views[name] : undefined);
  return (mark, scopes, block, instance) => {
    let shown: unknown = block;
    let inner: Block | undefined;
    const show = (): void => {
      const name = tag(scopes[level] as Scope);
      if (name === shown) return;
      shown = name;
      if (inner) remove(inner);
      const view = viewFor(name);
      inner = undefined;
      if (view) {
        inner = mount(view, mark, [...scopes], instance);
        return;
      }
      const hint = 'Take the tag from a prop.tag([...]), which has a fixed set of elements.';
      const what = `The tag ${JSON.stringify(name)}`;
      report(instance, finding('content-not-allowed', { what, place: 'in el.of', hint }));
    };
    keep(block, level, mask, show);
    forward(block, reads, (one, changed) => inner && update(inner, one, changed));
  };
}
