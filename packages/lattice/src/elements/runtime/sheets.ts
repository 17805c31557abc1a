import type { Feature, Instance } from './instance.js';

export type Sheets = readonly (() => CSSStyleSheet)[];

/** What shadow roots wear: the sheets of their own components, and of what stands in their slots. */
const worn = new WeakMap<Node, Sheets>();

function wear(root: ShadowRoot, sheets: Sheets): void {
  worn.set(root, sheets);
  root.adoptedStyleSheets = sheets.map((one) => sheetIn(root, one()));
}

/** Gives an element's shadow root its style sheets. */
export function styled(...sheets: Sheets): (instance: Instance) => Feature {
  return (instance) => {
    wear(instance.host.shadowRoot as ShadowRoot, sheets);
    return wearing()(instance);
  };
}

/** A shadow root that comes into another document loses its sheets: it gets them anew. */
export function wearing(): (instance: Instance) => Feature {
  return ({ host }) => {
    // The rules that a server wrote are the shared style sheets' from now on.
    host.shadowRoot?.querySelector('[data-rules]')?.remove();
    let around = host.ownerDocument;
    return {
      enter() {
        const root = host.shadowRoot as ShadowRoot;
        if (host.ownerDocument !== around) wear(root, worn.get(root) ?? []);
        around = host.ownerDocument;
      },
    };
  };
}

const lentBy = new WeakMap<Instance, Sheets>();

/** Keeps the style sheets at hand that an element's content needs in the shadow roots of others, whose slots it fills. */
export function lending(...sheets: Sheets): (instance: Instance) => Feature {
  return (instance) => {
    lentBy.set(instance, sheets);
    return {};
  };
}

export function sheetsFrom(instance: Instance): Sheets {
  return lentBy.get(instance) ?? [];
}

/** Gives the shadow root that a node stands in the style sheets of what was put beside it. */
export function borrow(sheets: Sheets, node: Node): void {
  const add = (): void => {
    const root = node.getRootNode();
    if (!(root instanceof ShadowRoot)) return;
    const all = worn.get(root) ?? [];
    const lacking = sheets.filter((one) => !all.includes(one));
    worn.set(root, [...all, ...lacking]);
    root.adoptedStyleSheets.push(...lacking.map((one) => sheetIn(root, one())));
  };
  // What is being made gets to its place before anything of it is painted.
  if (node.getRootNode() instanceof ShadowRoot) add();
  else queueMicrotask(add);
}

/** Rules as a style sheet that all elements share, made when the first of them asks. */
export function sheet(css: string): () => CSSStyleSheet {
  let made: CSSStyleSheet | undefined;
  return () => {
    if (!made) {
      made = new CSSStyleSheet();
      made.replaceSync(css);
    }
    return made;
  };
}

const copies = new WeakMap<Document, WeakMap<CSSStyleSheet, CSSStyleSheet>>();

/**
 * A sheet as the document of a shadow root may use it: one that was made in another document may not be
 * (https://drafts.csswg.org/cssom/#dom-documentorshadowroot-adoptedstylesheets).
 */
export function sheetIn({ ownerDocument }: ShadowRoot, given: CSSStyleSheet): CSSStyleSheet {
  const { defaultView } = ownerDocument;
  if (ownerDocument === document || !defaultView) return given;
  const known = copies.get(ownerDocument) ?? new WeakMap();
  copies.set(ownerDocument, known);
  let copy = known.get(given);
  if (!copy) {
    copy = new (defaultView as Window & typeof globalThis).CSSStyleSheet();
    copy.replaceSync(Array.from(given.cssRules, ({ cssText }) => cssText).join('\n'));
    known.set(given, copy);
  }
  return copy;
}
