import { type AnyKind, type ComponentCore, fits, settle } from '../component/index.js';
import { finding, suggest } from '../problem/index.js';
import type { Frame, SlotContent, UseNode } from '../template/index.js';
import { acceptedOf, isInteractive, isNothing, propFault, slotFault } from '../tree/index.js';
import { escapeAttribute } from './escape.js';
import { frameOf } from './frames.js';
import { hostHtml } from './nodes/host.js';
import type { HtmlFill } from './nodes/slot.js';
import type { Pass } from './pass.js';
import { programOf } from './program.js';
import { withShared } from './provide.js';
import { refuseBroken } from './refuse.js';
import { comesToSomething, plainValue, walk } from './walk.js';

/** Writes one use built on the spot, by its component's compiled form. */
export function walkUse(use: UseNode, owner: Frame, pass: Pass): string {
  const { component } = use;
  if (pass.form === 'elements' && isInteractive(component)) return walkHost(use, owner, pass);
  const program = programOf(component, pass.form);
  pass.reached(program);
  refuseBroken(component);
  const before = pass.problems.length;
  const props = walkProps(use, owner, pass);
  const fills = walkFills(use, owner, pass);
  if (pass.problems.length > before) return '';
  const at = owner.at ? [(owner.at[0] ?? '') + pass.nextUse()] : undefined;
  const frame = frameOf(component, props, fills, owner, siteOf(component), at);
  if (component.accepts !== undefined) frame.accepted = acceptedOf(use);
  return withShared(component, frame, pass, () => program.write(frame, pass));
}

/** A use on the spot that stays an element. */
function walkHost(use: UseNode, owner: Frame, pass: Pass): string {
  const { component, slots } = use;
  refuseBroken(component);
  const before = pass.problems.length;
  const props = walkProps(use, owner, pass);
  const fills = walkFills(use, owner, pass);
  if (pass.problems.length > before) return '';
  const shadow = frameOf(component, props, fills, owner, siteOf(component), ['']);
  const writeContent = (): string => {
    let content = '';
    for (const [name, given] of Object.entries(slots)) {
      if (given.data === undefined) content += walkSlotted(name, given.content, owner, pass);
    }
    return content;
  };
  return hostHtml(component, shadow, pass, writeContent, use.host);
}

function walkSlotted(slot: string, content: unknown, owner: Frame, pass: Pass): string {
  if (isNothing(content)) return '';
  if (slot === 'default') return walk(content, owner, pass);
  return `<span style="display: contents;" slot="${escapeAttribute(slot)}">${walk(content, owner, pass)}</span>`;
}

const sites = new WeakMap<ComponentCore, NonNullable<Frame['site']>>();

function siteOf(component: ComponentCore): NonNullable<Frame['site']> {
  let site = sites.get(component);
  if (!site) {
    site = { path: [{ name: component.name, nth: undefined, rows: [] }], number: 0 };
    sites.set(component, site);
  }
  return site;
}

function walkProps(use: UseNode, owner: Frame, pass: Pass): readonly unknown[] {
  const { component, props } = use;
  const { names, kinds } = component.props;
  const values: unknown[] = [];
  let known = 0;
  for (let index = 0; index < names.length; index++) {
    const name = names[index] as string;
    const kind = kinds[index] as AnyKind;
    let value: unknown;
    if (Object.hasOwn(props, name)) {
      known++;
      value = props[name];
      if (typeof value === 'function') value = plainValue(value, owner);
    }
    if (value === undefined && kind.settings.presence !== 'required')
      values.push(kind.settings.fallbackValue);
    else if (value !== undefined && fits(kind, value))
      values.push(kind.rules.settle ? settle(kind, value) : value);
    else {
      const found = propFault(component, index, value);
      if (found) pass.report(found, inside(use, owner));
    }
  }
  let given = 0;
  for (const name in props) if (name !== '') given++;
  if (known !== given) reportUnknown(use, owner, pass);
  return values;
}

function inside(use: UseNode, owner: Frame): Frame {
  return frameOf({ ...use.component, state: undefined }, [], [], owner, siteOf(use.component), undefined);
}

function reportUnknown(use: UseNode, owner: Frame, pass: Pass): void {
  const { component, props } = use;
  if (component.accepts !== undefined) return;
  for (const prop of Object.keys(props)) {
    if (component.props.at.has(prop)) continue;
    const hint = suggest(prop, component.props.names, 'prop');
    pass.report(finding('prop-unknown', { component: component.name, prop, hint }), inside(use, owner));
  }
}

function walkFills(use: UseNode, owner: Frame, pass: Pass): readonly (HtmlFill | undefined)[] {
  const { component, slots } = use;
  const { names, kinds, at } = component.slots;
  const fills: (HtmlFill | undefined)[] = [];
  for (let index = 0; index < names.length; index++) {
    const given = slots[names[index] as string];
    fills.push(given && !isNothing(given.content) ? spotFill(given) : undefined);
    if (!fills[index] && kinds[index]?.needed) {
      pass.report(
        finding('slot-missing', { component: component.name, slot: names[index] as string }),
        inside(use, owner),
      );
    }
    if (fills[index] && given && kinds[index]?.hands !== (given.data !== undefined)) {
      const facts = {
        component: component.name,
        slot: names[index] as string,
        hands: kinds[index]?.hands ?? false,
      };
      pass.report(finding('slot-misfit', facts), inside(use, owner));
    }
  }
  for (const name in slots) {
    if (!at.has(name) && !isNothing(slots[name]?.content))
      pass.report(slotFault(component, name), inside(use, owner));
  }
  return fills;
}

function spotFill({ content, data }: SlotContent): HtmlFill {
  return {
    data,
    start: '',
    depth: 0,
    isAlways: data !== undefined || typeof content === 'string',
    write: (owner, pass) => walk(content, owner, pass),
    isFilled: (owner) => data !== undefined || comesToSomething(content, owner),
  };
}
