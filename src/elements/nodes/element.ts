import {
  type AttributeText,
  attributeText,
  classWriter,
  coreOf,
  type ExprCore,
  eventArgument,
  type Frame,
  inputExprs,
  isHandlerCall,
  isNameFit,
  isNode,
  mergeAttributes,
  rawTextElements,
  styleWriter,
  type Node as TemplateNode,
  takesAccepted,
} from '../../template/index.js';
import type { PlanElement } from '../../tree/index.js';
import { nameOf } from '../adoption.js';
import { bindControl } from '../bind.js';
import { buildAll } from '../build.js';
import type { Scope, Spot, View } from '../view.js';
import { buildChanging } from './changing-element.js';

const svgSpace = 'http://www.w3.org/2000/svg';

/** An element: made once with its constant attributes; the others are places. */
export function buildElement(node: PlanElement, parent: Node, view: View, spot: Spot): void {
  if (typeof node.tag !== 'string') return buildChanging(node, node.tag, parent, view, spot);
  const element = makeElement(node.tag, spot);
  parent.appendChild(element);
  const staysSvg = node.tag === 'svg' || (spot.isSvg && node.tag !== 'foreignObject');
  buildAttributes(node, element, view, spot);
  const home = element instanceof HTMLTemplateElement ? element.content : element;
  if (node.tag === 'script' && 'json' in node.attributes)
    home.textContent = JSON.stringify(node.attributes.json) ?? '';
  // What would run or style as text is ready-made alone, as in HTML text.
  else if (rawTextElements.has(node.tag))
    buildAll(
      node.content.filter(({ kind }) => kind === 'trusted'),
      home,
      view,
      spot,
    );
  else buildAll(node.content, home, view, { ...spot, isSvg: staysSvg, isOutermost: false });
}

/** An element in the name space of where it stands, with its component's mark if that has styles. */
export function makeElement(tag: string, { isSvg, scope, isOutermost }: Spot): Element {
  const element =
    isSvg || tag === 'svg' ? document.createElementNS(svgSpace, tag) : document.createElement(tag);
  if (scope.mark !== undefined && scope.use) {
    element.setAttribute('data-in', scope.mark);
    if (isOutermost) element.setAttribute('data-in-host', scope.mark);
  }
  return element;
}

export function buildAttributes(node: PlanElement, element: Element, view: View, spot: Spot): void {
  const attributes = takesAccepted(node.attributes)
    ? mergeAttributes(node.attributes, spot.scope.use?.node.accepted ?? {})
    : node.attributes;
  const foreign = takesAccepted(node.attributes) ? spot.scope.use?.owner : undefined;
  for (const [name, value] of Object.entries(attributes)) {
    const isForeign = foreign !== undefined && !(name in node.attributes);
    buildAttribute(element, name, value, view, isForeign ? foreign : spot.scope);
  }
}

function buildAttribute(element: Element, name: string, value: unknown, view: View, scope: Scope): void {
  if (name === 'on') return buildListeners(element, value as Readonly<Record<string, unknown>>, view, scope);
  if (name === 'bind') return bindControl(element, coreOf(value), view, scope);
  if (name === 'json' || !isNameFit(element.localName, name, ignore)) return;
  const exprs = inputExprs(value);
  const write = attributeWriter(element.localName, name, value);
  if (exprs.length === 0) return setAttribute(element, name, write(constant, ignore));
  const bits = exprs.reduce((all, core) => all | scope.bits.read(core), 0);
  view.note(scope, bits);
  const { index } = scope;
  view.place(element, (found, frames, block, instance) => {
    let shown: AttributeText | undefined;
    const run = (): void => {
      const next = write(frames[index] as Frame, (problem) => instance.report(problem));
      if (next === shown) return;
      shown = next;
      if (instance.adoption && hasAttribute(found as Element, name, next)) return;
      if (instance.adoption) instance.differs(`${name} of ${nameOf(found)} is not the same`);
      setAttribute(found as Element, name, next);
    };
    run();
    if (bits !== 0) block.updaters.push({ scope: index, bits, run });
  });
}

type Report = Parameters<typeof attributeText>[3];

function ignore(): void {}

/** Stands for a frame where nothing is read from one: what is constant takes none, and its type asks for one. */
const constant = undefined as unknown as Frame;

/** How to have an attribute's text: the same rules as in HTML text. */
function attributeWriter(
  tag: string,
  name: string,
  value: unknown,
): (frame: Frame, report: Report) => AttributeText {
  if (name === 'class') {
    const classes = classWriter(value);
    return (frame) => (typeof classes === 'string' ? classes : classes(frame)) || null;
  }
  if (name === 'style') {
    const styles = styleWriter(tag, value, ignore);
    return (frame, report) => (typeof styles === 'string' ? styles : styles(frame, report)) || null;
  }
  if (name === 'srcdoc') {
    const html =
      isNode(value) && (value as TemplateNode).kind === 'trusted'
        ? (value as Extract<TemplateNode, { kind: 'trusted' }>).html
        : null;
    const core = coreOf(html);
    return (frame) => (core ? String(core.get(frame) ?? '') : (html as string | null));
  }
  const core = coreOf(value);
  return (frame, report) => attributeText(tag, name, core ? core.get(frame) : value, report);
}

function hasAttribute(element: Element, name: string, text: AttributeText): boolean {
  return element.getAttribute(name) === (text === true ? '' : text);
}

function setAttribute(element: Element, name: string, text: AttributeText): void {
  if (text === null) element.removeAttribute(name);
  else element.setAttribute(name, text === true ? '' : text);
}

function buildListeners(
  element: Element,
  listeners: Readonly<Record<string, unknown>>,
  view: View,
  scope: Scope,
): void {
  for (const [type, call] of Object.entries(listeners)) {
    if (!isHandlerCall(call)) continue;
    const args = call.args.map((one) => coreOf(one) ?? one);
    view.place(element, (found, frames, _block, instance) => {
      found.addEventListener(type, (event) => {
        const values = args.map((one) =>
          isCore(one) ? one.get(frames[scope.index] as Frame) : one === eventArgument ? event : one,
        );
        instance.handle(call.handler, values, event);
      });
    });
  }
}

function isCore(candidate: unknown): candidate is ExprCore {
  return typeof candidate === 'object' && candidate !== null && 'get' in candidate && 'op' in candidate;
}
