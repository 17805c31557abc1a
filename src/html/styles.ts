import type { ComponentCore } from '../component/index.js';
import { scopedRules, shadowRules } from '../styles/index.js';

/** The rules of some components, each kept to its component's own elements, as the text of one `style` element. */
export function styleSheet(components: Iterable<ComponentCore>, pageRules = ''): string {
  const sheetsText = [...components].map((component) => scopedRules(component).css);
  return safe([pageRules, ...sheetsText].filter((text) => text !== '').join('\n'));
}

/** The rules of an element's own shadow root, and of components that stand in it without one. */
export function shadowSheet(component: ComponentCore, inside: Iterable<ComponentCore>): string {
  const others = styleSheet(inside);
  return safe([shadowRules(component), others].filter((text) => text !== '').join('\n'));
}

/** In a style element "</style" would end it; in CSS the escaped slash is the same character. */
function safe(css: string): string {
  return css.replace(/<\/(style)/gi, '<\\/$1').replace(/<!--/g, '<\\!--');
}
