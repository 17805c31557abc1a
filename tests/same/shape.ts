/** Attributes that hold ids, which may differ from one writing to another, but have to meet each other. */
const holdsIds =
  /^(id|for|form|list|headers|aria-(activedescendant|controls|describedby|details|errormessage|flowto|labelledby|owns))$/;
/** What an element of a component with rules is marked by; the rules' effect is compared instead. */
const marks = /^(data-in|data-in-host)$/;
/** The computed values that rules in the cases set. */
const looks = ['color', 'fontStyle', 'fontWeight', 'textDecorationLine', 'borderTopStyle'] as const;

interface ShapeOptions {
  readonly looks: boolean;
  /** The ids seen in each root, and how they are reported here. */
  readonly ids: Map<Node, Map<string, string>>;
}

/** What a page shows of a node, as text: shadow roots in place, slots with what is in them, no comments, no marks. */
export function shapeOf(root: Node, withLooks: boolean): string {
  const options: ShapeOptions = { looks: withLooks, ids: new Map() };
  return JSON.stringify(merged(shownIn(root).flatMap((node) => shape(node, options))));
}

type Shape = string | readonly unknown[];

/** Neighbouring texts are one; those that are empty are none. */
function merged(shapes: readonly Shape[]): Shape[] {
  const all: Shape[] = [];
  for (const one of shapes) {
    const last = all.at(-1);
    if (typeof one === 'string' && typeof last === 'string') all[all.length - 1] = last + one;
    else if (one !== '') all.push(one);
  }
  return all;
}

function shape(node: Node, options: ShapeOptions): Shape[] {
  if (node instanceof Text) return [node.data];
  if (!(node instanceof Element)) return [];
  if (node instanceof HTMLSlotElement && node.getRootNode() instanceof ShadowRoot) {
    const assigned = node.assignedNodes();
    const shown = assigned.length > 0 ? assigned : [...node.childNodes];
    return shown.flatMap((one) => shape(one, options));
  }
  if (node.shadowRoot) return shownIn(node.shadowRoot).flatMap((one) => shape(one, options));
  // Text that goes to a named slot needs an element to say so.
  if (
    node.localName === 'span' &&
    node.hasAttribute('slot') &&
    /^display: contents;?$/.test(node.getAttribute('style') ?? '')
  )
    return shownIn(node).flatMap((one) => shape(one, options));
  const control = controlOf(node);
  const attributes = [...node.attributes]
    .filter(
      ({ name }) =>
        !marks.test(name) && name !== 'slot' && !(control && /^(value|checked|selected)$/.test(name)),
    )
    .sort((a, b) => (a.name < b.name ? -1 : 1))
    .map(({ name, value }) => `${name}=${shownValue(node, name, value, options)}`);
  const style = getComputedStyle(node);
  const seen = options.looks ? looks.map((name) => style[name]).join(' ') : '';
  const inside =
    node instanceof HTMLTextAreaElement ? [] : merged(shownIn(node).flatMap((one) => shape(one, options)));
  return [[`${node.namespaceURI?.slice(-3)} ${node.localName}`, attributes, inside, control, seen]];
}

/** A style as the browser reads it: in a page it is set by the style object, which writes it in its own way. */
function shownValue(node: Element, name: string, value: string, options: ShapeOptions): string {
  if (name === 'style') return (node as HTMLElement).style.cssText;
  return holdsIds.test(name) ? sameIds(value, node, options) : value;
}

function shownIn(node: Node): Node[] {
  return [...(node instanceof HTMLTemplateElement ? node.content : node).childNodes];
}

/** What a form control shows, however it came to that. */
function controlOf(node: Element): string {
  if (node instanceof HTMLInputElement) return `${node.value} ${node.checked}`;
  if (node instanceof HTMLTextAreaElement) return node.value;
  if (node instanceof HTMLOptionElement) return `${node.value} ${node.selected}`;
  return '';
}

/** An id is known by the root it is in, too: two shadow roots may hold the same one. */
function sameIds(value: string, node: Element, { ids }: ShapeOptions): string {
  const root = node.getRootNode();
  const known = ids.get(root) ?? new Map<string, string>();
  ids.set(root, known);
  return value.replace(/[^\s]+/g, (id) => {
    const same = known.get(id) ?? `#${[...ids.values()].reduce((sum, { size }) => sum + size, 0)}`;
    known.set(id, same);
    return same;
  });
}
