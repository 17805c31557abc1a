import { attributeOf } from 'zesty-lattice/internal/component';
import {
  type Hole,
  type MarkupAttribute,
  type MarkupNode,
  Places,
  pieces,
  readMarkup,
  wordsOf,
} from 'zesty-lattice/internal/markup';
import type { TextEdit } from './text-edit.js';

/** A prop that is to have another name. */
export interface Renaming {
  readonly component: string;
  readonly prop: string;
  readonly to: string;
}

/** Attributes that are expressions without braces, and `handles`, whose handlers take expressions. */
const expressions = /^(?:given|each-of|handles)$/;

/**
 * Gives a prop another name in HTML text: as the attribute of its component's tag, and where the text is the component's
 * own template, in the expressions that read it.
 */
export function renamedInText(text: string, renaming: Renaming, isOwn: boolean): readonly TextEdit[] {
  const { marked, nodes } = readMarkup(text, new Places(text, ''));
  const edits: TextEdit[] = [];
  const attribute = attributeOf(renaming.prop);
  const expression = (written: string, at: number, handles = false): void => {
    for (const from of readsIn(written, renaming.prop, handles))
      edits.push({ from: at + from, to: at + from + renaming.prop.length, text: renaming.to });
  };
  const holes = (value: string): void => {
    for (const one of pieces(value, marked.holes)) if (isHole(one)) expression(one.expression, one.at + 2);
  };
  const written = ({ value, valueAt }: MarkupAttribute): string =>
    // As it stands in the text: references are longer there than what they stand for.
    valueAt === undefined ? value : text.slice(valueAt, endOf(text, valueAt));
  const follow = (node: MarkupNode, isRead: boolean): void => {
    if (node.kind === 'comment') return;
    if (node.kind === 'text') return isRead ? holes(node.text) : undefined;
    for (const one of node.attributes) {
      if (node.tag === renaming.component && one.name === attribute && one.at !== undefined)
        edits.push({ from: one.at, to: one.at + attribute.length, text: attributeOf(renaming.to) });
      if (!isRead) continue;
      const isDirective = expressions.test(one.name) && (node.tag === 'template' || one.name === 'handles');
      if (isDirective && one.valueAt !== undefined && !pieces(one.value, marked.holes).some(isHole))
        expression(written(one), one.valueAt, one.name === 'handles');
      else holes(one.value);
    }
    // What a row or a slot passes may have the name, and then hides the prop.
    const isHidden = node.attributes.some(
      ({ name, value }) => (name === 'as' || name === 'index') && value === renaming.prop,
    );
    for (const child of node.children) follow(child, isRead && !isHidden);
  };
  for (const node of nodes) follow(node, isOwn);
  return edits;
}

/** An expression in HTML text, as it is written there. */
export interface Expression {
  readonly written: string;
  readonly at: number;
}

/** All expressions of HTML text: in braces, and in the attributes that are expressions without them. */
export function expressionsIn(
  { marked, nodes }: ReturnType<typeof readMarkup>,
  text: string,
): readonly Expression[] {
  const found: Expression[] = [];
  const holes = (value: string): void => {
    for (const one of pieces(value, marked.holes))
      if (isHole(one)) found.push({ written: one.expression, at: one.at + 2 });
  };
  const follow = (node: MarkupNode): void => {
    if (node.kind === 'comment') return;
    if (node.kind === 'text') return holes(node.text);
    for (const { name, value, valueAt } of node.attributes) {
      const isDirective = expressions.test(name) && (node.tag === 'template' || name === 'handles');
      if (isDirective && valueAt !== undefined && !pieces(value, marked.holes).some(isHole))
        found.push({ written: text.slice(valueAt, endOf(text, valueAt)), at: valueAt });
      else holes(value);
    }
    for (const child of node.children) follow(child);
  };
  for (const node of nodes) follow(node);
  return found.sort((one, other) => one.at - other.at);
}

/** Where an attribute's value ends: at its quote, or where no quotes are, with the word. */
function endOf(text: string, from: number): number {
  const quote = text.charAt(from - 1);
  const length = /["']/.test(quote) ? text.indexOf(quote, from) - from : text.slice(from).search(/[\s>]/);
  return length < 0 ? text.length : from + length;
}

const isHole = (piece: string | Hole): piece is Hole => typeof piece !== 'string';

/** Where an expression reads a name: no field of something else, no helper that is called, no event. */
function readsIn(written: string, name: string, handles: boolean): readonly number[] {
  let words: ReturnType<typeof wordsOf>;
  try {
    words = wordsOf(written);
  } catch {
    return [];
  }
  return words.flatMap(({ at, kind, text }, index) => {
    // A prop may be told apart from other names: props.title.
    const isOfProps =
      words[index - 1]?.text === '.' && words[index - 2]?.text === 'props' && words[index - 3]?.text !== '.';
    const before = isOfProps ? ';' : (words[index - 1]?.text ?? ';');
    const after = words[index + 1]?.text;
    const isEvent = handles && before === ';' && after === ':';
    return kind === 'name' && text === name && before !== '.' && after !== '(' && !isEvent ? [at] : [];
  });
}
