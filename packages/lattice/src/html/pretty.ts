import {
  type Scanned,
  type ScannedTag,
  scanned,
  trimmedEnd,
  trimmedStart,
  voidElements,
} from '../template/index.js';

/** A piece of HTML text with what it is, so that it can be coloured. */
export interface PrettyPart {
  readonly kind: 'tag' | 'name' | 'value' | 'text' | 'comment';
  readonly text: string;
}

export type PrettyLine = readonly PrettyPart[];

/**
 * HTML text laid out for people: an element a line, two spaces deeper for what is in it, white space in text as one
 * space. It is to be read, not to be served: white space that a page shows may have changed.
 *
 * @example pretty('<ul><li>Dunlight</li></ul>') // '<ul>\n  <li>Dunlight</li>\n</ul>'
 */
export function pretty(html: string): string {
  return prettyLines(html)
    .map((line) => line.map(({ text }) => text).join(''))
    .join('\n');
}

/** The same in lines of pieces, each with what it is. */
export function prettyLines(html: string): readonly PrettyLine[] {
  return blockLines(treeOf(html), 0);
}

/** HTML text without the marks by which components' rules find their elements. */
export function withoutMarks(html: string): string {
  let text = '';
  let read = 0;
  const leaveOut = (from: number, to: number): void => {
    text += html.slice(read, from);
    read = to;
  };
  for (const one of scanned(html, verbatimElement)) {
    if (one.kind !== 'tag' || one.isOpen) continue;
    if (one.name === 'lattice-host') leaveOut(one.at, one.end);
    else
      for (const { at, end, name } of one.attributes)
        if (/^data-in(?:-host)?$/.test(name)) leaveOut(at - 1, end);
  }
  return text + html.slice(read);
}

/** Elements that stand in a line of text (https://html.spec.whatwg.org/#phrasing-content). */
const inText = new Set(
  'a abbr audio b bdi bdo br button cite code data dfn em i img input kbd label mark meter output picture progress q ruby s samp small span strong sub sup time u var wbr'.split(
    ' ',
  ),
);

/** A line longer than this is broken at its elements. */
const width = 96;

/** A piece of HTML text; `verbatim` is what follows a start tag to the end of an element whose text is as it is. */
interface Piece {
  readonly kind: Scanned['kind'];
  readonly written: string;
  readonly tag?: ScannedTag;
  readonly verbatim?: string;
}

const verbatimElement = /^(?:script|style|textarea|pre|xmp)$/i;

function piecesOf(html: string): readonly Piece[] {
  const pieces: Piece[] = [];
  let read = 0;
  for (const one of scanned(html)) {
    if (one.at < read) continue;
    const { end, kind } = one;
    read = end;
    if (kind !== 'tag' || one.isOpen) {
      pieces.push({ kind: kind === 'comment' ? kind : 'text', written: html.slice(one.at, end) });
      continue;
    }
    if (one.isEnd || !verbatimElement.test(one.name)) {
      pieces.push({ kind, tag: one, written: html.slice(one.at, end) });
      continue;
    }
    const close = new RegExp(`</${one.name}\\s*>`, 'gi');
    close.lastIndex = end;
    read = close.test(html) ? close.lastIndex : html.length;
    pieces.push({ kind, tag: one, verbatim: html.slice(end, read), written: html.slice(one.at, read) });
  }
  return pieces;
}

interface PrettyElement {
  readonly tag: string;
  readonly open: readonly PrettyPart[];
  readonly children: PrettyNode[];
  readonly isClosed: boolean;
}

type PrettyNode = PrettyElement | { readonly text: string } | { readonly whole: readonly PrettyLine[] };

/** The nodes of HTML text, as its tags say: an end tag ends the innermost element of its name. */
function treeOf(html: string): readonly PrettyNode[] {
  const top: PrettyNode[] = [];
  const open: (PrettyElement & { isClosed: boolean })[] = [];
  const add = (node: PrettyNode): void => void (open.at(-1)?.children ?? top).push(node);
  for (const { kind, tag, verbatim, written } of piecesOf(html)) {
    if (kind === 'comment') add({ whole: [[{ kind, text: written }]] });
    else if (!tag) add({ text: written });
    else if (verbatim !== undefined) add({ whole: verbatimLines(tag, written, verbatim) });
    else if (tag.isEnd) {
      const at = open.findLastIndex((one) => one.tag === tag.name.toLowerCase());
      if (at < 0) continue;
      for (const one of open.splice(at)) one.isClosed = true;
    } else {
      const name = tag.name.toLowerCase();
      const element = { tag: name, open: openParts(tag, written), children: [], isClosed: false };
      add(element);
      if (!voidElements.has(name) && !tag.isAlone) open.push(element);
    }
  }
  return top;
}

function verbatimLines(tag: ScannedTag, written: string, verbatim: string): readonly PrettyLine[] {
  const [, text = '', end = ''] = /^([\s\S]*?)(<\/[^<>]*>|$)$/.exec(verbatim) ?? [];
  const lines = text.split('\n').map((line): PrettyPart[] => [{ kind: 'text', text: line }]);
  lines[0]?.unshift(...openParts(tag, written));
  if (end !== '') lines.at(-1)?.push({ kind: 'tag', text: end });
  return lines;
}

function openParts({ at, attributes, isAlone, name }: ScannedTag, written: string): readonly PrettyPart[] {
  const parts: PrettyPart[] = [{ kind: 'tag', text: `<${name}` }];
  for (const { at: start, end, name: attribute } of attributes) {
    parts.push({ kind: 'text', text: ' ' }, { kind: 'name', text: attribute });
    const value = written.slice(start - at + attribute.length, end - at);
    if (value !== '') parts.push({ kind: 'value', text: value });
  }
  parts.push({ kind: 'tag', text: isAlone ? '/>' : '>' });
  return parts;
}

function closeParts({ isClosed, tag }: PrettyElement): readonly PrettyPart[] {
  return isClosed ? [{ kind: 'tag', text: `</${tag}>` }] : [];
}

function blockLines(nodes: readonly PrettyNode[], depth: number): PrettyLine[] {
  const lines: PrettyLine[] = [];
  let flow: PrettyNode[] = [];
  const flush = (): void => {
    const line = trimmedLine(flow.flatMap(flowParts));
    if (lengthOf(line) + depth * 2 > width && flow.length > 1)
      lines.push(...flow.flatMap((one) => ('text' in one ? textLine(one, depth) : nodeLines(one, depth))));
    else if (lengthOf(line) + depth * 2 > width) lines.push(...flow.flatMap((one) => nodeLines(one, depth)));
    else if (line.length > 0) lines.push(indented(line, depth));
    flow = [];
  };
  for (const node of nodes) {
    if (isFlow(node)) flow.push(node);
    else {
      flush();
      lines.push(...nodeLines(node, depth));
    }
  }
  flush();
  return lines;
}

/** Whether a node stands in a line of text, with all that is in it. */
function isFlow(node: PrettyNode): boolean {
  if ('text' in node) return true;
  return 'tag' in node && inText.has(node.tag) && node.children.every(isFlow);
}

function nodeLines(node: PrettyNode, depth: number): readonly PrettyLine[] {
  if ('text' in node) return textLine(node, depth);
  if ('whole' in node) return node.whole.map((line, at) => (at === 0 ? indented(line, depth) : line));
  const close = closeParts(node);
  if (node.children.every(isFlow)) {
    const line = [...node.open, ...trimmedLine(node.children.flatMap(flowParts)), ...close];
    const isShort = lengthOf(line) + depth * 2 <= width;
    if (isShort || node.children.every((one) => 'text' in one)) return [indented(line, depth)];
  }
  const lines = [indented(node.open, depth), ...blockLines(node.children, depth + 1)];
  return close.length > 0 ? [...lines, indented(close, depth)] : lines;
}

function textLine(node: { readonly text: string }, depth: number): readonly PrettyLine[] {
  const line = trimmedLine(flowParts(node));
  return line.length > 0 ? [indented(line, depth)] : [];
}

function flowParts(node: PrettyNode): readonly PrettyPart[] {
  if ('text' in node) return [{ kind: 'text', text: node.text.replace(/[ \t\n\f\r]+/g, ' ') }];
  if ('whole' in node) return node.whole.flat();
  return [...node.open, ...node.children.flatMap(flowParts), ...closeParts(node)];
}

/** A line without white space at its ends. */
function trimmedLine(parts: readonly PrettyPart[]): readonly PrettyPart[] {
  const line = [...parts];
  const trim = (at: 0 | -1): void => {
    for (let part = line.at(at); part?.kind === 'text'; part = line.at(at)) {
      const text = at === 0 ? trimmedStart(part.text) : trimmedEnd(part.text);
      line.splice(at === 0 ? 0 : line.length - 1, 1, ...(text === '' ? [] : [{ ...part, text }]));
      if (text !== '') return;
    }
  };
  trim(0);
  trim(-1);
  return line;
}

function indented(line: PrettyLine, depth: number): PrettyLine {
  return depth === 0 ? line : [{ kind: 'text', text: '  '.repeat(depth) }, ...line];
}

const lengthOf = (line: PrettyLine): number => line.reduce((all, { text }) => all + text.length, 0);
