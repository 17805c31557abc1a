import { type ExprCore, isChangingTag } from '../../../template/index.js';
import type { PlanElement } from '../../../tree/index.js';
import { changing } from '../../live/changing.js';
import { buildAll } from '../build.js';
import { call, InPage } from '../call.js';
import { Draft, type Scope, type Spot } from '../draft.js';
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
  const tags = tagsOf(tag, scope);
  if (tags) {
    const views = Object.fromEntries(tags.map((name) => [name, draftFor(name)]));
    const reads = view.noteAll(...Object.values(views));
    view.place(view.mark(parent), call('changing', tag, bits, scope.index, views, reads));
    return;
  }
  // One is made ahead to know what its content reads.
  const reads = view.noteAll(draftFor('div'));
  const attach = (): unknown =>
    changing(
      tag.get,
      bits,
      scope.index,
      (name) => (isChangingTag(name) ? liveView(draftFor(name)) : undefined),
      reads,
    );
  view.place(view.mark(parent), new InPage(attach, 'an element whose tag is calculated'));
}

/** The tags that a tag can be, where it is a prop with a fixed set of them. */
function tagsOf({ op }: ExprCore, { component }: Scope): readonly string[] | undefined {
  const kind = op.op === 'prop' ? component.props.kinds[op.index] : undefined;
  return kind?.rules.word === 'tag'
    ? (kind.rules.holds as readonly string[]).filter(isChangingTag)
    : undefined;
}
