import { finding } from '../../problem/index.js';
import {
  type AttributeText,
  attributeText,
  classPieces,
  classWriter,
  coreOf,
  type ExprCore,
  type Frame,
  inputExprs,
  isChangingTag,
  isNameFit,
  isNode,
  lineEaters,
  type Node,
  pieceWriter,
  styleWriter,
  takesAccepted,
  urlShape,
  voidElements,
} from '../../template/index.js';
import type { PlanElement } from '../../tree/index.js';
import { Chunks, type Write } from '../chunks.js';
import { escapeAttribute, jsonBlock } from '../escape.js';
import { lowerAll } from '../lower.js';
import type { At } from '../lowering.js';
import { between } from '../marks.js';
import type { Pass } from '../pass.js';
import { isPlainProp, isTextProp, sourceOf } from '../sources.js';
import { acceptedWriter } from './accepted.js';
import { boundText, lowerBound } from './bound.js';

/** An element: its tag, its attributes in the order written, its content, its end. */
export function lowerElement(node: PlanElement, to: Chunks, at: At): void {
  if (typeof node.tag !== 'string') return lowerChanging(node, node.tag, to, at);
  const { tag } = node;
  to.text(`<${tag}`);
  lowerAttributes(tag, node.attributes, to, at);
  lowerBound(node, tag, to, at);
  to.text('>');
  if (voidElements.has(tag)) return;
  lowerContent(node, tag, to, at);
  to.text(`</${tag}>`);
}

function lowerContent(node: PlanElement, tag: string, to: Chunks, at: At): void {
  const of = tag === 'select' ? coreOf(node.attributes.bind) : undefined;
  const choice = tag === 'select' ? of && { of, in: at.lowering } : at.choice;
  const inside = { ...at, tag, isOutermost: false, choice };
  if (tag === 'script' && 'json' in node.attributes) return lowerJson(node.attributes.json, to, at);
  if (!lineEaters.has(tag)) return lowerAll(node.content, to, inside);
  const content = new Chunks();
  lowerAll(node.content, content, inside);
  const bound = boundText(node, tag);
  if (bound) content.place(bound);
  const { constant } = content;
  if (constant !== undefined) return to.text(keepLine(constant));
  const write = content.compile();
  to.place((frame, pass) => keepLine(write(frame, pass)));
}

/** A parser drops the first line break of these elements, so one more is written before it. */
function keepLine(text: string): string {
  return text.startsWith('\n') ? `\n${text}` : text;
}

/** A value as a data block (https://html.spec.whatwg.org/#data-block). */
function lowerJson(value: unknown, to: Chunks, at: At): void {
  const core = coreOf(value);
  if (!core) return to.text(jsonBlock(value));
  at.lowering.note(core);
  to.place((frame) => jsonBlock(core.get(frame)));
}

/** Names that say something to the library and are no attributes. */
const notWritten: ReadonlySet<string> = new Set(['on', 'bind', 'json']);

export function lowerAttributes(
  tag: string,
  attributes: Readonly<Record<string, unknown>>,
  to: Chunks,
  at: At,
): void {
  if (takesAccepted(attributes)) {
    for (const value of Object.values(attributes))
      for (const core of inputExprs(value)) at.lowering.note(core);
    to.place(acceptedWriter(tag, attributes));
  } else {
    for (const [name, value] of Object.entries(attributes)) {
      if (!notWritten.has(name)) lowerAttribute(tag, name, value, to, at);
    }
  }
  lowerMark(to, at);
}

/** The mark of the component whose rules reach the element. */
function lowerMark(to: Chunks, at: At): void {
  const { mark, marksHost } = at.lowering;
  if (mark === undefined) return;
  to.text(` data-in="${mark}"`);
  if (marksHost && at.isOutermost) to.text(` data-in-host="${mark}"`);
}

function lowerAttribute(tag: string, name: string, value: unknown, to: Chunks, at: At): void {
  for (const core of inputExprs(value)) at.lowering.note(core);
  if (name === 'class') return lowerClass(value, to, at);
  if (name === 'style') return lowerStyle(tag, value, to);
  if (!isNameFit(tag, name, ignore)) return;
  if (name === 'srcdoc') return lowerDocument(value, to);
  const core = coreOf(value);
  if (!core) return to.text(written(name, attributeText(tag, name, value, ignore)));
  if (isTextProp(core, at.lowering.component) && urlShape(tag, name) === undefined) {
    to.text(` ${name}="`);
    to.place(textAttribute(core));
    return to.text('"');
  }
  to.place(changingAttribute(tag, name, core));
}

/** What is wrong with constants is found when the tree is resolved. */
function ignore(): void {}

/** The value of an attribute that is always there. What is no text was told when the prop was checked. */
function textAttribute(core: ExprCore): Write {
  const { get } = core;
  return (frame) => {
    const value = get(frame);
    return typeof value === 'string' ? escapeAttribute(value) : '';
  };
}

function changingAttribute(tag: string, name: string, core: ExprCore): Write {
  const { get } = core;
  const start = ` ${name}="`;
  const holdsUrl = urlShape(tag, name) !== undefined;
  const other = (value: unknown, frame: Frame, pass: Pass): string =>
    written(
      name,
      attributeText(tag, name, value, (found) => pass.report(found, frame)),
    );
  const source = sourceOf(core);
  if (source.from === 'prop' && !holdsUrl) {
    const { index } = source;
    return (frame, pass) => {
      const value = frame.props[index];
      return typeof value === 'string' ? `${start}${escapeAttribute(value)}"` : other(value, frame, pass);
    };
  }
  return (frame, pass) => {
    const value = get(frame);
    if (typeof value === 'string' && !holdsUrl) return `${start}${escapeAttribute(value)}"`;
    return other(value, frame, pass);
  };
}

function written(name: string, text: AttributeText): string {
  if (text === null) return '';
  return text === true ? ` ${name}` : ` ${name}="${escapeAttribute(text)}"`;
}

function lowerClass(value: unknown, to: Chunks, at: At): void {
  const { prefix, pieces } = classPieces(value);
  if (pieces.length === 0) {
    if (prefix !== '') to.text(` class="${escapeAttribute(prefix)}"`);
  } else if (prefix !== '') {
    to.text(` class="${escapeAttribute(prefix)}`);
    for (const piece of pieces) {
      if (piece.kind === 'text' && isPlainProp(piece.text, at.lowering.component)) {
        to.text(' ');
        to.place(plainPiece(piece.text));
      } else to.place(pieceWriter(piece, escapeAttribute));
    }
    to.text('"');
  } else {
    const classes = classWriter(value) as (frame: Frame) => string;
    to.place((frame) => {
      const text = classes(frame);
      return text === '' ? '' : ` class="${escapeAttribute(text)}"`;
    });
  }
}

/** A word of a class that is always there and needs no escapes. */
function plainPiece(core: ExprCore): Write {
  const { get } = core;
  return (frame) => {
    const word = get(frame);
    return typeof word === 'string' ? word : '';
  };
}

function lowerStyle(tag: string, value: unknown, to: Chunks): void {
  const styles = styleWriter(tag, value, ignore);
  const write = (text: string): string => (text === '' ? '' : ` style="${escapeAttribute(text)}"`);
  if (typeof styles === 'string') to.text(write(styles));
  else to.place((frame, pass) => write(styles(frame, (found) => pass.report(found, frame))));
}

/** `srcdoc` holds a document, so it takes ready-made HTML alone. */
function lowerDocument(value: unknown, to: Chunks): void {
  if (!isNode(value)) return;
  const node = value as Node;
  if (node.kind !== 'trusted') return;
  const core = coreOf(node.html);
  if (!core) return to.text(written('srcdoc', String(node.html)));
  to.place((frame) => written('srcdoc', String(core.get(frame) ?? '')));
}

/** An element whose tag is known only at render time. */
function lowerChanging(node: PlanElement, tag: ExprCore, to: Chunks, at: At): void {
  at.lowering.note(tag);
  const [attributes, content] = [new Chunks(), new Chunks()];
  if (takesAccepted(node.attributes)) {
    for (const value of Object.values(node.attributes))
      for (const core of inputExprs(value)) at.lowering.note(core);
    attributes.place(acceptedWriter((frame) => String(tag.get(frame)), node.attributes));
    lowerMark(attributes, at);
  } else lowerAttributes('', node.attributes, attributes, at);
  lowerAll(node.content, content, { ...at, tag: '', isOutermost: false });
  const [writeAttributes, writeContent] = [attributes.compile(), content.compile()];
  const place: Write = (frame, pass) => {
    const name = tag.get(frame);
    if (!isChangingTag(name)) {
      const what = `The tag ${JSON.stringify(name)}`;
      const hint = 'Take the tag from a prop.tag([...]), which has a fixed set of elements.';
      pass.report(finding('content-not-allowed', { what, place: 'in el.of', hint }), frame);
      return '';
    }
    const start = `<${name}${writeAttributes(frame, pass)}>`;
    return voidElements.has(name) ? start : `${start}${writeContent(frame, pass)}</${name}>`;
  };
  between(to, at, () => to.place(place));
}
