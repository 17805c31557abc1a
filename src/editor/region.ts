import type { Catalogue, ComponentFacts } from '../reading/facts.js';

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
    const start = new RegExp(`component(?:\\.generic[^(]*\\(\\))?\\(\\s*(['"\`])${owner.name}\\1`).exec(text);
    if (!start || start.index > offset) continue;
    const found = /\btemplate:\s*`/.exec(text.slice(start.index));
    if (!found) continue;
    const from = start.index + found.index + found[0].length;
    const end = text.indexOf('`', from);
    if (offset < from || (end >= 0 && offset > end)) continue;
    return { text: text.slice(from, end < 0 ? text.length : end), offset: offset - from, owner };
  }
  return undefined;
}
