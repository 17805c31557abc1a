import { type ComponentCore, perComponent } from '../component/index.js';
import { type Finding, finding } from '../problem/index.js';
import { withSource } from '../template/index.js';
import { markIn, mergedAttributes } from './attributes/accepted.js';
import { markKey, type PlanAttribute, withMark } from './attributes/plan-attribute.js';
import type { Block } from './block.js';
import { dissolvedContent } from './host-box.js';
import type { PlanElement, PlanNode, PlanUse } from './plan.js';
import { planOf } from './planner.js';

const none: ReadonlySet<object> = new Set();

/**
 * What a component comes to where it is flattened: its one outermost element or use, one for each way through its
 * conditions. None where it comes to several, or to something else.
 */
const outermostOf: (component: ComponentCore) => ReadonlySet<object> = /* @__PURE__ */ perComponent(
  (component) => {
    // Its template says where attributes go that its use gives.
    if (component.accepts !== undefined) return none;
    const { onFailure } = planOf(component);
    const shown = outermostIn(dissolvedContent(component));
    return shown ? new Set([...shown, ...((onFailure && outermostIn(onFailure.block)) ?? [])]) : none;
  },
);

function outermostIn({ nodes }: Block): readonly PlanNode[] | undefined {
  const [node, ...others] = nodes;
  if (!node) return [];
  if (others.length > 0) return undefined;
  if (node.kind === 'element' || node.kind === 'use') return [node];
  if (node.kind !== 'given') return undefined;
  const sides = [outermostIn(node.content), outermostIn(node.otherwise)];
  return sides.every((one) => one !== undefined) ? sides.flatMap((one) => one ?? []) : undefined;
}

type Given = readonly PlanAttribute[] | undefined;

const here: PlanAttribute = { kind: 'accepted', key: '' };

/** Whether a node takes what a use of its component gives to the component's element. */
function isOutermost(node: object, component: ComponentCore | undefined): boolean {
  return component !== undefined && outermostOf(component).has(node);
}

/** An element's attributes, with the place for those of its component's use where it is the outermost. */
export function attributesIn(
  node: Pick<PlanElement, 'attributes'>,
  component: ComponentCore | undefined,
): readonly PlanAttribute[] {
  return isOutermost(node, component) ? [...node.attributes, here] : node.attributes;
}

/** The attributes of an element that a component stays, with the place for those of the use around it. */
export function hostAttributesIn(
  node: PlanUse,
  component: ComponentCore | undefined,
): readonly PlanAttribute[] {
  return isOutermost(node, component) ? [...node.own, here] : node.own;
}

/**
 * The attributes that a use gives to a component that is flattened, with the place for those of the use around it. What only a
 * page's script acts on goes nowhere: such a component has none there. A rule of who wrote the use finds the element that they
 * go to by the mark among them.
 */
export function givenIn(node: PlanUse, component: ComponentCore | undefined): Given {
  const { accepted } = node;
  const own = node.own.filter(isWritten);
  const isMarked = own.some(({ key }) => key !== markKey) && component && component.styles !== '';
  const marked = isMarked ? mergedMarks(own, component.name) : own;
  const given = accepted ?? (marked.length > 0 ? marked : undefined);
  return isOutermost(node, component) ? [...(given ?? []), here] : given;
}

/** What a use gives to a component that is flattened, with what the use around it gives where that goes to the same element. */
export function givenHere(
  node: PlanUse,
  owner: { readonly component: ComponentCore | undefined; readonly accepted: Given },
): Given {
  const given = givenIn(node, owner.component);
  const all = given && mergedAttributes(given, owner.accepted ?? [], undefined, () => undefined);
  return node.accepted || all?.length ? all : undefined;
}

/** Whether an attribute stands in HTML text, and on any element. */
function isWritten({ key, kind }: PlanAttribute): boolean {
  if (key === 'name' || key === 'form') return false;
  return kind === 'fixed' || kind === 'value' || kind === 'class' || kind === 'style';
}

/** Attributes with one more mark: all stand in one. */
function mergedMarks(own: readonly PlanAttribute[], name: string): readonly PlanAttribute[] {
  const mark = markIn(own);
  return withMark(
    own.filter(({ key }) => key !== markKey),
    mark === undefined ? name : `${name} ${mark}`,
  );
}

type StaysElement = (component: ComponentCore) => boolean;

/**
 * Returns what is wrong with the attributes that a use gives to a component that is flattened: there is no one element that
 * they could go to.
 *
 * @param staysElement whether a component is an element where this one is used
 */
export function unplacedOwn(
  { component, own, place }: PlanUse,
  staysElement: StaysElement,
): Finding | undefined {
  const [first] = own.filter((one) => isWritten(one) && one.key !== markKey);
  if (!first || hasOutermost(component, staysElement)) return undefined;
  const found = finding('attribute-unplaced', { attribute: first.key, component: component.name });
  return withSource(found, { place });
}

function hasOutermost(
  component: ComponentCore,
  staysElement: StaysElement,
  around: readonly ComponentCore[] = [],
): boolean {
  if (component.accepts !== undefined || around.includes(component)) return true;
  const all = outermostOf(component);
  return (
    all.size > 0 &&
    ([...all] as readonly PlanNode[]).every(
      (node) =>
        node.kind !== 'use' ||
        staysElement(node.component) ||
        hasOutermost(node.component, staysElement, [...around, component]),
    )
  );
}
