import { trimmedEnd, trimmedStart, voidElements } from '../template/index.js';

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
  return html.replace(token, (written, _comment, raw?: string) => {
    const [start = written] = raw === undefined ? [] : [/^<[^>]*>/.exec(written)?.[0] ?? written];
    if (written.startsWith('<!--') || !written.startsWith('<')) return written;
    if (/^<\/?lattice-host\b/.test(start)) return '';
    return start.replace(/ data-in(?:-host)?="[^"]*"/g, '') + written.slice(start.length);
  });
}

/** Elements that stand in a line of text (https://html.spec.whatwg.org/#phrasing-content). */
const inText = new Set(
  'a abbr audio b bdi bdo br button cite code data dfn em i img input kbd label mark meter output picture progress q ruby s samp small span strong sub sup time u var wbr'.split(
    ' ',
  ),
);

/** A line longer than this is broken at its elements. */
const width = 96;

/** Comments and doctypes, elements whose text is no markup, tags, and text. */
const token =
  /<!--[\s\S]*?(?:-->|$)|<[!?][^>]*>|<(script|style|textarea|pre|xmp)\b(?:"[^"]*"|'[^']*'|[^>"'])*>[\s\S]*?(?:<\/\1\s*>|$)|<\/?[a-zA-Z](?:"[^"]*"|'[^']*'|[^>"'])*>|[^<]+|</g;

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
  for (const [written, raw] of html.matchAll(token)) {
    const [, end, name = ''] = /^<(\/?)([^\s/>]*)/.exec(written) ?? [];
    if (raw !== undefined) add({ whole: verbatimLines(written) });
    else if (/^<[!?]/.test(written)) add({ whole: [[{ kind: 'comment', text: written }]] });
    else if (name === '') add({ text: written });
    else if (end) {
      const at = open.findLastIndex(({ tag }) => tag === name.toLowerCase());
      if (at < 0) continue;
      for (const one of open.splice(at)) one.isClosed = true;
    } else {
      const tag = name.toLowerCase();
      const element = { tag, open: openParts(written, name), children: [], isClosed: false };
      add(element);
      if (!voidElements.has(tag) && !written.endsWith('/>')) open.push(element);
    }
  }
  return top;
}

function verbatimLines(written: string): readonly PrettyLine[] {
  const [, start = '', name = '', text = '', end = ''] =
    /^(<([a-zA-Z]+)(?:"[^"]*"|'[^']*'|[^>"'])*>)([\s\S]*?)(<\/[^<>]*>|$)$/.exec(written) ?? [];
  const lines = text.split('\n').map((line): PrettyPart[] => [{ kind: 'text', text: line }]);
  lines[0]?.unshift(...openParts(start, name));
  if (end !== '') lines.at(-1)?.push({ kind: 'tag', text: end });
  return lines;
}

function openParts(written: string, name: string): readonly PrettyPart[] {
  const parts: PrettyPart[] = [{ kind: 'tag', text: `<${name}` }];
  const inside = written.slice(name.length + 1).replace(/\s*\/?>$/, '');
  for (const [, attribute = '', value] of inside.matchAll(
    /\s+([^\s=]+)(\s*=\s*(?:"[^"]*"|'[^']*'|[^\s"']+))?/g,
  )) {
    parts.push({ kind: 'text', text: ' ' }, { kind: 'name', text: attribute });
    if (value !== undefined) parts.push({ kind: 'value', text: value });
  }
  parts.push({ kind: 'tag', text: written.endsWith('/>') ? '/>' : '>' });
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
