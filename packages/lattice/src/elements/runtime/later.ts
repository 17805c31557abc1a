import { type Attach, update } from './block.js';
import { forward, mount, type Reads } from './move.js';
import type { View } from './view.js';

/** A view that is made when the first block of it is there: a component inside itself. */
export function later(make: () => View, reads: Reads): Attach {
  return (mark, scopes, block, instance) => {
    const inner = mount(make(), mark, [...scopes], instance);
    forward(block, reads, (one, mask) => update(inner, one, mask));
  };
}
