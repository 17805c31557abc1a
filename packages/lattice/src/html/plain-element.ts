import { escapeAttribute } from '../template/escape.js';
import {
  attributeRule,
  attributeText,
  isDeclared,
  isNameFit,
  isNode,
  lineEaters,
  rawTextElements,
  takesAccepted,
  valueFault,
  voidElements,
} from '../template/index.js';
import { unusual } from './runtime.js';
import { written } from './text.js';

// Elements of a use inline that need nothing of a planner: plain tags, attributes of plain values.

export interface TagTexts {
  readonly tags: readonly [string];
  /** How each of its attributes is written: the rule of one is looked up once. */
  readonly writers: Map<string, WriteAttribute>;
  readonly start: string;
  readonly opened: string;
  readonly end: string;
  /** Whether it is one alone that has no content. */
  readonly isEmpty: boolean;
}

export const tags = new Map<unknown, TagTexts | typeof unusual>();

/** The texts of a tag whose element a parser reads with nothing of its own to it. */
export function tagTexts(tag: unknown): TagTexts | typeof unusual {
  const isUsual =
    typeof tag === 'string' &&
    /^[a-z][a-z0-9]*$/.test(tag) &&
    !lineEaters.has(tag) &&
    (!rawTextElements.has(tag) || tag === 'script') &&
    !/^(title|option|select)$/.test(tag);
  const known: TagTexts | typeof unusual = isUsual
    ? {
        tags: [tag],
        writers: new Map(),
        start: `<${tag}`,
        opened: `<${tag}>`,
        end: voidElements.has(tag) ? '' : `</${tag}>`,
        isEmpty: voidElements.has(tag) || tag === 'script',
      }
    : unusual;
  if (tags.size < 300) tags.set(tag, known);
  return known;
}

/** Text with attributes behind it; undefined where one of them is for the planner, since it is an expression, or wrong. */
export function attributesText(
  out: string,
  { tags: [tag], writers }: TagTexts,
  attributes: Readonly<Record<string, unknown>>,
): string | undefined {
  if (takesAccepted(attributes)) return undefined;
  let text = out;
  for (const name in attributes) {
    const value = attributes[name];
    // Nothing is said of it.
    if (value === undefined) continue;
    const part = (writers.get(name) ?? writerOf(tag, name, writers))(value);
    if (part === undefined) return undefined;
    text += part;
  }
  return text;
}

/** Writes the value of one attribute; undefined where that is for the planner. */
type WriteAttribute = (value: unknown) => string | undefined;

const toPlanner: WriteAttribute = () => undefined;

function writerOf(tag: string, name: string, known: Map<string, WriteAttribute>): WriteAttribute {
  const made = makeWriter(tag, name);
  // A program that makes names as it goes would fill the memory.
  if (known.size < 100) known.set(name, made);
  return made;
}

function makeWriter(tag: string, name: string): WriteAttribute {
  if (name === 'class') return classText;
  if (name === 'style') return styleAttribute;
  const isUsual =
    /^[a-z][a-z0-9-]*$/.test(name) &&
    !/^(?:on|bind|node|json|leaving|properties|srcdoc)$/.test(name) &&
    isNameFit(tag, name, ignore);
  if (!isUsual) return toPlanner;
  const rule = attributeRule([tag], name);
  const [start, flag] = [` ${name}="`, ` ${name}`];
  const isWorded = rule === 'worded';
  if (rule === 'plain' || isWorded)
    return (value) => {
      if (typeof value === 'string') return `${start}${escapeAttribute(value)}"`;
      if (typeof value === 'number') return `${start}${value}"`;
      if (value === null || value === undefined) return '';
      if (typeof value !== 'boolean') return undefined;
      return isWorded ? `${start}${value}"` : value ? flag : '';
    };
  return (value) => {
    if (typeof value === 'string' && (rule === 'url' || rule === 'image') && !value.includes(':'))
      return `${start}${escapeAttribute(value)}"`;
    if (typeof value === 'function' || (typeof value === 'object' && value !== null)) return undefined;
    let isRight = true;
    const text = attributeText(tag, name, rule, value, () => {
      isRight = false;
    });
    return isRight ? written(name, text) : undefined;
  };
}

function ignore(): void {}

/** A class of plain values: words, records of conditions, lists of these. */
function classText(value: unknown): string | undefined {
  if (typeof value === 'string') return value === '' ? '' : ` class="${escapeAttribute(value)}"`;
  const words = classWords(value, '', 0);
  return words === '' ? '' : words && ` class="${escapeAttribute(words)}"`;
}

/** The words so far with those of a value behind them. */
function classWords(value: unknown, before: string, depth: number): string | undefined {
  if (typeof value === 'string' || typeof value === 'number' || typeof value === 'bigint')
    return !value ? before : before === '' ? String(value) : `${before} ${value}`;
  // A list may hold itself, which is reported.
  if (typeof value === 'function' || depth > 8) return undefined;
  if (typeof value !== 'object' || value === null) return before;
  let words: string | undefined = before;
  if (Array.isArray(value)) {
    for (let at = 0; at < value.length; at++) {
      words = classWords(value[at], words, depth + 1);
      if (words === undefined) return undefined;
    }
    return words;
  }
  if (isNode(value)) return undefined;
  for (const name of Object.keys(value)) {
    const test = (value as Readonly<Record<string, unknown>>)[name];
    if (typeof test === 'function') return undefined;
    if (test && name !== '') words = words === '' ? name : `${words} ${name}`;
  }
  return words;
}

const propertyName = /^(?:--[\w-]+|-?[a-z][a-z0-9-]*)$/;

/** Names of properties that were looked at. */
const properties = new Set<string>();

function isProperty(name: string): boolean {
  if (properties.has(name)) return true;
  if (!propertyName.test(name)) return false;
  // A program that makes names as it goes would fill the memory.
  if (properties.size < 300) properties.add(name);
  return true;
}

/** A style of plain values: a record of CSS properties. */
function styleAttribute(value: unknown): string | undefined {
  if (value === null || value === false) return '';
  if (typeof value !== 'object' || Array.isArray(value) || isNode(value)) return undefined;
  let text = '';
  for (const name in value) {
    const one = (value as Readonly<Record<string, unknown>>)[name];
    if (!isProperty(name) || !Object.hasOwn(value, name)) return undefined;
    if (one === null || one === undefined || one === false || one === '') continue;
    const start = text === '' ? ' style="' : '; ';
    if (isDeclared(one)) text += `${start}${name}: ${one}`;
    else if (typeof one === 'string' && valueFault(one) === undefined)
      text += `${start}${name}: ${escapeAttribute(one)}`;
    else return undefined;
  }
  return text === '' ? '' : `${text}"`;
}
