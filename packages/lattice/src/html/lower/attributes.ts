import {
  type AttributeTable,
  attributesIn,
  byAttribute,
  type ClassPiece,
  elementMarks,
  mapAttribute,
  markIn,
  markKey,
  mergedAttributes,
  type PlanAttribute,
  startsAsAttribute,
} from '../../plan/index.js';
import type { Finding } from '../../problem/index.js';
import { escapeAttribute } from '../../template/escape.js';
import {
  attributeText,
  type Core,
  classWord,
  controlText,
  declaration,
  describe,
  ExprCore,
  plainText,
  styleText,
} from '../../template/index.js';
import { marksParts } from '../form.js';
import type { Pass } from '../pass.js';
import { written } from '../text.js';
import { choose } from './branches.js';
import { type Attributed, literal, register, type Scope } from './env.js';
import { isFlagProp, isPlainProp, isPlainWord, isTextProp } from './sources.js';
import { type Make, type Quick, Steps } from './steps.js';
import { lower } from './values.js';

type Attributes = readonly PlanAttribute[];

/** An element's attributes in their order, its component's mark, and what its controls show at first. */
export function lowerAttributes(node: Attributed, to: Steps, at: Scope): void {
  const { accepted, component, where } = at.env;
  const attributes = accepted === undefined ? node.attributes : attributesIn(node, component);
  const { tags } = node;
  if (!attributes.some(({ kind }) => kind === 'accepted')) return lowerAll(attributes, node, to, at);
  if (accepted === 'later') return lowerLater({ ...node, attributes }, to, at);
  const found: Finding[] = [];
  const all = mergedAttributes(attributes, accepted, tags, (one) => found.push(one));
  for (const one of found) to.push({ kind: 'report', found: one, where });
  lowerAll(all, node, to, at);
}

/** Attributes that come together when the caller's are known. */
function lowerLater(node: Attributed, to: Steps, at: Scope): void {
  const { lowerer } = at.lowering;
  const plain = new Steps();
  lowerAll(mergedAttributes(node.attributes, [], node.tags, ignore), node, plain, at);
  const [own, values] = taken(node.attributes, at);
  to.push({
    kind: 'accepted',
    plain: plain.list,
    own,
    values,
    lower: (handed) => lowerer.attributes({ ...node, attributes: own }, handed, at.env, values.length),
    where: at.env.where,
  });
}

function ignore(): void {}

/** Attributes whose expressions read numbered values, and these values. */
export function taken(attributes: Attributes, at: Scope): readonly [Attributes, readonly Core[]] {
  const values: Core[] = [];
  const numbered = attributes.map((one) =>
    mapAttribute(one, (core) => {
      if (core.op.op === 'literal') return core;
      values.push(lower(core, at));
      return register(values.length - 1);
    }),
  );
  return [numbered, values];
}

/** What calls a function that gives a value. */
export function given(at: Core): Core {
  return new ExprCore({ op: 'call', name: 'value', args: [at], compute: called, component: '' });
}

const called = (get: unknown): unknown => (get as () => unknown)();

export function lowerAll(attributes: Attributes, node: Attributed, to: Steps, at: Scope): void {
  const tag = typeof node.tag === 'string' ? node.tag : 'el.of';
  for (const one of attributes)
    if (!isLast(one) && one.key !== markKey) byAttribute(lowerers, one, tag, to, at);
  to.text(marksText(node, at, markIn(attributes)));
  for (const one of attributes) if (isLast(one)) byAttribute(lowerers, one, tag, to, at);
}

/** What a control shows at first comes after what is written. */
function isLast({ kind }: PlanAttribute): boolean {
  return kind === 'binding' || kind === 'chosen';
}

/** The marks by which the rules of who wrote an element, or gave attributes to it, find it. */
function marksText(node: Attributed, { env: { component, form } }: Scope, given: string | undefined): string {
  const marks = elementMarks(component, node, form === 'shadow', given);
  return marks.map(([name, value]) => ` ${name}="${value}"`).join('');
}

const lowerers: AttributeTable<[tag: string, to: Steps, at: Scope], void> = {
  fixed: ({ name, text }, _tag, to) => to.text(written(name, text)),
  value: lowerValue,
  class: ({ parts }, tag, to, at) => lowerClass(parts, tag, to, at),
  style({ parts }, tag, to, at) {
    const values = parts.map(([, value]) => lower(value, at));
    const names = parts.map(([name]) => name);
    const { isStrict } = at.lowering.lowerer;
    const fixed = isStrict
      ? undefined
      : fixedText(values, (report) => styleOf(tag, names, values.map(constant), report));
    if (fixed !== undefined) return to.text(fixed);
    const write = !isStrict ? styleOf : marksParts(at.env.form) ? styleData : styleRule;
    const make: Make = function style(frame, where, ...all) {
      const report = (found: Finding): void => frame.pass.report(found, where.path(frame));
      return write(tag, names, all, report, frame.pass);
    };
    const quick = isStrict ? undefined : quickStyle(tag, names, values);
    to.push({ kind: 'made', make, values, where: at.env.where, quick });
  },
  binding({ control, value, own, type }, _tag, to, at) {
    const shown = lower(value, at);
    if (control === 'radio') made(radio, [shown, lower(own, at)], to, at);
    else if (control === 'checkbox') made(checkbox, [shown], to, at);
    else if (control === 'text') made(valueAttribute, [shown, literal(type)], to, at);
  },
  chosen({ chosen, own }, _tag, to, at) {
    const value = lower(own, at);
    if (chosen) made(selected, [lower(chosen, at), value], to, at);
    else made(selectedAround, [value], to, at);
  },
  listener: ignore,
  named: ignore,
  leaving: ignore,
  property({ name, value }, tag, to, at) {
    // Where an attribute sets what the property is at first, a page shows it before its script runs.
    if (startsAsAttribute(tag, name)) made(flagAttribute, [literal(name), lower(value, at)], to, at);
  },
  none: ignore,
  accepted: ignore,
};

function made(make: Make, values: readonly Core[], to: Steps, at: Scope): void {
  to.push({ kind: 'made', make, values, where: at.env.where });
}

const flagAttribute: Make = (_frame, _where, name, value) => (value === true ? ` ${name}` : '');
const checkbox: Make = (_frame, _where, value) => (value === true ? ' checked' : '');
const radio: Make = (_frame, _where, value, own) => (String(value) === String(own) ? ' checked' : '');
const selected: Make = (_frame, _where, all, own) => {
  const isChosen = Array.isArray(all) ? all.map(String).includes(String(own)) : String(all) === String(own);
  return isChosen ? ' selected' : '';
};
const selectedAround: Make = (frame, where, own) => {
  const { choices } = frame.pass;
  return choices.length > 0 ? selected(frame, where, choices.at(-1), own) : '';
};
const valueAttribute: Make = (_frame, _where, value, type) => {
  const text = controlText(value, String(type));
  return text === '' ? '' : ` value="${escapeAttribute(text)}"`;
};

type Report = (found: Finding) => void;

type WriteStyle = (
  tag: string,
  names: readonly string[],
  values: readonly unknown[],
  report: Report,
  pass: Pass,
) => string;

function declarations(
  tag: string,
  names: readonly string[],
  values: readonly unknown[],
  report: Report,
): string {
  const parts = names.map((name, index) => [name, values[index]] as const);
  return styleText(tag, parts, called, report);
}

function styleOf(tag: string, names: readonly string[], values: readonly unknown[], report: Report): string {
  const text = declarations(tag, names, values, report);
  return text === '' ? '' : ` style="${escapeAttribute(text)}"`;
}

/** A style whose values are numbers and plain words; undefined where one of its constants is wrong. */
function quickStyle(tag: string, names: readonly string[], values: readonly Core[]): Quick | undefined {
  const texts = [' style="'];
  const at: number[] = [];
  let isWrong = false;
  for (const [index, value] of values.entries()) {
    const name = names[index] as string;
    const isFixed = value.op.op === 'literal';
    const fixed = isFixed
      ? declaration(tag, name, constant(value), () => {
          isWrong = true;
        })
      : `${name}: `;
    if (fixed === '') continue;
    const isFirst = at.length === 0 && texts[0] === ' style="';
    texts[texts.length - 1] += (isFirst ? '' : '; ') + escapeAttribute(fixed);
    if (isFixed) continue;
    at.push(index);
    texts.push('');
  }
  texts[texts.length - 1] += '"';
  return isWrong ? undefined : { test: 'declared', texts, at };
}

/** The same as a rule of the page, and what it finds the element by. */
const styleRule: WriteStyle = (tag, names, values, report, pass) => {
  const text = declarations(tag, names, values, report);
  return text === '' ? '' : ` data-style="${pass.styleRules.add(text)}"`;
};

/** The same in a shadow root: the element sets it by the style object, which no policy refuses. */
const styleData: WriteStyle = (tag, names, values, report, pass) => {
  const text = declarations(tag, names, values, report);
  if (text === '') return '';
  pass.roots.at(-1)?.addData(text);
  return ` data-style="${escapeAttribute(text)}"`;
};

function constant({ op }: Core): unknown {
  return op.op === 'literal' ? op.value : undefined;
}

/** Text of values that are all constant, where nothing is wrong with them. */
function fixedText(values: readonly Core[], write: (report: Report) => string): string | undefined {
  if (!values.every(({ op }) => op.op === 'literal')) return undefined;
  let isWrong = false;
  const text = write(() => {
    isWrong = true;
  });
  return isWrong ? undefined : text;
}

function lowerValue(
  { name, rule, value }: Extract<PlanAttribute, { kind: 'value' }>,
  tag: string,
  to: Steps,
  at: Scope,
): void {
  const { component, where } = at.env;
  const core = lower(value, at);
  const fixed = fixedText([core], (report) =>
    written(name, attributeText(tag, name, rule, constant(core), report)),
  );
  if (fixed !== undefined) return to.text(fixed);
  const isPlain = rule === 'plain' || rule === 'worded';
  if (isPlain && isTextProp(value, component)) {
    to.text(` ${name}="`);
    const as = isPlainWord(value, component) ? 'plain' : 'attribute';
    to.push({ kind: 'show', value: core, as, name: () => describe(value), where });
    return to.text('"');
  }
  if (rule === 'plain' && isPlainProp(value, component)) {
    to.text(` ${name}="`);
    to.push({ kind: 'show', value: core, as: 'plain', name: () => describe(value), where });
    return to.text('"');
  }
  if (isPlain && core.op.op === 'phrase') {
    to.text(` ${name}="`);
    for (const [index, text] of core.op.strings.entries()) {
      to.text(escapeAttribute(text));
      const part = core.op.parts[index];
      if (part?.op.op === 'literal') to.text(escapeAttribute(plainText(part.op.value)));
      else if (part)
        to.push({ kind: 'show', value: part, as: 'attribute part', name: () => describe(value), where });
    }
    return to.text('"');
  }
  if (rule === 'plain' && isFlagProp(value, component))
    return choose(core, [{ kind: 'text', text: ` ${name}` }], [], to);
  to.push({ kind: 'attribute', name, tag, rule, value: core, where });
}

/** A part of a class once it is known what is constant of it. */
type Piece =
  | { readonly word: string; readonly when: Core | undefined }
  | { readonly text: Core; readonly isPlain: boolean };

function lowerClass(parts: readonly ClassPiece[], tag: string, to: Steps, at: Scope): void {
  const pieces = parts.flatMap((part) => pieceOf(part, at));
  const first = pieces.findIndex((piece) => !('word' in piece) || piece.when !== undefined);
  const words = pieces.slice(0, first < 0 ? undefined : first);
  const prefix = words.map((piece) => ('word' in piece ? piece.word : '')).join(' ');
  const rest = pieces.slice(words.length);
  const [next] = rest;
  if (!next) return prefix === '' ? undefined : to.text(` class="${escapeAttribute(prefix)}"`);
  if (prefix !== '') {
    to.text(` class="${escapeAttribute(prefix)}`);
    for (const piece of rest) spaced(piece, tag, to, at);
    return to.text('"');
  }
  if ('text' in next && next.isPlain) {
    to.text(' class="');
    plain(next.text, to, at);
    for (const piece of rest.slice(1)) spaced(piece, tag, to, at);
    return to.text('"');
  }
  if ('word' in next && next.when && rest.length === 1)
    return choose(next.when, [{ kind: 'text', text: ` class="${escapeAttribute(next.word)}"` }], [], to);
  const values = rest.map((piece) => ('text' in piece ? piece.text : (piece.when ?? literal(true))));
  made(classOf(rest, tag), values, to, at);
}

function pieceOf(part: ClassPiece, at: Scope): readonly Piece[] {
  if (part.kind === 'word') {
    const when = part.when && lower(part.when, at);
    if (when?.op.op !== 'literal') return [{ word: part.word, when }];
    return when.op.value ? [{ word: part.word, when: undefined }] : [];
  }
  const text = lower(part.text, at);
  const word = wordIn(text);
  if (word) return [word];
  if (text.op.op !== 'literal') return [{ text, isPlain: isPlainWord(part.text, at.env.component) }];
  const { value } = text.op;
  if (typeof value === 'string') return value === '' ? [] : [{ word: value, when: undefined }];
  return [{ text, isPlain: false }];
}

/** A word that is there or not, in an expression such as `crates == 0 and 'sold-out'`. */
function wordIn({ op }: Core): Piece | undefined {
  if (op.op !== 'binary' || op.operator !== 'and' || op.right.op.op !== 'literal') return undefined;
  const { value } = op.right.op;
  return typeof value === 'string' && value !== '' && isYesOrNo(op.left)
    ? { word: value, when: op.left }
    : undefined;
}

/** Whether an expression comes to true or false, and to nothing else. */
function isYesOrNo({ op }: Core): boolean {
  if (op.op === 'binary') return /^(?:[=!]=|[<>]=?)$/.test(op.operator);
  return op.op === 'unary'
    ? op.operator === 'not'
    : op.op === 'filled' || op.op === 'something' || op.op === 'full';
}

function plain(value: Core, to: Steps, at: Scope): void {
  to.push({ kind: 'show', value, as: 'plain', name: () => 'class', where: at.env.where });
}

/** A part of a class behind others, with the space before it. */
function spaced(piece: Piece, tag: string, to: Steps, at: Scope): void {
  if ('word' in piece) {
    const text = ` ${escapeAttribute(piece.word)}`;
    if (piece.when) choose(piece.when, [{ kind: 'text', text }], [], to);
    else to.text(text);
  } else if (piece.isPlain) {
    to.text(' ');
    plain(piece.text, to, at);
  } else {
    const quick = { test: 'word', texts: [' ', ''], at: [0] } as const;
    to.push({ kind: 'made', make: spacedWord(tag), values: [piece.text], where: at.env.where, quick });
  }
}

function spacedWord(tag: string): Make {
  return (frame, where, value) => {
    const text = classWord(tag, value, (found) => frame.pass.report(found, where.path(frame)));
    return text === '' ? '' : ` ${escapeAttribute(text)}`;
  };
}

function classOf(pieces: readonly Piece[], tag: string): Make {
  const words = pieces.map((piece) => ('word' in piece ? piece.word : undefined));
  return function classes(frame, where, ...values) {
    const report: Report = (found) => frame.pass.report(found, where.path(frame));
    let text = '';
    for (let at = 0; at < words.length; at++) {
      const known = words[at];
      const word = known === undefined ? classWord(tag, values[at], report) : values[at] ? known : '';
      if (word !== '') text += (text === '' ? '' : ' ') + word;
    }
    return text === '' ? '' : ` class="${escapeAttribute(text)}"`;
  };
}

/** What a `select` is tied to, for options that come from elsewhere. */
export function boundChoice(attributes: Attributes): Core | undefined {
  for (const one of attributes) if (one.kind === 'binding' && one.control === 'select') return one.value;
  return undefined;
}

/** The text of a `textarea` that is tied to the state. */
export function boundText(attributes: Attributes): Core | undefined {
  for (const one of attributes) if (one.kind === 'binding' && one.control === 'textarea') return one.value;
  return undefined;
}
