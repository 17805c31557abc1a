import type { ComponentCore } from '../component/index.js';
import { scopeRules } from './scope-rules.js';

const sheets = new WeakMap<ComponentCore, string>();

/** The rules of some components, each kept to its component's own elements, as the text of one `style` element. */
export function styleSheet(components: Iterable<ComponentCore>, pageRules = ''): string {
  const sheetsText = [...components].map(ownRules);
  // In a style element "</style" would end it; in CSS the escaped slash is the same character.
  return [pageRules, ...sheetsText]
    .filter((text) => text !== '')
    .join('\n')
    .replace(/<\/(style)/gi, '<\\/$1')
    .replace(/<!--/g, '<\\!--');
}

function ownRules(component: ComponentCore): string {
  let sheet = sheets.get(component);
  if (sheet === undefined) {
    sheet = scopeRules(component.styles, component.name).css;
    sheets.set(component, sheet);
  }
  return sheet;
}
