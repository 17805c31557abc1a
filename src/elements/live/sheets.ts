import type { Instance, Part } from './instance.js';

/** Gives an element's shadow root its style sheets. */
export function styled(...sheets: readonly (() => CSSStyleSheet)[]): (instance: Instance) => Part {
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

/**
 * The rules of a component that stands in another's shadow root without one of its own: from its outermost elements
 * down to content from outside (https://www.w3.org/TR/css-cascade-6/#scoped-styles).
 */
export function scopedCss(name: string, styles: string): string {
  const rules = styles.replace(/:host(?:\(([^()]*)\))?/g, (_host, inner?: string) =>
    inner ? `:scope:is(${inner})` : ':scope',
  );
  return `@scope ([data-in-host="${name}"]) to (:not([data-in="${name}"])) { ${rules} }`;
}
