import type { Feature, Instance } from './instance.js';

/** Gives an element's shadow root its style sheets. */
export function styled(...sheets: readonly (() => CSSStyleSheet)[]): (instance: Instance) => Feature {
  return ({ host }) => {
    (host.shadowRoot as ShadowRoot).adoptedStyleSheets = sheets.map((one) => one());
    return {};
  };
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
