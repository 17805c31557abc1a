import type { PlanGiven } from '../../tree/index.js';
import type { Block } from '../block.js';
import { viewOf } from '../build.js';
import { forward, type Spot, type View } from '../view.js';

/** One of two contents, by a test, before a node that marks the place. */
export function buildGiven(node: PlanGiven, parent: Node, view: View, spot: Spot): void {
  const mark = parent.appendChild(document.createComment(''));
  const { scope } = spot;
  const bits = scope.bits.read(node.test);
  const sides = [node.otherwise, node.content].map((nodes) =>
    nodes.length === 0 ? undefined : viewOf(nodes, view.numbers, spot),
  );
  view.note(scope, bits);
  for (const side of sides)
    for (const [index, read] of side?.reads ?? []) view.note({ ...scope, index }, read);
  const reads = new Map(view.reads);
  const { get } = node.test;
  const { index } = scope;
  view.place(mark, (found, frames, block, instance) => {
    let shown = -1;
    let inner: Block | undefined;
    const show = (): void => {
      const side = get(frames[index] as never) ? 1 : 0;
      if (side === shown) return;
      shown = side;
      inner?.remove();
      inner = sides[side]?.mount(found, [...frames], instance);
    };
    show();
    if (bits !== 0) block.updaters.push({ scope: index, bits, run: show });
    forward(block, reads, (one, changed) => inner?.update(one, changed));
  });
}
