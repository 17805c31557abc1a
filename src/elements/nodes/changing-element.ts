import { finding } from '../../problem/index.js';
import { type ExprCore, type Frame, isChangingTag } from '../../template/index.js';
import type { PlanElement } from '../../tree/index.js';
import type { Block } from '../block.js';
import { buildAll } from '../build.js';
import { forward, type Spot, View } from '../view.js';
import { buildAttributes, makeElement } from './element.js';

/** An element whose tag is known only in the page: it is made anew when the tag changes. */
export function buildChanging(node: PlanElement, tag: ExprCore, parent: Node, view: View, spot: Spot): void {
  const mark = parent.appendChild(document.createComment(''));
  const bits = spot.scope.bits.read(tag);
  const views = new Map<string, View>();
  const viewFor = (name: string): View => {
    let made = views.get(name);
    if (!made) {
      made = new View(view.numbers);
      const element = made.top.appendChild(makeElement(name, spot));
      buildAttributes(node, element, made, spot);
      buildAll(node.content, element, made, { ...spot, isOutermost: false });
      views.set(name, made);
    }
    return made;
  };
  view.note(spot.scope, bits);
  // One is made ahead to know what its content reads.
  for (const [index, read] of viewFor('div').reads) view.note({ ...spot.scope, index }, read);
  const reads = new Map(view.reads);
  view.place(mark, (found, frames, block, instance) => {
    let shown: unknown;
    let inner: Block | undefined;
    const show = (): void => {
      const name = tag.get(frames[spot.scope.index] as Frame);
      if (name === shown) return;
      shown = name;
      inner?.remove();
      inner = undefined;
      if (!isChangingTag(name)) {
        const hint = 'Take the tag from a prop.tag([...]), which has a fixed set of elements.';
        const what = `The tag ${JSON.stringify(name)}`;
        instance.report(finding('content-not-allowed', { what, place: 'in el.of', hint }));
        return;
      }
      inner = viewFor(name).mount(found, [...frames], instance);
    };
    show();
    if (bits !== 0) block.updaters.push({ scope: spot.scope.index, bits, run: show });
    forward(block, reads, (one, changed) => inner?.update(one, changed));
  });
}
