import type { DomElement, DomElements } from '../template/index.js';

/** Where a named node keeps its types; there is nothing at run time. */
export declare const nodeTypes: unique symbol;

/** A node of a component's own template that its functions reach by a name: one, or one for each key. */
export class NodeKind<Element = DomElement, Keyed extends boolean = boolean> {
  declare readonly [nodeTypes]: { element: Element; keyed: Keyed };
  /** The tag of the element that has the name; any where it was left out. */
  readonly tag: string | undefined;
  readonly isKeyed: Keyed;

  constructor(isKeyed: Keyed, tag?: string) {
    this.isKeyed = isKeyed;
    this.tag = tag;
  }
}

export type AnyNodeKind = NodeKind<unknown, boolean>;

type Of<Tag> = Tag extends keyof DomElements ? DomElements[Tag] : DomElement;

interface NodeMaker {
  <Tag extends keyof DomElements | (string & {})>(tag: Tag): NodeKind<Of<Tag>, false>;
  /** The element of a component, or of one from elsewhere, by its type: `node<ElementOf<typeof StallPick>>('stall-pick')`. */
  <Element extends DomElement>(tag: string): NodeKind<Element, false>;
  /** A node of a row, or of anything else that is there several times: functions reach each by its key. */
  keyed<Tag extends keyof DomElements | (string & {})>(tag: Tag): NodeKind<Of<Tag>, true>;
  keyed<Element extends DomElement>(tag: string): NodeKind<Element, true>;
}

/**
 * Declares a name for an element in a component's own template, by its tag. Handlers, methods, `shown` and `connected` reach
 * the element as `nodes.field`; it is `undefined` while it is not there. `node.keyed` names one element for each row.
 *
 * @example
 * component('note-field', {
 *   nodes: { field: node('input'), options: node.keyed('li') },
 *   handlers: { clear: ({ nodes }) => nodes.field?.select() },
 *   template: ({ nodes, handlers }) => [
 *     el.input({ node: nodes.field }), // in HTML text: <input node="field">
 *     el.button({ on: { click: handlers.clear() } }, 'Clear'),
 *   ],
 * });
 */
export const node: NodeMaker = Object.assign((tag: string) => new NodeKind<never, false>(false, tag), {
  keyed: (tag: string) => new NodeKind<never, true>(true, tag),
}) as NodeMaker;
