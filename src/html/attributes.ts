import {
  type AttributeTable,
  byAttribute,
  type ClassPiece,
  classPrefix,
  marksOf,
  mergedAttributes,
  type PlanAttribute,
  type PlanElement,
  shadowMarksOf,
} from '../plan/index.js';
import {
  type AttributeText,
  attributeText,
  type Core,
  type Get,
  plainAttribute,
  type Scope,
  type StylePart,
  styleText,
  writtenClass,
} from '../template/index.js';
import { compiledApart } from './apart.js';
import type { At } from './compiling.js';
import { escapeAttribute } from './escape.js';
import type { Output, Write } from './output.js';
import type { Pass } from './pass.js';
import { isPlainProp, isTextProp, sourceOf } from './sources.js';

type Attributes = readonly PlanAttribute[];

/** An element's attributes in their order, its component's mark, and what its controls show at first. */
export function writeAttributes(node: PlanElement, to: Output, at: At): void {
  const { attributes, tags } = node;
  if (!attributes.some(({ kind }) => kind === 'accepted')) return writeAll(attributes, node, to, at);
  const none = mergedAttributes(attributes, [], tags, ignore);
  const known = new WeakMap<Attributes, Write>();
  const plain = compiledApart((inner) => writeAll(none, node, inner, at)).write;
  to.dynamic((scope, pass) => {
    const given = scope.accepted as Attributes | undefined;
    if (!given) return plain(scope, pass);
    let write = known.get(given);
    if (!write) {
      const all = mergedAttributes(attributes, given, tags, (found) => pass.report(found, scope));
      write = compiledApart((inner) => writeAll(all, node, inner, at)).write;
      known.set(given, write);
    }
    return write(scope, pass);
  });
}

function ignore(): void {}

function writeAll(attributes: Attributes, node: PlanElement, to: Output, at: At): void {
  const tag = typeof node.tag === 'string' ? node.tag : 'el.of';
  for (const one of attributes) if (!isLast(one)) byAttribute(writers, one, tag, to, at);
  writeMarks(node, to, at);
  for (const one of attributes) if (isLast(one)) byAttribute(writers, one, tag, to, at);
}

/** What a control shows at first comes after what is written. */
function isLast({ kind }: PlanAttribute): boolean {
  return kind === 'binding' || kind === 'chosen';
}

/** The marks of the component whose rules reach the element. */
function writeMarks(node: PlanElement, to: Output, { compiling: { component, form } }: At): void {
  if (!component) return;
  const marks = form === 'shadow' ? shadowMarksOf(component) : marksOf(component, node);
  for (const [name, value] of marks) to.text(` ${name}="${value}"`);
}

const writers: AttributeTable<[tag: string, to: Output, at: At], void> = {
  fixed: ({ name, text }, _tag, to) => to.text(written(name, text)),
  value: (one, tag, to, at) => writeValue(one, tag, to, at),
  class: ({ parts }, _tag, to, at) => writeClass(parts, to, at),
  style({ parts }, tag, to) {
    const write = (text: string): string => (text === '' ? '' : ` style="${escapeAttribute(text)}"`);
    const ready = parts.map(([name, { op, get }]): StylePart => [name, op.op === 'literal' ? op.value : get]);
    if (parts.every(([, { op }]) => op.op === 'literal'))
      return to.text(write(styleText(tag, ready, ignore, ignore)));
    to.dynamic((scope, pass) =>
      write(
        styleText(
          tag,
          ready,
          (get) => get(scope),
          (found) => pass.report(found, scope),
        ),
      ),
    );
  },
  binding({ control, value: { get }, own }, _tag, to) {
    if (control === 'checkbox') to.dynamic((scope) => (get(scope) === true ? ' checked' : ''));
    else if (control === 'radio')
      to.dynamic((scope) => (String(get(scope)) === String(own.get(scope)) ? ' checked' : ''));
    else if (control === 'text') to.dynamic((scope) => valueAttribute(get(scope)));
  },
  chosen({ chosen, own }, _tag, to) {
    to.dynamic((scope) => {
      const [all, mine] = [chosen.get(scope), String(own.get(scope))];
      const isChosen = Array.isArray(all) ? all.map(String).includes(mine) : String(all) === mine;
      return isChosen ? ' selected' : '';
    });
  },
  listener: () => undefined,
  none: () => undefined,
  accepted: () => undefined,
};

function valueAttribute(value: unknown): string {
  return value === null || value === undefined || value === ''
    ? ''
    : ` value="${escapeAttribute(String(value))}"`;
}

function writeValue(
  { name, rule, value }: Extract<PlanAttribute, { kind: 'value' }>,
  tag: string,
  to: Output,
  { compiling }: At,
): void {
  const isPlain = rule === 'plain' || rule === 'worded';
  if (isPlain && isTextProp(value, compiling.component)) {
    to.text(` ${name}="`);
    to.dynamic(textAttribute(value.get));
    return to.text('"');
  }
  const start = ` ${name}="`;
  const other = (given: unknown, scope: Scope, pass: Pass): string =>
    written(
      name,
      isPlain && rule === 'plain'
        ? plainAttribute(tag, name, given, (found) => pass.report(found, scope))
        : attributeText(tag, name, rule, given, (found) => pass.report(found, scope)),
    );
  const source = sourceOf(value);
  if (source.from === 'prop' && isPlain) {
    const { index } = source;
    return to.dynamic((scope, pass) => {
      const given = scope.props[index];
      return typeof given === 'string' ? `${start}${escapeAttribute(given)}"` : other(given, scope, pass);
    });
  }
  const { get } = value;
  to.dynamic((scope, pass) => {
    const given = get(scope);
    if (typeof given === 'string' && isPlain) return `${start}${escapeAttribute(given)}"`;
    return other(given, scope, pass);
  });
}

/** The value of an attribute that is always there. What is no text was told when the prop was checked. */
function textAttribute(get: Get): Write {
  return (scope) => {
    const value = get(scope);
    return typeof value === 'string' ? escapeAttribute(value) : '';
  };
}

function written(name: string, text: AttributeText): string {
  if (text === null) return '';
  return text === true ? ` ${name}` : ` ${name}="${escapeAttribute(text)}"`;
}

function writeClass(parts: readonly ClassPiece[], to: Output, at: At): void {
  const { prefix, rest } = classPrefix(parts);
  if (rest.length === 0) {
    if (prefix !== '') to.text(` class="${escapeAttribute(prefix)}"`);
  } else if (prefix !== '') {
    to.text(` class="${escapeAttribute(prefix)}`);
    for (const piece of rest) writePiece(piece, to, at);
    to.text('"');
  } else {
    const write = writtenClass(
      '',
      rest.map((piece) => (piece.kind === 'text' ? piece.text.get : [piece.word, piece.when?.get ?? always])),
    );
    to.dynamic((scope) => {
      const text = write(scope);
      return text === '' ? '' : ` class="${escapeAttribute(text)}"`;
    });
  }
}

const always = (): boolean => true;

/** A part of a class behind others, with the space before it. */
function writePiece(piece: ClassPiece, to: Output, { compiling }: At): void {
  if (piece.kind === 'word') {
    const spaced = ` ${escapeAttribute(piece.word)}`;
    const { when } = piece;
    if (!when) return to.text(spaced);
    return to.dynamic((scope) => (when.get(scope) ? spaced : ''));
  }
  const { get } = piece.text;
  if (isPlainProp(piece.text, compiling.component)) {
    to.text(' ');
    return to.dynamic((scope) => plainWord(get(scope)));
  }
  to.dynamic((scope) => {
    const text = get(scope);
    return typeof text === 'string' && text !== '' ? ` ${escapeAttribute(text)}` : '';
  });
}

/** A word of a class that is always there and needs no escapes. */
function plainWord(value: unknown): string {
  return typeof value === 'string' ? value : '';
}

/** The text of a `textarea` that is tied to the state. */
export function boundText(attributes: Attributes): Core | undefined {
  for (const one of attributes) if (one.kind === 'binding' && one.control === 'textarea') return one.value;
  return undefined;
}
