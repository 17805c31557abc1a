import type { DefaultTreeAdapterTypes } from 'parse5';
import { voidElements } from '../template/index.js';
import { escapeAttribute, escapeText } from './adopt/write.js';
import { isDocument, readDocument, readFragment } from './syntax/read-node.js';

type Parsed = DefaultTreeAdapterTypes.ChildNode;
type ParsedElement = DefaultTreeAdapterTypes.Element;

/** A piece of HTML text with what it is, so that it can be coloured. */
export interface PrettyPart {
  readonly kind: 'tag' | 'name' | 'value' | 'text' | 'comment';
  readonly text: string;
}

export type PrettyLine = readonly PrettyPart[];

/** Elements that stand in a line of text (https://html.spec.whatwg.org/#phrasing-content). */
const inText = new Set(
  'a abbr audio b bdi bdo br button cite code data dfn em i img input kbd label mark meter output picture progress q ruby s samp small span strong sub sup svg time u var wbr'.split(
    ' ',
  ),
);

/** Elements whose text is shown, or run, as it is written. */
const verbatim = new Set(['pre', 'textarea', 'script', 'style', 'listing', 'plaintext', 'xmp']);

/** A line longer than this is broken at its elements. */
const width = 96;

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
  const root = isDocument(html) ? readDocument(html) : readFragment(html);
  return blockLines(root.childNodes, 0);
}

function blockLines(nodes: readonly Parsed[], depth: number): PrettyLine[] {
  const lines: PrettyLine[] = [];
  let flow: Parsed[] = [];
  const flush = (): void => {
    const line = trimmedLine(flow.flatMap(flowParts));
    if (lengthOf(line) + depth * 2 > width)
      lines.push(...flow.flatMap((one) => (isText(one) ? textLine(one, depth) : nodeLines(one, depth))));
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
function isFlow(node: Parsed): boolean {
  if ('value' in node) return true;
  if (!('attrs' in node)) return false;
  return inText.has(node.tagName) && node.childNodes.every(isFlow);
}

function nodeLines(node: Parsed, depth: number): readonly PrettyLine[] {
  if ('data' in node) return [indented([{ kind: 'comment', text: `<!--${node.data}-->` }], depth)];
  if (!('attrs' in node))
    return 'name' in node ? [indented([{ kind: 'comment', text: `<!doctype ${node.name}>` }], depth)] : [];
  const open = openParts(node);
  const close = closeParts(node);
  const inside = insideOf(node);
  if (verbatim.has(node.tagName)) {
    const text = inside.map((one) => ('value' in one ? verbatimText(node, one.value) : '')).join('');
    const [first = '', ...more] = text.split('\n');
    const last = more.pop();
    const piece = (line: string): PrettyPart => ({ kind: 'text', text: line });
    return last === undefined
      ? [indented([...open, piece(first), ...close], depth)]
      : [
          indented([...open, piece(first)], depth),
          ...more.map((one) => [piece(one)]),
          [piece(last), ...close],
        ];
  }
  if (inside.every(isFlow)) {
    const line = [...open, ...trimmedLine(inside.flatMap(flowParts)), ...close];
    if (lengthOf(line) + depth * 2 <= width || inside.every(isText)) return [indented(line, depth)];
  }
  return [
    indented(open, depth),
    ...blockLines(inside, depth + 1),
    ...(close.length > 0 ? [indented(close, depth)] : []),
  ];
}

const isText = (node: Parsed): boolean => 'value' in node;

function textLine(node: Parsed, depth: number): readonly PrettyLine[] {
  const line = trimmedLine(flowParts(node));
  return line.length > 0 ? [indented(line, depth)] : [];
}

const insideOf = (node: ParsedElement): readonly Parsed[] =>
  'content' in node ? (node as DefaultTreeAdapterTypes.Template).content.childNodes : node.childNodes;

const verbatimText = ({ tagName }: ParsedElement, text: string): string =>
  /^(?:script|style|xmp|plaintext)$/.test(tagName) ? text : escapeText(text);

function flowParts(node: Parsed): readonly PrettyPart[] {
  if ('value' in node) return [{ kind: 'text', text: escapeText(node.value.replace(/[ \t\n\f\r]+/g, ' ')) }];
  if (!('attrs' in node)) return [];
  return [...openParts(node), ...insideOf(node).flatMap(flowParts), ...closeParts(node)];
}

function openParts({ attrs, tagName }: ParsedElement): readonly PrettyPart[] {
  const attributes = attrs.flatMap(({ name, prefix, value }): PrettyPart[] => [
    { kind: 'text', text: ' ' },
    { kind: 'name', text: prefix ? `${prefix}:${name}` : name },
    ...(value === '' ? [] : [{ kind: 'value' as const, text: `="${escapeAttribute(value)}"` }]),
  ]);
  return [{ kind: 'tag', text: `<${tagName}` }, ...attributes, { kind: 'tag', text: '>' }];
}

function closeParts({ tagName }: ParsedElement): readonly PrettyPart[] {
  return voidElements.has(tagName) ? [] : [{ kind: 'tag', text: `</${tagName}>` }];
}

/** A line without white space at its ends. */
function trimmedLine(parts: readonly PrettyPart[]): readonly PrettyPart[] {
  const line = [...parts];
  for (const [at, trim] of [
    [0, (text: string) => text.trimStart()],
    [-1, (text: string) => text.trimEnd()],
  ] as const) {
    for (let part = line.at(at); part?.kind === 'text'; part = line.at(at)) {
      const index = at === 0 ? 0 : line.length - 1;
      const text = trim(part.text);
      if (text !== '') {
        line[index] = { ...part, text };
        break;
      }
      line.splice(index, 1);
    }
  }
  return line;
}

function indented(line: PrettyLine, depth: number): PrettyLine {
  return depth === 0 ? line : [{ kind: 'text', text: '  '.repeat(depth) }, ...line];
}

const lengthOf = (line: PrettyLine): number => line.reduce((all, { text }) => all + text.length, 0);
