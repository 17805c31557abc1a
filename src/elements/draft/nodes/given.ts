import type { PlanGiven } from '../../../tree/index.js';
import { draftOf } from '../build.js';
import { call } from '../call.js';
import type { Draft, Spot } from '../draft.js';
import type { Around } from '../sketch.js';

/** One of two contents, by a test, before a node that marks the place. */
export function buildGiven(node: PlanGiven, parent: Around, view: Draft, spot: Spot): void {
  const mark = view.mark(parent);
  const { scope } = spot;
  const bits = scope.bits.read(node.test);
  const [otherwise, content] = [node.otherwise, node.content].map((nodes) =>
    nodes.length === 0 ? undefined : draftOf(nodes, view.common, spot),
  );
  view.note(scope.index, bits);
  const reads = view.noteAll(otherwise, content);
  view.place(mark, call('given', node.test, bits, scope.index, otherwise, content, reads));
}
