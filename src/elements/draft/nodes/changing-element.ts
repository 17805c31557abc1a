import { finding } from '../../../problem/index.js';
import { type ExprCore, type Frame, isChangingTag } from '../../../template/index.js';
import type { PlanElement } from '../../../tree/index.js';
import { type Attach, type Block, follow, update } from '../../live/block.js';
import { forward, mount, type Reads, remove } from '../../live/move.js';
import { buildAll } from '../build.js';
import { InPage } from '../call.js';
import { Draft, type Spot } from '../draft.js';
import { liveView } from '../live-view.js';
import type { Around } from '../sketch.js';
import { buildAttributes, sketchElement } from './element.js';

/** An element whose tag is known only in the page: it is made anew when the tag changes. */
export function buildChanging(
  node: PlanElement,
  tag: ExprCore,
  parent: Around,
  view: Draft,
  spot: Spot,
): void {
  const { scope } = spot;
  const bits = scope.bits.read(tag);
  const drafts = new Map<string, Draft>();
  const draftFor = (name: string): Draft => {
    let made = drafts.get(name);
    if (!made) {
      made = new Draft(view.common);
      const element = made.add(made, sketchElement(name, spot));
      buildAttributes(node, element, made, spot);
      buildAll(node.content, element, made, { ...spot, isOutermost: false });
      drafts.set(name, made);
    }
    return made;
  };
  view.note(scope.index, bits);
  // One is made ahead to know what its content reads.
  const reads = view.noteAll(draftFor('div'));
  const attach = (): Attach => changing(tag, bits, scope.index, draftFor, reads);
  view.place(view.mark(parent), new InPage(attach, 'an element whose tag is a prop'));
}

function changing(
  tag: ExprCore,
  bits: number,
  scope: number,
  draftFor: (name: string) => Draft,
  reads: Reads,
): Attach {
  return (mark, frames, block, instance) => {
    let shown: unknown;
    let inner: Block | undefined;
    const show = (): void => {
      const name = tag.get(frames[scope] as Frame);
      if (name === shown) return;
      shown = name;
      if (inner) remove(inner);
      inner = undefined;
      if (!isChangingTag(name)) {
        const hint = 'Take the tag from a prop.tag([...]), which has a fixed set of elements.';
        const what = `The tag ${JSON.stringify(name)}`;
        instance.report(finding('content-not-allowed', { what, place: 'in el.of', hint }));
        return;
      }
      inner = mount(liveView(draftFor(name)), mark, [...frames], instance);
    };
    show();
    follow(block, scope, bits, show);
    forward(block, reads, (one, changed) => inner && update(inner, one, changed));
  };
}
