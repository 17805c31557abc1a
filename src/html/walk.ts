import { type AnyKind, type ComponentCore, fits, settle } from '../component/index.js';
import { type Finding, finding, suggest } from '../problem/index.js';
import {
  attributeText,
  classWriter,
  coreOf,
  describe,
  type EachNode,
  type ElementNode,
  type Frame,
  isNameFit,
  isNode,
  lineEaters,
  type Node,
  rawTextElements,
  type SlotContent,
  styleWriter,
  type UseNode,
  voidElements,
} from '../template/index.js';
import {
  acceptedOf,
  closesRawText,
  idPart,
  isInteractive,
  isNothing,
  propFault,
  rawTextFault,
  slotFault,
} from '../tree/index.js';
import { escapeAttribute, escapeText, jsonBlock } from './escape.js';
import { frameOf } from './frames.js';
import { hostHtml } from './nodes/host.js';
import type { HtmlFill } from './nodes/slot.js';
import { textOf } from './nodes/value.js';
import type { Pass } from './pass.js';
import { programOf } from './program.js';
import { withShared } from './provide.js';
import { refuseBroken } from './refuse.js';

/**
 * Writes content that was built on the spot, for one rendering: it is walked as it is, and nothing is compiled or
 * kept for it. Only the components it uses are compiled, once. It gives the same text as compiled content.
 */
export function walk(content: unknown, frame: Frame, pass: Pass): string {
  if (typeof content === 'string') return escapeText(content);
  if (content === null || content === undefined || content === false) return '';
  if (Array.isArray(content)) {
    let text = '';
    for (const one of content) text += walk(one, frame, pass);
    return text;
  }
  if (isNode(content)) return walkNode(content as Node, frame, pass);
  const core = coreOf(content);
  if (!core) return textOf(content, frame, pass, () => 'Content');
  const value = core.get(frame);
  return typeof value === 'string' ? escapeText(value) : textOf(value, frame, pass, () => describe(core));
}

function walkNode(node: Node, frame: Frame, pass: Pass): string {
  switch (node.kind) {
    case 'element':
      return walkElement(node, frame, pass);
    case 'use':
      return walkUse(node, frame, pass);
    case 'given':
      return walk(node.test.get(frame) ? node.content : node.otherwise, frame, pass);
    case 'each':
      return walkEach(node, frame, pass);
    case 'trusted':
      return String(plainValue(node.html, frame) ?? '');
    case 'slot':
      // A slot's place belongs to a template; content on the spot has none to show.
      return walk(node.fallback, frame, pass);
  }
}

function plainValue(candidate: unknown, frame: Frame): unknown {
  const core = coreOf(candidate);
  return core ? core.get(frame) : candidate;
}

function walkEach(node: EachNode, frame: Frame, pass: Pass): string {
  const items = plainValue(node.list, frame);
  if (items !== null && items !== undefined && !Array.isArray(items)) {
    pass.report(finding('list-invalid', { name: 'a value', got: typeof items }), frame);
  }
  if (!Array.isArray(items) || items.length === 0) return walk(node.empty, frame, pass);
  const { locals } = frame;
  const { item, key } = node;
  const [itemBefore, indexBefore] = [locals[item], locals[item + 1]];
  const path = frame.at?.[0] ?? '';
  let text = '';
  for (let index = 0; index < items.length; index++) {
    locals[item] = items[index];
    locals[item + 1] = index;
    if (frame.at) frame.at[0] = `${path}-${idPart(key ? key.get(frame) : index)}`;
    text += walk(node.row, frame, pass);
  }
  if (frame.at) frame.at[0] = path;
  locals[item] = itemBefore;
  locals[item + 1] = indexBefore;
  return text;
}

function walkElement(node: ElementNode, frame: Frame, pass: Pass): string {
  const tag = String(plainValue(node.tag, frame));
  if (!/^[a-zA-Z][\w.-]*$/.test(tag)) {
    const what = `The tag ${JSON.stringify(tag.slice(0, 40))}`;
    pass.report(
      finding('content-not-allowed', { what, place: 'in el.of', hint: 'Give the name of an element.' }),
      frame,
    );
    return '';
  }
  let text = `<${tag}`;
  const { attributes, content } = node;
  if (attributes)
    for (const name in attributes) text += walkAttribute(tag, name, attributes[name], frame, pass);
  text += '>';
  if (voidElements.has(tag)) {
    if (walk(content, frame, pass) !== '') pass.report(voidFault(tag), frame);
    return text;
  }
  if (rawTextElements.has(tag)) return `${text}${walkRawText(tag, node, frame, pass)}</${tag}>`;
  let inside = '';
  for (const one of content) inside += walk(one, frame, pass);
  if (lineEaters.has(tag) && inside.startsWith('\n')) inside = `\n${inside}`;
  return `${text}${inside}</${tag}>`;
}

function voidFault(tag: string): Finding {
  const hint = `<${tag}> takes no content; put it after the element.`;
  return finding('content-not-allowed', { what: 'Content', place: `in <${tag}>`, hint });
}

function walkRawText(tag: string, node: ElementNode, frame: Frame, pass: Pass): string {
  if (tag === 'script' && node.attributes && 'json' in node.attributes) {
    return jsonBlock(plainValue(node.attributes.json, frame));
  }
  let text = '';
  for (const part of node.content) {
    if (isNode(part) && (part as Node).kind === 'trusted') {
      text += walkNode(part as Node, frame, pass);
    } else if (!isNothing(part)) {
      const hint = 'Put data in with the attribute json: value, and text you vouch for with trusted(text).';
      pass.report(finding('content-not-allowed', { what: 'Text', place: `in <${tag}>`, hint }), frame);
    }
  }
  if (!closesRawText(tag, text)) return text;
  pass.report(rawTextFault(tag), frame);
  return '';
}

/** Writes one attribute whose value is read in the given frame. */
export function walkAttribute(tag: string, name: string, given: unknown, frame: Frame, pass: Pass): string {
  if (name === 'on' || name === 'bind' || name === 'json') return '';
  const report = (found: Finding): void => pass.report(found, frame);
  if (name === 'class') {
    const classes = classWriter(given);
    const text = typeof classes === 'string' ? classes : classes(frame);
    return text === '' ? '' : ` class="${escapeAttribute(text)}"`;
  }
  if (name === 'style') {
    const styles = styleWriter(tag, given, report);
    const text = typeof styles === 'string' ? styles : styles(frame, report);
    return text === '' ? '' : ` style="${escapeAttribute(text)}"`;
  }
  if (!isNameFit(tag, name, report)) return '';
  const value = plainValue(name === 'srcdoc' ? documentHtml(given, tag, report) : given, frame);
  const text = attributeText(tag, name, value, report);
  if (text === null) return '';
  return text === true ? ` ${name}` : ` ${name}="${escapeAttribute(text)}"`;
}

function documentHtml(given: unknown, tag: string, report: (found: Finding) => void): unknown {
  if (isNode(given) && (given as Node).kind === 'trusted')
    return (given as Extract<Node, { kind: 'trusted' }>).html;
  const hint = 'Give ready-made HTML you vouch for: srcdoc: trusted(html).';
  report(finding('attribute-unsafe', { attribute: 'srcdoc', tag, fault: 'holds a whole document', hint }));
  return null;
}

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
  return hostHtml(component, shadow, pass, () => {
    let content = '';
    for (const [name, given] of Object.entries(slots))
      content += walkSlotted(name, given.content, owner, pass);
    return content;
  });
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

/** Whether content on the spot places anything: conditions and rows count by what they give. */
function comesToSomething(content: unknown, owner: Frame): boolean {
  if (isNothing(content)) return false;
  if (Array.isArray(content)) return content.some((one) => comesToSomething(one, owner));
  if (isNode(content)) {
    const node = content as Node;
    if (node.kind === 'given')
      return comesToSomething(node.test.get(owner) ? node.content : node.otherwise, owner);
    if (node.kind === 'each') {
      const items = plainValue(node.list, owner);
      return (Array.isArray(items) && items.length > 0) || comesToSomething(node.empty, owner);
    }
    return true;
  }
  return !coreOf(content) || !isNothing(plainValue(content, owner));
}
