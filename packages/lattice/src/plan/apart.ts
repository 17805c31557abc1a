import { type ComponentCore, perComponent } from '../component/index.js';
import { isInteractive } from './interactive.js';
import { planOf } from './planner.js';

/** How many nodes may be written out in the place of one use in an element. */
const mostNodes = 2_000;

/**
 * Whether a component that is flattened inside an element is made there only when it is really shown, instead of being written
 * out where it is used: it may hold itself, or is so large that several of it would be too much. What is planned in a page,
 * ahead and on a server has to agree on this.
 */
export const standsApart: (component: ComponentCore) => boolean = /* @__PURE__ */ perComponent(
  (component) => holdsItself(component) || weightOf(component) > mostNodes,
);

/** Whether a component is among those that it uses, at any depth, before the next element of its own. */
function holdsItself(component: ComponentCore): boolean {
  const seen = new Set<ComponentCore>();
  const next = [component];
  for (let one = next.pop(); one; one = next.pop())
    for (const { component: inner } of planOf(one).content.uses) {
      if (inner === component) return true;
      if (isInteractive(inner) || seen.has(inner)) continue;
      seen.add(inner);
      next.push(inner);
    }
  return false;
}

/** How many nodes a component comes to where it is written out. */
const weightOf: (component: ComponentCore) => number = /* @__PURE__ */ perComponent((component) => {
  const { content } = planOf(component);
  let weight = 1 + content.count;
  for (const { component: inner } of content.uses)
    if (!isInteractive(inner)) weight += standsApart(inner) ? 1 : weightOf(inner);
  return weight;
});
