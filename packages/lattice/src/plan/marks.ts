import { type ComponentCore, perComponent } from '../component/index.js';
import { markKey } from './attributes/plan-attribute.js';
import { isInteractive } from './interactive.js';
import type { PlanUse } from './plan.js';
import { planOf } from './planner.js';

type Marks = readonly (readonly [attribute: string, value: string])[];

const noMarks: Marks = [];

/**
 * The marks by which a component's rules find its elements where it has no shadow root of its own: one on all that its
 * template writes, and another on the box that stands for its own element.
 */
function marksOf(component: ComponentCore, node: object): Marks {
  if (component.styles === '') return noMarks;
  const { name } = component;
  return [['isHostBox' in node ? 'data-in-host' : markKey, name]];
}

/** The marks of elements in the component's own shadow root, where rules have to tell them from others. */
function shadowMarksOf(component: ComponentCore): Marks {
  return isMarkedInShadow(component) ? [[markKey, component.name]] : noMarks;
}

/**
 * The marks of an element that a component's template writes, be it the element of another component.
 *
 * @param isInOwnRoot whether the template stands in a shadow root of the component's own
 * @param given the marks of those whose uses gave attributes to it, in one text
 */
export function elementMarks(
  component: ComponentCore | undefined,
  node: object,
  isInOwnRoot: boolean,
  given?: string,
): Marks {
  const marks = component ? (isInOwnRoot ? shadowMarksOf(component) : marksOf(component, node)) : noMarks;
  if (given === undefined) return marks;
  const own = marks.filter(([name]) => name === markKey).map(([, value]) => value);
  return [...marks.filter(([name]) => name !== markKey), [markKey, [...own, given].join(' ')]];
}

/**
 * Whether a component's rules have to tell its elements from others in a shadow root: where something stands in its own
 * that its template has not written (the elements of components that are flattened in it, ready-made HTML, what a slot is
 * filled with that passes data), and where it fills such a slot of another element, in whose shadow root its own stand.
 */
export const isMarkedInShadow: (component: ComponentCore) => boolean = /* @__PURE__ */ perComponent(
  (component) =>
    component.styles !== '' &&
    planOf(component).content.some(
      (node) =>
        node.kind === 'trusted' ||
        (node.kind === 'slot' && node.hands) ||
        (node.kind === 'use' && (!isInteractive(node.component) || fillsWithData(node))),
    ),
);

/** Whether a use fills a slot that passes data: of a component that is an element, that content stands in its shadow root. */
export const fillsWithData = ({ fills }: PlanUse): boolean => fills.some((fill) => fill?.data !== undefined);
