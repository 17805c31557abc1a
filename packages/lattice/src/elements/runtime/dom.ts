// A form's controls hide its own members by their names, as images and frames hide those of a document
// (https://html.spec.whatwg.org/#dom-form-nameditem, https://html.spec.whatwg.org/#dom-document-nameditem). So both are
// asked by their prototypes, which no name can hide: forms in pages whose elements may have some, as few have.

/** A node as it can be asked for anything. What comes back is asked only: whoever hands a node on takes the node itself. */
export let safe = <Kind extends Node | null>(node: Kind): Kind => node;

/** The node itself behind one that is asked. */
export let itself = <Kind extends Node>(node: Kind): Kind => node;

/** For components whose templates may have forms in them. */
export function formSafe(): () => void {
  return () => {
    safe = (node) => (node instanceof HTMLFormElement ? (asked(node) as typeof node) : node);
    itself = (node) => (behind.get(node) ?? node) as typeof node;
  };
}

/** What forms are asked by, each by the form and by itself. */
const known = new WeakMap<Node, HTMLFormElement>();
const behind = new WeakMap<Node, HTMLFormElement>();

function asked(form: HTMLFormElement): HTMLFormElement {
  const one = known.get(form) ?? new Proxy(form, byPrototype);
  if (!known.has(form)) behind.set(one, form);
  known.set(form, one).set(one, one);
  return one;
}

const byPrototype: ProxyHandler<HTMLFormElement> = {
  get(form, name) {
    const value: unknown = Reflect.get(HTMLFormElement.prototype, name, form);
    return typeof value === 'function' ? value.bind(form) : value;
  },
};

export function copyOf<Kind extends Node>(node: Kind): Kind {
  return Document.prototype.importNode.call(document, node, true) as Kind;
}

export function newElement(tag: string, space = 'http://www.w3.org/1999/xhtml'): HTMLElement {
  return Document.prototype.createElementNS.call(document, space, tag) as HTMLElement;
}

/** Sets an attribute, or takes it away. */
export function setAttribute(element: Element, name: string, text: string | null): void {
  if (text === null) element.removeAttribute(name);
  else element.setAttribute(name, text);
}
