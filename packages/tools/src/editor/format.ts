import { type MarkupNode, Places, readMarkup } from 'zesty-lattice/internal/markup';
import { type Scanned, type ScannedTag, scanned, voidElements } from 'zesty-lattice/internal/template';

/** Elements whose white space shows as it is written (https://html.spec.whatwg.org/#flow-content-3), or is no HTML. */
const asWritten = /^(?:pre|textarea|listing|script|style|title|xmp|plaintext)$/i;

/**
 * HTML text with the indentation of its nesting. White space stays white space, a line break a line break, and what has none
 * gets none, so that a page looks as before; text in `pre`, `textarea`, `script` and `style` stays as it is.
 *
 * @param indent what each level is indented by
 * @returns the text itself where tags are not closed, so that its nesting is not known
 */
export function formatted(text: string, indent: string): string {
  const pieces = [...scanned(text)];
  if (!isClosed(pieces)) return text;
  const eol = text.includes('\r\n') ? '\r\n' : '\n';
  const made = written(text, pieces, (depth) => `${eol}${indent.repeat(Math.max(0, depth))}`).trim();
  const now = text.trim() === '' ? text : `${made}${eol}`;
  // What a parser reads otherwise than it was read here, such as an expression with signs of tags, is left alone.
  return isSame(text, now) ? now : text;
}

/** Whether every element has its end tag. */
function isClosed(pieces: readonly Scanned[]): boolean {
  const open: string[] = [];
  for (const one of pieces) {
    if (one.isOpen && one.kind !== 'text') return false;
    if (one.kind !== 'tag') continue;
    const name = one.name.toLowerCase();
    if (one.isEnd) {
      if (open.pop() !== name) return false;
    } else if (!voidElements.has(name) && !one.isAlone) open.push(name);
  }
  return open.length === 0;
}

function written(text: string, pieces: readonly Scanned[], line: (depth: number) => string): string {
  let depth = 0;
  let kept = 0;
  let out = '';
  for (const [index, one] of pieces.entries()) {
    const raw = text.slice(one.at, one.end);
    if (one.kind === 'text') {
      const next = pieces[index + 1];
      const isBeforeEnd = next?.kind === 'tag' && next.isEnd;
      out += kept > 0 ? raw : lines(raw, line, depth, isBeforeEnd ? depth - 1 : depth);
    } else if (one.kind === 'comment') out += raw;
    else {
      const isPart = !one.isEnd && !voidElements.has(one.name.toLowerCase()) && !one.isAlone;
      if (one.isEnd) {
        depth--;
        if (asWritten.test(one.name)) kept--;
      }
      out += kept > 0 ? raw : tag(text, one, line, depth);
      if (isPart) {
        depth++;
        if (asWritten.test(one.name)) kept++;
      }
    }
  }
  return out;
}

/** Text whose lines are indented; expressions in it stay as they are. */
function lines(text: string, line: (depth: number) => string, depth: number, last: number): string {
  return text.replace(/\{\{[\s\S]*?\}\}|[^\S\n]*\n\s*/g, (found: string, at: number) => {
    if (found.startsWith('{{')) return found;
    const isLast = at + found.length === text.length;
    const breaks = found.split('\n').length - 1;
    const eol = line(0);
    return (breaks > 1 ? eol : '') + line(isLast ? last : depth);
  });
}

/** A tag with one space between its attributes, or one attribute a line where it was written in several. */
function tag(text: string, one: ScannedTag, line: (depth: number) => string, depth: number): string {
  const raw = text.slice(one.at, one.end);
  if (one.isEnd) return raw.replace(/\s+>$/, '>');
  const parts = one.attributes.map(({ at, end }) => text.slice(at, end));
  const isInLines =
    raw.includes('\n') && one.attributes.some(({ at }) => /\n\s*$/.test(text.slice(one.at, at)));
  const separator = isInLines ? line(depth + 1) : ' ';
  const end = one.isAlone ? ' />' : '>';
  const made = [text.slice(one.at, one.nameEnd), ...parts].join(separator) + end;
  // Anything else in it, such as a stray slash, is the author's.
  return made.replace(/\s/g, '') === raw.replace(/\s/g, '') ? made : raw;
}

/** Whether two texts are read as the same, white space aside where one has some as well. */
function isSame(one: string, other: string): boolean {
  return shape(one) === shape(other);
}

function shape(text: string): string {
  // White space at both ends is none of the template.
  const { marked, nodes } = readMarkup(text.trim(), new Places(text, ''));
  const holes = marked.holes.map(({ expression }) => expression);
  const follow = (node: MarkupNode, isKept: boolean): unknown => {
    if (node.kind !== 'element')
      return isKept || node.kind === 'comment' ? node.text : node.text.replace(/\s+/g, ' ');
    const inside = isKept || asWritten.test(node.tag);
    const attributes = node.attributes.map(({ isBare, name, value }) => [name, value, isBare]);
    return [node.tag, attributes, node.children.map((child) => follow(child, inside))];
  };
  return JSON.stringify([nodes.map((node) => follow(node, false)), holes]);
}
