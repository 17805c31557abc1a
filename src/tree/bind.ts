import { type ComponentCore, fault, fits, settle } from '../component/index.js';
import { type Finding, finding, type SourcePlace, suggest } from '../problem/index.js';
import { coreOf, type UseNode } from '../template/index.js';
import type { BoundProp } from './plan.js';

type Report = (found: Finding) => void;

/** Binds what a use gives to the props its component declares; constants are checked here, once. */
export function bindProps(use: UseNode, report: Report): readonly BoundProp[] {
  const { component, props } = use;
  const source = use.source;
  for (const name of Object.keys(props)) {
    if (component.props.at.has(name)) continue;
    if (component.accepts !== undefined) continue;
    const hint = suggest(name, component.props.names, 'prop');
    report(finding('prop-unknown', { component: component.name, prop: name, hint }, source));
  }
  return component.props.names.map((name, index) =>
    bindProp(component, index, name, ownValue(props, name), source, report),
  );
}

/** Attributes given to the element that a component renders as; undefined where it takes none. */
export function acceptedOf({ component, props }: UseNode): Readonly<Record<string, unknown>> | undefined {
  if (component.accepts === undefined) return undefined;
  const entries = Object.entries(props).filter(([name]) => !component.props.at.has(name));
  return entries.length === 0 ? undefined : Object.fromEntries(entries);
}

function ownValue(record: Readonly<Record<string, unknown>>, name: string): unknown {
  return Object.hasOwn(record, name) ? record[name] : undefined;
}

function bindProp(
  component: ComponentCore,
  index: number,
  name: string,
  given: unknown,
  source: SourcePlace | undefined,
  report: Report,
): BoundProp {
  const expr = coreOf(given);
  if (expr) return { name, from: 'given', expr, value: undefined };
  const found = propFault(component, index, given);
  if (found) report(source ? { ...found, source } : found);
  return {
    name,
    expr: undefined,
    from:
      given !== undefined
        ? 'given'
        : component.props.kinds[index]?.settings.presence === 'fallback'
          ? 'fallback'
          : 'absent',
    value: found ? undefined : settledValue(component, index, given),
  };
}

/** What is wrong with a plain value for one of a component's props; undefined when nothing is. */
export function propFault(component: ComponentCore, index: number, given: unknown): Finding | undefined {
  const kind = component.props.kinds[index];
  const prop = component.props.names[index];
  if (!kind || prop === undefined) return undefined;
  if (given === undefined) {
    if (kind.settings.presence !== 'required') return undefined;
    return finding('prop-missing', { component: component.name, prop, expected: kind.rules.expected });
  }
  if (fits(kind, given)) return undefined;
  return finding('prop-invalid', {
    component: component.name,
    prop,
    fault: fault(kind, given) ?? 'does not fit',
  });
}

/** The value the template sees for a given one that fits, or that may be left out and is. */
export function settledValue(component: ComponentCore, index: number, given: unknown): unknown {
  const kind = component.props.kinds[index];
  if (!kind) return undefined;
  return given === undefined ? kind.settings.fallbackValue : settle(kind, given);
}

/** Reports content for slots the component does not have, slots not filled that have to be, and misfits. */
export function checkSlots(use: UseNode, report: Report): void {
  const { component, slots } = use;
  const source = use.source;
  for (const [name, given] of Object.entries(slots)) {
    const index = component.slots.at.get(name);
    if (index === undefined) {
      if (isNothing(given.content)) continue;
      report(slotFault(component, name, source));
      continue;
    }
    const hands = component.slots.kinds[index]?.hands ?? false;
    if (hands !== (given.data !== undefined) && !isNothing(given.content)) {
      report(finding('slot-misfit', { component: component.name, slot: name, hands }, source));
    }
  }
  for (const [index, name] of component.slots.names.entries()) {
    const given = slots[name];
    if (!component.slots.kinds[index]?.needed || (given && !isNothing(given.content))) continue;
    report(finding('slot-missing', { component: component.name, slot: name }, source));
  }
}

/** Words content for a slot that the component does not have. */
export function slotFault(component: ComponentCore, name: string, source?: SourcePlace): Finding {
  const { names } = component.slots;
  if (name === 'default') {
    const hint =
      names.length === 0
        ? 'It has no slots at all.'
        : `Its slots are: ${names.join(', ')}; name one: { ${names[0]}: … }.`;
    return finding('slot-untaken', { component: component.name, hint }, source);
  }
  const hint = suggest(name, names, 'slot');
  return finding('slot-unknown', { component: component.name, slot: name, hint }, source);
}

/** Content that places nothing, whatever the data: it counts as not given. */
export function isNothing(content: unknown): boolean {
  if (content === null || content === undefined || content === false || content === '') return true;
  return Array.isArray(content) && content.every(isNothing);
}
