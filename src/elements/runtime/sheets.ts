import type { Feature, Instance } from './instance.js';

export type Sheets = readonly (() => CSSStyleSheet)[];

/** Gives an element's shadow root its style sheets. */
export function styled(...sheets: Sheets): (instance: Instance) => Feature {
  return ({ host }) => {
    (host.shadowRoot as ShadowRoot).adoptedStyleSheets = sheets.map((one) => one());
    return {};
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
    for (const one of sheets) {
      const made = one();
      if (!root.adoptedStyleSheets.includes(made)) root.adoptedStyleSheets.push(made);
    }
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
