import {
  attributeOf,
  type ComponentCore,
  isHostAttribute,
  isMade,
  perComponent,
  type SlotContent,
  type UseNode,
} from '../component/index.js';
import { type Finding, finding, suggest } from '../problem/index.js';
import { coreOf, isRecord, takesAccepted } from '../template/index.js';
import type { PlanAttribute } from './attributes/plan-attribute.js';
import { planAttributes, type Tags } from './attributes/plan-attributes.js';
import { isInteractive } from './interactive.js';
import type { BoundProp } from './plan.js';
import { fallbackExpr, settledProp } from './settle.js';

type Report = (found: Finding) => void;

/** Binds what a use gives to the props its component declares; constants are checked here, once. */
export function bindProps(use: UseNode, report: Report): readonly BoundProp[] {
  const { component, props } = use;
  const { names } = component.props;
  const bound = new Array<BoundProp>(names.length);
  for (let index = 0; index < names.length; index++) {
    const name = names[index] as string;
    const given = props[name];
    const isGiven = given !== undefined && Object.hasOwn(props, name);
    bound[index] = bindProp(component, index, name, isGiven ? given : undefined, report);
  }
  if (component.accepts === undefined && hasOthers(props, component)) unknownProps(use, report);
  if (component.accepts === undefined && takesAccepted(props))
    report(
      finding('prop-unknown', {
        component: component.name,
        prop: 'accepted',
        hint: 'It accepts no attributes for an element of its own: pass those it needs as props.',
      }),
    );
  return bound;
}

function hasOthers(props: object, component: ComponentCore): boolean {
  for (const name in props) if (!component.props.at.has(name) && Object.hasOwn(props, name)) return true;
  return false;
}

function unknownProps({ component, props }: UseNode, report: Report): void {
  for (const name of Object.keys(props)) {
    if (component.props.at.has(name) || isForElement(name, component)) continue;
    const hint = component.slots.at.has(name)
      ? `"${name}" is a slot: pass its content after the props, ${component.name}({ … }, { ${name}: … }) by its name in code.`
      : suggest(name, component.props.names, 'prop');
    report(finding('prop-unknown', { component: component.name, prop: name, hint }));
  }
}

function bindProp(
  component: ComponentCore,
  index: number,
  name: string,
  given: unknown,
  report: Report,
): BoundProp {
  const expr = typeof given === 'function' ? coreOf(given) : undefined;
  if (expr) return { name, from: 'given', expr, value: undefined };
  if (given === undefined && component.props.kinds[index]?.settings.presence !== 'required')
    return leftOut(component)[index] as BoundProp;
  const from = given === undefined ? 'absent' : 'given';
  return { name, from, expr: undefined, value: settledProp(component, index, given, report) };
}

/** The props that a use may leave out, as they are then. */
const leftOut: (component: ComponentCore) => readonly BoundProp[] = /* @__PURE__ */ perComponent(
  ({ props }) =>
    props.names.map((name, index) => {
      const settings = props.kinds[index]?.settings;
      const from = settings?.presence === 'fallback' ? 'fallback' : 'absent';
      const fallback = settings?.fallbackValue;
      const expr = isMade(fallback) ? fallbackExpr(fallback) : undefined;
      return { name, from, expr, value: expr ? undefined : fallback };
    }),
);

/** Attributes given to the element that a component renders as; undefined where it takes none. */
export function acceptedOf(
  { component, props }: UseNode,
  bound: readonly BoundProp[],
  report: Report,
): readonly PlanAttribute[] | undefined {
  const { accepts } = component;
  if (accepts === undefined) return undefined;
  const given: Record<string | symbol, unknown> = {};
  for (const name of Reflect.ownKeys(props))
    if (!component.props.at.has(name as string))
      given[name] = (props as Record<string | symbol, unknown>)[name];
  if (Reflect.ownKeys(given).length === 0) return undefined;
  return planAttributes(chosenTags(component, accepts, bound), given, report);
}

/** The elements that a use may choose. */
function chosenTags(component: ComponentCore, accepts: string, bound: readonly BoundProp[]): Tags {
  const index = component.props.at.get(accepts) ?? -1;
  const value = bound[index]?.value;
  if (typeof value === 'string') return [value];
  return component.props.kinds[index]?.rules.holds as Tags;
}

const noAttributes: readonly PlanAttribute[] = [];

/**
 * Attributes for the component's element: what a script listens to and the name by which functions reach it, where it stays
 * one; and what any element may have.
 */
export function ownOf({ component, props }: UseNode, report: Report): readonly PlanAttribute[] {
  if (!hasOthers(props, component)) return noAttributes;
  const own: Record<string, unknown> = {};
  for (const name of Object.keys(props)) {
    if (component.props.at.has(name) || !isForElement(name, component)) continue;
    if (name === 'dataset') Object.assign(own, dataAttributes(props[name], component, report));
    else own[name] = props[name];
  }
  return Object.keys(own).length === 0 ? noAttributes : planAttributes([component.name], own, report);
}

function isForElement(name: string, component: ComponentCore): boolean {
  if (component.accepts !== undefined) return false;
  if (/^(?:on|node)$/.test(name)) return isInteractive(component);
  return name === 'dataset' || isHostAttribute(name, component);
}

/** The `data-*` attributes of a record (https://html.spec.whatwg.org/#dom-dataset). */
function dataAttributes(given: unknown, { name: tag }: ComponentCore, report: Report): object {
  if (isRecord(given))
    return Object.fromEntries(
      Object.entries(given).map(([name, value]) => [`data-${attributeOf(name)}`, value]),
    );
  if (given !== undefined && given !== null)
    report(
      finding('attribute-invalid', {
        attribute: 'dataset',
        tag,
        fault: 'expects a record of data-* attributes',
        hint: 'Write dataset: { row: 3 } for data-row="3".',
      }),
    );
  return {};
}

/** Reports content for slots the component does not have, slots not filled that have to be, and misfits. */
export function checkSlots(use: UseNode, report: Report): void {
  const { component, slots } = use;
  for (const name in slots) {
    const given = givenTo(use, name);
    if (!given) continue;
    const index = component.slots.at.get(name);
    if (index === undefined) {
      report(slotFault(component, name));
      continue;
    }
    const hands = component.slots.kinds[index]?.hands ?? false;
    if (hands !== (given.data !== undefined))
      report(finding('slot-misfit', { component: component.name, slot: name, hands }));
  }
  const { kinds, names } = component.slots;
  for (let index = 0; index < names.length; index++) {
    if (!kinds[index]?.needed) continue;
    const slot = names[index] as string;
    if (!givenTo(use, slot)) report(finding('slot-missing', { component: component.name, slot }));
  }
}

/** Words content for a slot that the component does not have. */
export function slotFault(component: ComponentCore, name: string): Finding {
  const { names } = component.slots;
  if (name === 'default') {
    const hint =
      names.length === 0
        ? 'It has no slots at all.'
        : `Its slots are: ${names.join(', ')}; name one: { ${names[0]}: … }.`;
    return finding('slot-untaken', { component: component.name, hint });
  }
  const hint = suggest(name, names, 'slot');
  return finding('slot-unknown', { component: component.name, slot: name, hint });
}

/** What a use gives to a slot. Content that places nothing, whatever the data, is not given; a function always is. */
export function givenTo({ slots }: UseNode, name: string): SlotContent | undefined {
  const given = Object.hasOwn(slots, name) ? slots[name] : undefined;
  return given && (given.data !== undefined || !isNothing(given.content)) ? given : undefined;
}

function isNothing(content: unknown): boolean {
  if (content === null || content === undefined || content === false || content === '') return true;
  return Array.isArray(content) && content.every(isNothing);
}
