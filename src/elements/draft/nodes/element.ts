import {
  attributeText,
  type ClassPiece,
  classPieces,
  classWriter,
  coreOf,
  type ExprCore,
  eventArgument,
  type Frame,
  inputExprs,
  isCore,
  isHandlerCall,
  isNameFit,
  isNode,
  isWorded,
  mergeAttributes,
  rawTextElements,
  styleParts,
  styleWriter,
  type Node as TemplateNode,
  takesAccepted,
  urlShape,
} from '../../../template/index.js';
import type { PlanElement } from '../../../tree/index.js';
import { buildAll } from '../build.js';
import { type Call, Constant, call } from '../call.js';
import type { Draft, Scope, Spot } from '../draft.js';
import { type Around, SketchElement, SketchText } from '../sketch.js';
import { buildChanging } from './changing-element.js';
import { getterOf } from './getter.js';

/** An element: made once with its constant attributes; the others are places. */
export function buildElement(node: PlanElement, parent: Around, view: Draft, spot: Spot): void {
  if (typeof node.tag !== 'string') return buildChanging(node, node.tag, parent, view, spot);
  const element = view.add(parent, sketchElement(node.tag, spot));
  const staysSvg = node.tag === 'svg' || (spot.isSvg && node.tag !== 'foreignObject');
  buildAttributes(node, element, view, spot);
  if (node.tag === 'script' && 'json' in node.attributes)
    view.add(element, new SketchText(JSON.stringify(node.attributes.json) ?? ''));
  // What would run or style as text is ready-made alone, as in HTML text.
  else if (rawTextElements.has(node.tag))
    buildAll(
      node.content.filter(({ kind }) => kind === 'trusted'),
      element,
      view,
      spot,
    );
  else buildAll(node.content, element, view, { ...spot, isSvg: staysSvg, isOutermost: false });
}

/** An element in the name space of where it stands, with its component's mark if that has styles. */
export function sketchElement(tag: string, { isSvg, scope, isOutermost }: Spot): SketchElement {
  const element = new SketchElement(tag, isSvg || tag === 'svg');
  if (scope.mark !== undefined && scope.use) {
    element.attributes.set('data-in', scope.mark);
    if (isOutermost) element.attributes.set('data-in-host', scope.mark);
  }
  return element;
}

export function buildAttributes(node: PlanElement, element: SketchElement, view: Draft, spot: Spot): void {
  const attributes = takesAccepted(node.attributes)
    ? mergeAttributes(node.attributes, spot.scope.use?.node.accepted ?? {})
    : node.attributes;
  const foreign = takesAccepted(node.attributes) ? spot.scope.use?.owner : undefined;
  for (const [name, value] of Object.entries(attributes)) {
    const isForeign = foreign !== undefined && !(name in node.attributes);
    buildAttribute(element, name, value, view, isForeign ? foreign : spot.scope);
  }
}

function buildAttribute(
  element: SketchElement,
  name: string,
  value: unknown,
  view: Draft,
  scope: Scope,
): void {
  if (name === 'on') return buildListeners(element, value as Readonly<Record<string, unknown>>, view, scope);
  if (name === 'bind') return buildBind(element, coreOf(value), view, scope);
  if (name === 'json' || !isNameFit(element.tag, name, ignore)) return;
  const exprs = inputExprs(value);
  // A style is a record of properties; an expression of one is told where the tree is resolved.
  if (name === 'style' && coreOf(value)) return;
  // A document is ready-made HTML alone.
  if (name === 'srcdoc' && documentOf(value) === null) return;
  if (exprs.length === 0) {
    const text = constantText(element.tag, name, value);
    if (text !== null) element.attributes.set(name, text === true ? '' : text);
    return;
  }
  const bits = exprs.reduce((all, core) => all | scope.bits.read(core), 0);
  view.note(scope.index, bits);
  view.place(element, call('attribute', name, writerOf(element.tag, name, value), bits, scope.index));
}

function ignore(): void {}

/** Stands for a frame where nothing is read from one: what is constant takes none, and its type asks for one. */
const constant = undefined as unknown as Frame;

/** The text of an attribute that never changes: the same rules as in HTML text. */
function constantText(tag: string, name: string, value: unknown): string | true | null {
  if (name === 'class') {
    const classes = classWriter(value);
    return (typeof classes === 'string' ? classes : classes(constant)) || null;
  }
  if (name === 'style') {
    const styles = styleWriter(tag, value, ignore);
    return (typeof styles === 'string' ? styles : styles(constant, ignore)) || null;
  }
  if (name === 'srcdoc') return documentOf(value) as string | null;
  return attributeText(tag, name, value, ignore);
}

function documentOf(value: unknown): unknown {
  return isNode(value) && (value as TemplateNode).kind === 'trusted'
    ? (value as Extract<TemplateNode, { kind: 'trusted' }>).html
    : null;
}

/** How to have the text of one that changes. */
function writerOf(tag: string, name: string, value: unknown): Call {
  if (name === 'class') {
    const { prefix, pieces } = classPieces(value);
    return call('classes', prefix, pieces.map(classPart));
  }
  if (name === 'style') {
    const parts = styleParts(tag, value, ignore);
    return call(
      'styles',
      tag,
      parts.map(([property, one]) => [property, coreOf(one) ?? new Constant(one)]),
    );
  }
  if (name === 'srcdoc') return call('documentHtml', getterOf(documentOf(value)));
  const kind = urlShape(tag, name) !== undefined ? 'checked' : isWorded(name) ? 'worded' : 'plain';
  return call(kind, tag, name, getterOf(value));
}

function classPart(piece: ClassPiece): unknown {
  if (piece.kind === 'text') return piece.text;
  return [piece.word, piece.when ?? call('always', true)];
}

function buildBind(element: SketchElement, core: ExprCore | undefined, view: Draft, scope: Scope): void {
  if (core?.op.op !== 'state') return;
  const bits = scope.bits.read(core);
  view.note(scope.index, bits);
  view.place(element, call('bind', core.op.name, core, bits, scope.index));
}

/** The arguments a handler is called with, each a plain value, an expression, or the event. */
export class HandlerArguments {
  readonly args: readonly unknown[];

  constructor(args: readonly unknown[]) {
    this.args = args;
  }

  /** How to have their values. */
  get(): (frame: Frame, event: Event) => readonly unknown[] {
    return (frame, event) =>
      this.args.map((one) => (isCore(one) ? one.get(frame) : one === eventArgument ? event : one));
  }
}

function buildListeners(
  element: SketchElement,
  listeners: Readonly<Record<string, unknown>>,
  view: Draft,
  scope: Scope,
): void {
  for (const [type, handler] of Object.entries(listeners)) {
    if (!isHandlerCall(handler)) continue;
    const args = new HandlerArguments(handler.args.map((one) => coreOf(one) ?? one));
    view.place(element, call('listen', type, handler.handler, args, scope.index));
  }
}
