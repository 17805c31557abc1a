import { type PlanAttribute, planAttributes } from '../plan/index.js';
import { lineEaters, rawTextElements, voidElements } from '../template/index.js';
import { unusual } from './runtime.js';
import { written } from './text.js';

// Elements of a use inline that need nothing of a planner: plain tags, attributes of text, numbers and flags.

export interface TagTexts {
  readonly tags: readonly [string];
  readonly start: string;
  readonly opened: string;
  /** Empty for an element that has no content. */
  readonly end: string;
}

export const tags = new Map<unknown, TagTexts | typeof unusual>();

/** The texts of a tag whose element a parser reads with nothing of its own to it. */
export function tagTexts(tag: unknown): TagTexts | typeof unusual {
  const isUsual =
    typeof tag === 'string' &&
    /^[a-z][a-z0-9]*$/.test(tag) &&
    !lineEaters.has(tag) &&
    !rawTextElements.has(tag) &&
    !/^(title|option|select)$/.test(tag);
  const known: TagTexts | typeof unusual = isUsual
    ? { tags: [tag], start: `<${tag}`, opened: `<${tag}>`, end: voidElements.has(tag) ? '' : `</${tag}>` }
    : unusual;
  if (tags.size < 300) tags.set(tag, known);
  return known;
}

/** Attributes that are text, numbers or flags; undefined where one is more than that, or wrong. */
export function attributesText(
  tagsOf: readonly string[],
  attributes: Readonly<Record<string, unknown>>,
): string | undefined {
  for (const name in attributes) {
    const value = attributes[name];
    if (typeof value === 'function' || (typeof value === 'object' && value !== null)) return undefined;
  }
  let isRight = Object.getOwnPropertySymbols(attributes).length === 0;
  const planned = planAttributes(tagsOf, attributes, () => {
    isRight = false;
  });
  let text = '';
  for (const one of planned) {
    const part = partText(one);
    if (part === undefined) return undefined;
    text += part;
  }
  return isRight ? text : undefined;
}

function partText(one: PlanAttribute): string | undefined {
  if (one.kind === 'fixed') return written(one.name, one.text);
  if (one.kind === 'none') return '';
  if (one.kind !== 'class') return undefined;
  const [first] = one.parts;
  if (!first) return '';
  return one.parts.length === 1 && first.kind === 'word' ? written('class', first.word) : undefined;
}
