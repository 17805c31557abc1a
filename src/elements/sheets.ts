import type { ComponentCore } from '../component/index.js';

const sheets = new WeakMap<ComponentCore, CSSStyleSheet>();
const scopedSheets = new WeakMap<ComponentCore, CSSStyleSheet>();

/** The style sheets of a component's shadow root, shared by all its elements: its own, and those of components in it. */
export function sheetsOf(component: ComponentCore, inside: ReadonlySet<ComponentCore>): CSSStyleSheet[] {
  const own = component.styles === '' ? [] : [sheet(sheets, component, component.styles)];
  return [...own, ...[...inside].map((one) => sheet(scopedSheets, one, scoped(one)))];
}

function sheet(
  kept: WeakMap<ComponentCore, CSSStyleSheet>,
  component: ComponentCore,
  css: string,
): CSSStyleSheet {
  let made = kept.get(component);
  if (!made) {
    made = new CSSStyleSheet();
    made.replaceSync(css);
    kept.set(component, made);
  }
  return made;
}

/**
 * The rules of a component that stands in another's shadow root without one of its own: from its outermost elements
 * down to content from outside (https://www.w3.org/TR/css-cascade-6/#scoped-styles).
 */
function scoped({ name, styles }: ComponentCore): string {
  const rules = styles.replace(/:host(?:\(([^()]*)\))?/g, (_host, inner?: string) =>
    inner ? `:scope:is(${inner})` : ':scope',
  );
  return `@scope ([data-in-host="${name}"]) to (:not([data-in="${name}"])) { ${rules} }`;
}
