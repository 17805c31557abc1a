// A form's controls hide its own members by their names, as images and frames hide those of a document
// (https://html.spec.whatwg.org/#dom-form-nameditem, https://html.spec.whatwg.org/#dom-document-nameditem). So what may
// be a form, or the document, is asked by the prototypes, which no name can hide.

/** A getter of all nodes; where there is no page there is nothing to ask. */
function getter<Value>(name: keyof Node): (this: Node) => Value {
  return Object.getOwnPropertyDescriptor(globalThis.Node?.prototype ?? {}, name)?.get as () => Value;
}

const first = getter<ChildNode | null>('firstChild');
const next = getter<ChildNode | null>('nextSibling');
const kind = getter<string>('nodeName');
const connected = getter<boolean>('isConnected');

export function firstOf(node: Node): ChildNode | null {
  return first.call(node);
}

export function nextOf(node: Node): ChildNode | null {
  return next.call(node);
}

export function nodeNameOf(node: Node): string {
  return kind.call(node);
}

export function isInPage(node: Node): boolean {
  return connected.call(node);
}

export function insert(parent: Node, node: Node, before: Node | null): void {
  Node.prototype.insertBefore.call(parent, node, before);
}

export function discard(node: Node): void {
  (node instanceof Element ? Element : CharacterData).prototype.remove.call(node as Element & CharacterData);
}

export function copyOf<Kind extends Node>(node: Kind): Kind {
  return Document.prototype.importNode.call(document, node, true) as Kind;
}

export function attributeOf(element: Element, name: string): string | null {
  return Element.prototype.getAttribute.call(element, name);
}

/** Sets an attribute, or takes it away. */
export function setAttribute(element: Element, name: string, text: string | null): void {
  if (text === null) Element.prototype.removeAttribute.call(element, name);
  else Element.prototype.setAttribute.call(element, name, text);
}

const style = Object.getOwnPropertyDescriptor(globalThis.HTMLElement?.prototype ?? {}, 'style')?.get as (
  this: Element,
) => CSSStyleDeclaration;

export function styleOf(element: Element): CSSStyleDeclaration {
  return element instanceof HTMLElement ? style.call(element) : (element as SVGElement).style;
}

export function newElement(tag: string, space = 'http://www.w3.org/1999/xhtml'): Element {
  return Document.prototype.createElementNS.call(document, space, tag);
}

export function listenTo(target: EventTarget, type: string, work: (event: Event) => void): void {
  EventTarget.prototype.addEventListener.call(target, type, work);
}
