import type { ComponentCore } from '../component/index.js';
import { scopedRules, shadowRules } from '../styles/index.js';

const sheets = new WeakMap<
  ReadonlySet<ComponentCore>,
  { readonly pageRules: string; readonly css: string }
>();

/** The rules of some components, each kept to its component's own elements, as the text of one `style` element. */
export function styleSheet(components: ReadonlySet<ComponentCore>, pageRules = ''): string {
  const known = sheets.get(components);
  if (known?.pageRules === pageRules) return known.css;
  const sheetsText = [...components].map((component) => scopedRules(component).css);
  const css = safe([pageRules, ...sheetsText].filter((text) => text !== '').join('\n'));
  sheets.set(components, { pageRules, css });
  return css;
}

/** The rules of an element's own shadow root, and of components that stand in it without one. */
export function shadowSheet(component: ComponentCore, inside: ReadonlySet<ComponentCore>): string {
  const others = styleSheet(inside);
  return safe([shadowRules(component), others].filter((text) => text !== '').join('\n'));
}

/** In a style element "</style" would end it; in CSS the escaped slash is the same character. */
function safe(css: string): string {
  return css.replace(/<\/(style)/gi, '<\\/$1').replace(/<!--/g, '<\\!--');
}
