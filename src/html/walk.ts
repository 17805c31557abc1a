import { type Finding, finding } from '../problem/index.js';
import {
  attributeText,
  classWriter,
  coreOf,
  describe,
  type EachNode,
  type ElementNode,
  type Frame,
  idPart,
  isNameFit,
  isNode,
  lineEaters,
  type Node,
  rawTextElements,
  styleWriter,
  voidElements,
} from '../template/index.js';
import { closesRawText, isNothing, rawTextFault } from '../tree/index.js';
import { escapeAttribute, escapeText, jsonBlock } from './escape.js';
import { textOf } from './nodes/value.js';
import type { Pass } from './pass.js';
import { walkUse } from './walk-use.js';

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

export function plainValue(candidate: unknown, frame: Frame): unknown {
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

const tagPattern = /^[a-zA-Z][\w.-]*$/;

/** Tags that were found fit; not without end, should they come from outside. */
const fitTags = new Set<string>();

function isTag(tag: string): boolean {
  if (fitTags.has(tag)) return true;
  if (!tagPattern.test(tag)) return false;
  if (fitTags.size < 500) fitTags.add(tag);
  return true;
}

function walkElement(node: ElementNode, frame: Frame, pass: Pass): string {
  const tag = String(plainValue(node.tag, frame));
  if (!isTag(tag)) {
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
  if (given === null || given === undefined || given === false) return null;
  if (isNode(given) && (given as Node).kind === 'trusted')
    return (given as Extract<Node, { kind: 'trusted' }>).html;
  const hint = 'Give ready-made HTML you vouch for: srcdoc: trusted(html).';
  report(finding('attribute-unsafe', { attribute: 'srcdoc', tag, fault: 'holds a whole document', hint }));
  return null;
}

/** Whether content on the spot places anything: conditions and rows count by what they give. */
export function comesToSomething(content: unknown, owner: Frame): boolean {
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
