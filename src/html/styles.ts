import type { ComponentCore } from '../component/index.js';
import { scopedRules } from '../tree/index.js';

/** The rules of some components, each kept to its component's own elements, as the text of one `style` element. */
export function styleSheet(components: Iterable<ComponentCore>, pageRules = ''): string {
  const sheetsText = [...components].map((component) => scopedRules(component).css);
  // In a style element "</style" would end it; in CSS the escaped slash is the same character.
  return [pageRules, ...sheetsText]
    .filter((text) => text !== '')
    .join('\n')
    .replace(/<\/(style)/gi, '<\\/$1')
    .replace(/<!--/g, '<\\!--');
}
