/** Where the string stands in a module that is a component's template. */
export interface TemplatePlace {
  readonly from: number;
  /** Where it ends; the end of the module where it is not closed yet. */
  readonly to: number;
}

const call = String.raw`\bcomponent(?:\.generic(?:<[^>]*>)?\(\))?\(\s*`;

/**
 * Finds the string in a module that is a component's template; undefined where it is none, such as a function.
 *
 * @example templateIn('hut-card', "component('hut-card', { template: `<b></b>` })") // { from: 36, to: 43 }
 */
export function templateIn(name: string, text: string): TemplatePlace | undefined {
  const start = new RegExp(`${call}(['"\`])${name.replace(/[.\\]/g, '\\$&')}\\1`).exec(text);
  if (!start) return undefined;
  const behind = start.index + start[0].length;
  // What follows the next component's name is of that one.
  const next = new RegExp(`${call}['"\`]`).exec(text.slice(behind));
  const own = next ? text.slice(behind, behind + next.index) : text.slice(behind);
  const found = /\btemplate:\s*`/.exec(own);
  if (!found) return undefined;
  const from = behind + found.index + found[0].length;
  const inside = /^(?:[^`\\]|\\[\s\S])*/.exec(text.slice(from))?.[0] ?? '';
  return { from, to: from + inside.length };
}
