import type { PlanGiven } from '../../../plan/index.js';
import type { Core } from '../../../template/index.js';
import { call } from '../call.js';
import { maskOf } from '../dependencies.js';
import { type Level, type Spot, viewOf } from '../level.js';
import type { Around } from '../static.js';
import { type CompiledView, own } from '../view.js';

/** One of two contents, by a test, before a node that marks where they end. */
export function buildGiven(node: PlanGiven, parent: Around, view: CompiledView, spot: Spot): void {
  const { common } = view;
  const [otherwise, content] = [viewOf(node.otherwise, common, spot), viewOf(node.content, common, spot)];
  placeGiven(node.test, spot.level, otherwise, content, parent, view);
}

/** One of two views, by a test that is read in a level. */
export function placeGiven(
  test: Core,
  level: Level,
  otherwise: CompiledView | undefined,
  content: CompiledView | undefined,
  parent: Around,
  view: CompiledView,
): void {
  const mark = view.mark(parent);
  const mask = maskOf(test, level);
  view.note(own(level, mask));
  const reads = view.noteViews(otherwise, content);
  view.part(mark, call('given', test, mask, level.index, otherwise, content, reads));
}
