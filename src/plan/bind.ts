import type { ComponentCore, UseNode } from '../component/index.js';
import { type Finding, finding, suggest } from '../problem/index.js';
import { coreOf, takesAccepted } from '../template/index.js';
import type { PlanAttribute } from './attributes/plan-attribute.js';
import { planAttributes, type Tags } from './attributes/plan-attributes.js';
import { isInteractive } from './interactive.js';
import type { BoundProp } from './plan.js';
import { settledProp } from './settle.js';

type Report = (found: Finding) => void;

/** Binds what a use gives to the props its component declares; constants are checked here, once. */
export function bindProps(use: UseNode, report: Report): readonly BoundProp[] {
  const { component, props } = use;
  const { names } = component.props;
  const bound: BoundProp[] = [];
  let own = 0;
  for (let index = 0; index < names.length; index++) {
    const name = names[index] as string;
    const isGiven = Object.hasOwn(props, name);
    if (isGiven) own++;
    bound.push(bindProp(component, index, name, isGiven ? props[name] : undefined, report));
  }
  if (component.accepts === undefined && Object.keys(props).length > own) unknownProps(use, report);
  if (component.accepts === undefined && takesAccepted(props))
    report(
      finding('prop-unknown', {
        component: component.name,
        prop: 'accepted',
        hint: 'It takes no attributes for an element of its own: give those it needs as props.',
      }),
    );
  return bound;
}

function unknownProps({ component, props }: UseNode, report: Report): void {
  for (const name of Object.keys(props)) {
    if (component.props.at.has(name) || (name === 'on' && isInteractive(component))) continue;
    const hint = suggest(name, component.props.names, 'prop');
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
  const from =
    given !== undefined
      ? 'given'
      : component.props.kinds[index]?.settings.presence === 'fallback'
        ? 'fallback'
        : 'absent';
  return { name, from, expr: undefined, value: settledProp(component, index, given, report) };
}

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

const none: readonly PlanAttribute[] = [];

/** What is listened to at the element of a component that stays one. */
export function listenersOf({ component, props }: UseNode, report: Report): readonly PlanAttribute[] {
  if (component.accepts !== undefined || component.props.at.has('on') || !Object.hasOwn(props, 'on'))
    return none;
  if (!isInteractive(component)) return none;
  return planAttributes([component.name], { on: props.on }, report);
}

/** Reports content for slots the component does not have, slots not filled that have to be, and misfits. */
export function checkSlots(use: UseNode, report: Report): void {
  const { component, slots } = use;
  for (const name in slots) {
    const given = slots[name];
    if (!given || isNothing(given.content)) continue;
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
    const given = Object.hasOwn(slots, slot) ? slots[slot] : undefined;
    if (!given || isNothing(given.content))
      report(finding('slot-missing', { component: component.name, slot }));
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

/** Content that places nothing, whatever the data: it counts as not given. */
export function isNothing(content: unknown): boolean {
  if (content === null || content === undefined || content === false || content === '') return true;
  return Array.isArray(content) && content.every(isNothing);
}
