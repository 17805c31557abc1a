import type { ComponentCore } from '../../component/index.js';
import { nearest, suggest, tagName } from '../../problem/index.js';
import {
  type Content,
  ElementNode,
  rawTextElements,
  SlotNode,
  trimmedEnd,
  trimmedStart,
  trusted,
} from '../../template/index.js';
import { isForeign } from '../document/catalog.js';
import { hasHole, pieces, unmarked } from '../syntax/holes.js';
import type { MarkupComment, MarkupElement, MarkupNode, MarkupString } from '../syntax/nodes.js';
import { attributesOf } from './attributes.js';
import { templateContent } from './directives.js';
import { expressionIn, holeAt, readExpression } from './expression.js';
import type { Locals } from './names.js';
import type { TextReading } from './reading.js';
import { useContent } from './use.js';

/** Turns what was parsed into the very nodes that the builders make. */
export function contentOf(nodes: readonly MarkupNode[], locals: Locals, reading: TextReading): Content[] {
  const content: Content[] = [];
  for (let at = 0; at < nodes.length; at++) {
    const node = nodes[at] as MarkupNode;
    if (node.kind === 'text') {
      const { text } = node;
      const shown = reading.joinsLines ? joined(text) : text;
      content.push(...textContent({ ...node, text: shown }, locals, reading));
    } else if (node.kind === 'comment') content.push(commentContent(node, reading));
    else if (node.tag === 'template') {
      const found = templateContent(nodes, at, locals, reading);
      if (found) {
        content.push(found.content);
        at += found.taken - 1;
      } else content.push(elementContent(node, locals, reading));
    } else content.push(elementContent(node, locals, reading));
  }
  return content;
}

/** Text without its layout: line breaks beside tags are dropped, those between words are spaces. */
function joined(text: string): string {
  const lines = text.split(/\r?\n/);
  if (lines.length === 1) return text;
  // Line by line: a pattern over all of it would look at the white space of a long line again and again.
  const parts = lines.map((line, at) => {
    const started = at === 0 ? line : trimmedStart(line);
    return at === lines.length - 1 ? started : trimmedEnd(started);
  });
  return parts.filter((part) => part !== '').join(' ');
}

function textContent(node: MarkupString, locals: Locals, reading: TextReading): Content[] {
  tellBlocks(node, reading);
  return pieces(node.text, reading.holes).map((piece) => {
    if (typeof piece === 'string') return piece;
    const found = readExpression(piece.expression, holeAt(piece.at, node.at), locals, reading);
    return found && (found.isConstant ? (found.constant as Content) : (found.core.face as Content));
  });
}

/** What stands here for blocks between braces and signs, by their first word. */
const blockWords: Readonly<Record<string, string>> = {
  if: '<template given="…">',
  unless: '<template given="not …">',
  elif: '<template otherwise given="…">',
  elsif: '<template otherwise given="…">',
  else: '<template otherwise>',
  for: '<template each-of="…" as="…">',
  each: '<template each-of="…" as="…">',
};

/** Tells blocks that are text here, and would be shown; what ends one is not reported again. */
function tellBlocks({ at, text }: MarkupString, reading: TextReading): void {
  for (const found of text.matchAll(/\{%-?\s*(\w+)[^%]{0,200}%\}/g)) {
    const [written, word = ''] = found;
    const stands = Object.hasOwn(blockWords, word) ? blockWords[word] : undefined;
    if (stands === undefined) continue;
    const fault = `${JSON.stringify(written)} is text here, and is shown`;
    reading.report(
      'directive-invalid',
      { fault, hint: `Write ${stands}.` },
      at === undefined ? undefined : at + found.index,
    );
  }
}

/** Comments stay, save those that are the library's own marks of places and would be taken for them. */
function commentContent({ at, text }: MarkupComment, reading: TextReading): Content {
  if (text === '(' || text === ')') return null;
  const whole = unmarked(text, reading.holes);
  // An interpolation is no part of the comment that a parser reads: what ends a comment ends it there, too
  // (https://html.spec.whatwg.org/#comment-end-state).
  if (/--!?>|^-?>/.test(whole)) {
    const hint = 'Write --> at the end of the comment alone, or leave the interpolation out.';
    reading.report('interpolation-misplaced', { place: 'in a comment that it would end', hint }, at);
    return null;
  }
  return trusted(`<!--${whole}-->`);
}

function elementContent(node: MarkupElement, locals: Locals, reading: TextReading): Content {
  const component = reading.uses.get(node.tag);
  if (component) return useContent(node, component, locals, reading);
  const meant = meantBy(node, reading);
  if (meant) {
    const hint = `Did you mean ${tagName(meant.name)}? A component's tag is its name.`;
    reading.report('component-unknown', { name: node.tag, hint }, node.at);
    return useContent(node, meant, locals, reading);
  }
  if (node.tag === 'slot') return slotContent(node, locals, reading);
  // Reported where its tag was read.
  if (hasHole(node.tag)) return contentOf(node.children, locals, reading);
  checkCustom(node, reading);
  const attributes = attributesOf(node, locals, reading);
  const content = rawTextElements.has(node.tag)
    ? rawContent(node, reading)
    : reading.within(node.tag, () => contentOf(node.children, locals, reading));
  return reading.written(node, () => {
    const given = Object.keys(attributes).length === 0 ? undefined : attributes;
    return new ElementNode(node.tag, given, content, contentOf);
  });
}

/** The component that a tag without hyphens stands for: HTML reads `HutCard` as `hutcard`. */
function meantBy({ at, tag }: MarkupElement, { places, uses }: TextReading): ComponentCore | undefined {
  if (tag.includes('-') || at === undefined) return undefined;
  const written = places.text.slice(at + 1, at + 1 + tag.length);
  // HTML's own may be written in capitals, all of them.
  if (written === tag || written === tag.toUpperCase()) return undefined;
  return [...uses.values()].find(({ name }) => name.replaceAll('-', '') === tag);
}

/** A tag with a hyphen is a component, or else an element from elsewhere that the component says it knows. */
function checkCustom(node: MarkupElement, reading: TextReading): void {
  const { tag } = node;
  if (!tag.includes('-') || hasHole(tag) || isForeign(tag, reading.component.foreign)) return;
  const list = `ist it: uses: [${exportName(tag)}].`;
  const otherwise = `L${list} A custom element from elsewhere is listed as foreign: ['${tag}'].`;
  const near = nearest(tag, reading.uses.keys());
  const hint = near === undefined ? otherwise : `Did you mean ${tagName(near)}? Else l${list}`;
  reading.report('component-unknown', { name: tag, hint }, node.at);
}

function exportName(tag: string): string {
  return tag.replace(/(?:^|-)(\w)/g, (_whole, letter: string) => letter.toUpperCase());
}

/** What scripts and style sheets hold is their own text, as the author wrote it; interpolations have no place in it. */
function rawContent(node: MarkupElement, reading: TextReading): Content[] {
  const text = node.children.map((child) => (child.kind === 'text' ? child.text : '')).join('');
  if (hasHole(text)) {
    const place = node.tag === 'script' ? 'in a script' : 'in a style sheet';
    const hint =
      node.tag === 'script'
        ? 'Give the script its data in an attribute: data-name="{{ … }}".'
        : 'Set a custom property in a style attribute, and read it with var(--name).';
    reading.report('interpolation-misplaced', { place, hint }, pieceAt(text, reading) ?? node.at);
  }
  return text === '' ? [] : [trusted(unmarked(text, reading.holes))];
}

function pieceAt(text: string, reading: TextReading): number | undefined {
  const first = pieces(text, reading.holes).find((piece) => typeof piece !== 'string');
  return reading.places.text === '' || typeof first === 'string' ? undefined : first?.at;
}

/** `<slot name="badge">fallback</slot>`; with `data` it hands something to its filler. */
function slotContent(node: MarkupElement, locals: Locals, reading: TextReading): Content {
  const { names, at: indexes, kinds } = reading.component.slots;
  const attribute = (name: string) => node.attributes.find((one) => one.name === name);
  const named = attribute('name');
  const name = named && named.value !== '' ? named.value : 'default';
  for (const one of node.attributes) {
    if (one.name === 'name' || one.name === 'data' || one.name === 'slot') continue;
    const hint =
      'It takes name, data and slot. No element stands there in the page that could have attributes.';
    reading.report('attribute-unknown', { attribute: one.name, tag: 'slot', hint }, one.at);
  }
  const index = indexes.get(name);
  if (reading.component.takesAnyName) return contentOf(node.children, locals, reading);
  if (index === undefined) {
    const hint = suggest(name, names, 'slot');
    reading.report(
      'slot-unknown',
      { component: reading.component.name, slot: name, hint, read: true },
      named?.at ?? node.at,
    );
    return null;
  }
  const data = attribute('data');
  if ((kinds[index]?.hands ?? false) !== (data !== undefined)) {
    const fault = data
      ? `The slot "${name}" is given data, and is not declared to hand any`
      : `The slot "${name}" passes data to its content, but receives none here`;
    const hint = data ? 'Declare it with slot.with().' : 'Write <slot name="…" data="{{ item }}">.';
    reading.report('directive-invalid', { fault, hint }, data?.at ?? node.at);
  }
  const handed = data && valueIn(data.value, data.valueAt, locals, reading);
  const fallback = contentOf(node.children, locals, reading);
  return reading.written(
    node,
    () => new SlotNode(name, handed, fallback.length === 0 ? undefined : fallback, contentOf),
  );
}

/** An expression that an attribute holds, with or without braces: its value, or an expression of it. */
export function valueIn(
  value: string,
  at: number | undefined,
  locals: Locals,
  reading: TextReading,
): unknown {
  const found = expressionIn(value, at, locals, reading);
  return found && (found.isConstant ? found.constant : found.core.face);
}
