import { type ComponentCore, perComponent, type UseNode } from '../component/index.js';
import { type PlanUse, planContent } from '../plan/index.js';
import type { Problem } from '../problem/index.js';
import { TreeBuilder } from './build.js';
import type { KnownId } from './ids.js';
import { elementMisfit } from './nesting.js';
import { outside, pathTo, type Spot, type TreeScope, topSpot } from './scope.js';
import { isSeen, remember } from './seen-content.js';

/** What stands around each slot of a component, and which ids stand in it: looked for once. */
interface Surroundings {
  readonly slots: readonly (readonly Spot[])[];
  readonly ids: readonly KnownId[];
  /** Its own elements, each with the open ones around it. */
  readonly elements: TreeBuilder['elements'];
}

const surroundingsOf: (component: ComponentCore) => Surroundings = /* @__PURE__ */ perComponent(
  (component) => {
    const builder = new TreeBuilder();
    builder.openRoot(component);
    return {
      slots: component.slots.names.map((_name, index) => builder.slotSpots.get(index) ?? []),
      ids: builder.ids.known(),
      elements: [...new Map(builder.elements.map((one) => [`${one.tag} ${one.open}`, one])).values()],
    };
  },
);

/**
 * What is wrong with where things stand in content that was built inline: elements that a parser would move,
 * unknown names, ids that stand twice. Components are not followed anew: of each it is known what stands around its
 * slots.
 */
export function spotProblems(use: UseNode): readonly Problem[] {
  if (isSeen(use)) return [];
  const builder = new SpotBuilder();
  const plan = planContent(use);
  builder.nodes(plan.content, outside, topSpot([]));
  const problems = builder.finish();
  if (problems.length === 0) remember(use, (component) => surroundingsOf(component).ids.length === 0);
  return problems;
}

class SpotBuilder extends TreeBuilder {
  override readonly followsAll = false;

  override use(node: PlanUse, scope: TreeScope, spot: Spot): void {
    const { component, fills, props } = node;
    const around = surroundingsOf(component);
    const path = pathTo(scope, node.site);
    this.placement(node, spot, path);
    this.ids.add(around.ids, path, spot);
    this.own(node, scope, spot, path);
    this.accepted(props[component.props.at.get(component.accepts ?? '') ?? -1]?.value, node, path);
    if (spot.open.length > 0) this.standIn(around, node, scope, spot);
    for (const [index, fill] of fills.entries()) {
      for (const { open, repeats, shownIn } of fill ? (around.slots[index] ?? []) : []) {
        const inside = {
          writtenIn: component,
          shownIn,
          open: [...spot.open, ...open.map((tag) => chosenTag(tag, node))],
        };
        if (fill) this.nodes(fill.block, scope, { ...spot, ...inside, repeats: spot.repeats || repeats });
      }
    }
  }

  /** Elements of a component that may stand where they do in it, and not in what is around its use. */
  private standIn({ elements }: Surroundings, node: PlanUse, scope: TreeScope, spot: Spot): void {
    for (const one of elements) {
      const tag = chosenTag(one.tag, node);
      const open = one.open.map((other) => chosenTag(other, node));
      if (tag.startsWith('?') || elementMisfit(tag, open)) continue;
      const what = `<${tag}> of ${node.component.name}`;
      this.misfit((around) => elementMisfit(tag, around), what, scope, [...spot.open, ...open], node);
    }
  }
}

/** The tag of an element that a prop of the use chooses. */
function chosenTag(tag: string, { props }: PlanUse): string {
  if (!tag.startsWith('?')) return tag;
  const value = props[Number(tag.slice(1) || -1)]?.value;
  return typeof value === 'string' ? value : '?';
}
