import { type ComponentCore, perComponent } from '../component/index.js';

const ownSheet = /* @__PURE__ */ perComponent(({ styles }) => sheet(styles));
const scopedSheet = /* @__PURE__ */ perComponent((component) => sheet(scoped(component)));

/** The style sheets of a component's shadow root, shared by all its elements: its own, and those of components in it. */
export function sheetsOf(component: ComponentCore, inside: ReadonlySet<ComponentCore>): CSSStyleSheet[] {
  const own = component.styles === '' ? [] : [ownSheet(component)];
  return [...own, ...[...inside].map(scopedSheet)];
}

function sheet(css: string): CSSStyleSheet {
  const made = new CSSStyleSheet();
  made.replaceSync(css);
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
