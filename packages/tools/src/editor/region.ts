import type { Catalogue, ComponentFacts } from '../reading/facts.js';
import { templateIn } from '../reading/template-in.js';

/** HTML text in a file, the place in it, and the component whose template it is. */
export interface Region {
  readonly text: string;
  readonly offset: number;
  readonly owner: ComponentFacts | undefined;
}

/**
 * The HTML text that a place in a file is in: all of a file of HTML, or of a module the string that is a template.
 *
 * @returns undefined where it is in none
 */
export function regionAt(
  text: string,
  offset: number,
  file: string,
  { components }: Catalogue,
): Region | undefined {
  if (/\.html?$/.test(file)) return { text, offset, owner: components.find((one) => one.text.file === file) };
  for (const owner of components) {
    if (owner.file !== file || owner.text.file !== '') continue;
    const place = templateIn(owner.name, text);
    if (!place || offset < place.from || offset > place.to) continue;
    return { text: text.slice(place.from, place.to), offset: offset - place.from, owner };
  }
  return undefined;
}
