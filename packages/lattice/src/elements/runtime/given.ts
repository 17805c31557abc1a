import type { Scope } from '../../template/scope.js';
import { ended } from './adopted.js';
import { type Attach, type Block, keep, update } from './block.js';
import { forward, inside, mount, type Reads, remove } from './move.js';
import type { Get } from './text.js';
import type { View } from './view.js';

/** One of two contents, by a test, before a node that marks the place. */
export function given(
  test: Get,
  mask: number,
  level: number,
  otherwise: View | undefined,
  content: View | undefined,
  reads: Reads,
): Attach {
  return (mark, scopes, block, instance) => {
    let shown: boolean | undefined;
    let inner: Block | undefined;
    const show = (): void => {
      const side = !!test(scopes[level] as Scope);
      if (side === shown) return;
      shown = side;
      if (inner) remove(inner);
      const view = side ? content : otherwise;
      inner = undefined;
      if (view) inner = mount(view, mark, [...scopes], instance);
      else if (instance.adoption) ended(inside(mark, instance), mark, instance, mark.parentNode);
    };
    keep(block, level, mask, show);
    forward(block, reads, (one, changed) => inner && update(inner, one, changed));
  };
}
