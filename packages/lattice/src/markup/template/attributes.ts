import { type AnyKind, type ComponentCore, readText } from '../../component/index.js';
import { nearestOr } from '../../problem/index.js';
import { accepted, coreOf, ExprCore, HandlerCall, NodePlace, phrase } from '../../template/index.js';
import { parseExpression } from '../expression/parse.js';
import { ExpressionFault, type ExpressionTree } from '../expression/tree.js';
import { hasHole, type Piece, pieces, unmarked } from '../syntax/holes.js';
import type { MarkupAttribute, MarkupElement } from '../syntax/nodes.js';
import { bind, expressionOf, guarded, holeAt, readExpression } from './expression.js';
import type { Locals } from './names.js';
import type { TextReading } from './reading.js';

/** An element's attributes, as the builders take them. */
export function attributesOf(
  node: MarkupElement,
  locals: Locals,
  reading: TextReading,
): Record<string | symbol, unknown> {
  const attributes: Record<string | symbol, unknown> = Object.create(null);
  for (const attribute of node.attributes) {
    const { name } = attribute;
    if (isStray(node, attribute, reading)) continue;
    if (name === 'handles') attributes.on = listeners(attribute, locals, reading);
    else if (name === 'properties') attributes.properties = propertiesOf(attribute, locals, reading);
    else if (name === 'node' && namesNodes(reading)) attributes.node = nodePlace(attribute, locals, reading);
    else if (name === 'bind') attributes.bind = boundState(attribute, locals, reading);
    else if (name === 'accepted') Object.assign(attributes, accepted);
    else if (name === 'class') attributes.class = classInput(attribute, locals, reading);
    else if (name === 'style') attributes.style = styleInput(attribute, locals, reading);
    else if (!hasHole(name)) attributes[name] = attributeValue(attribute, locals, reading);
  }
  return attributes;
}

const around =
  'Conditions and rows stand around what they are of: <template given="…">, <template each-of="…" as="…">, <template otherwise>.';

/** What stands here for words that say something on other elements, or elsewhere. */
const otherWords: Readonly<Record<string, string>> = {
  if: '<template given="…">',
  else: '<template otherwise>',
  elseif: '<template otherwise given="…">',
  'else-if': '<template otherwise given="…">',
  for: '<template each-of="…" as="…">',
  each: '<template each-of="…" as="…">',
  foreach: '<template each-of="…" as="…">',
};

/** Tells an attribute that would say nothing where it stands. */
function isStray({ tag }: MarkupElement, { at, name }: MarkupAttribute, reading: TextReading): boolean {
  const tell = (fault: string, hint: string): true => {
    reading.report('directive-invalid', { fault, hint }, at);
    return true;
  };
  if (tag !== 'template' && /^(given|otherwise|each-of)$/.test(name))
    return tell(`${name} stands on <${tag}>, where it says nothing`, around);
  const word = tag === 'template' && Object.hasOwn(otherWords, name) ? otherWords[name] : undefined;
  if (word !== undefined) return tell(`<template ${name}> says nothing here`, `Write ${word}.`);
  const [sign] = /^[^\p{L}\p{N}_-]/u.exec(name) ?? [];
  if (sign === undefined || hasHole(name)) return false;
  const rest = name.replace(/[^\p{L}\p{N}_-]/gu, '');
  const hint =
    sign === '@' || sign === '('
      ? `Name a handler: handles="${rest}: …".`
      : sign === '*'
        ? around
        : `Put the value into an interpolation: ${rest}="{{ … }}".`;
  return tell(`The attribute ${name} starts with a sign that says nothing here`, hint);
}

/** A value: that of its one interpolation, or text with interpolations in it. */
export function attributeValue(attribute: MarkupAttribute, locals: Locals, reading: TextReading): unknown {
  if (attribute.isBare) return true;
  return joined(pieces(attribute.value, reading.holes), attribute, locals, reading);
}

function joined(
  found: readonly Piece[],
  attribute: MarkupAttribute,
  locals: Locals,
  reading: TextReading,
): unknown {
  const values = found.map((piece) =>
    typeof piece === 'string' ? piece : holeValue(piece, attribute, locals, reading),
  );
  if (values.length === 0) return '';
  if (values.length === 1) return values[0];
  const strings: string[] = [''];
  const parts: unknown[] = [];
  for (const [at, piece] of found.entries()) {
    if (typeof piece === 'string') strings[strings.length - 1] += piece;
    else {
      parts.push(values[at]);
      strings.push('');
    }
  }
  return phrase(Object.assign(strings, { raw: strings }), ...(parts as never[]));
}

function holeValue(
  piece: Exclude<Piece, string>,
  attribute: MarkupAttribute,
  locals: Locals,
  reading: TextReading,
): unknown {
  const bound = readExpression(piece.expression, holeAt(piece.at, attribute.at), locals, reading);
  return bound && (bound.isConstant ? bound.constant : bound.core.face);
}

/** Words of a class: each stands by itself, so that one whose interpolation renders nothing leaves no trace. */
function classInput(attribute: MarkupAttribute, locals: Locals, reading: TextReading): unknown {
  if (!hasHole(attribute.value)) return attribute.value;
  const words: unknown[] = [];
  let word: Piece[] = [];
  const finish = (): void => {
    if (word.length > 0) words.push(joined(word, attribute, locals, reading));
    word = [];
  };
  for (const piece of pieces(attribute.value, reading.holes)) {
    if (typeof piece !== 'string') {
      word.push(piece);
      continue;
    }
    const [first = '', ...more] = piece.split(/\s+/);
    if (first !== '') word.push(first);
    for (const next of more) {
      finish();
      if (next !== '') word.push(next);
    }
  }
  finish();
  return words;
}

/** Declarations of a style: with an interpolation in any, each is checked by itself when its value is known. */
function styleInput(attribute: MarkupAttribute, locals: Locals, reading: TextReading): unknown {
  if (!hasHole(attribute.value)) return attribute.value;
  const style: Record<string, unknown> = Object.create(null);
  let at = 0;
  for (const declaration of declarationsIn(attribute.value)) {
    const [, name, value] = /^\s*([^:\s]+)\s*:\s*([\s\S]*?)\s*$/.exec(declaration) ?? [];
    if (name !== undefined && value !== undefined && !hasHole(name)) {
      style[name] = joined(pieces(value, reading.holes), attribute, locals, reading);
    } else if (hasHole(declaration)) {
      reading.report(
        'interpolation-misplaced',
        {
          place: 'as a whole CSS declaration',
          hint: 'Write each as name: {{ … }}; a missing value leaves it out.',
        },
        attribute.valueAt === undefined ? undefined : attribute.valueAt + at,
      );
    }
    at += declaration.length + 1;
  }
  return style;
}

/** Cuts a style into its declarations: at each semicolon that stands in no quotes and no brackets. */
function declarationsIn(text: string): readonly string[] {
  const found: string[] = [];
  let from = 0;
  let depth = 0;
  let quote = '';
  for (let at = 0; at < text.length; at++) {
    const char = text[at];
    if (char === '\\') at++;
    else if (quote !== '') {
      if (char === quote) quote = '';
    } else if (char === '"' || char === "'") quote = char;
    else if (char === '(') depth++;
    else if (char === ')') depth = Math.max(0, depth - 1);
    else if (char === ';' && depth === 0) {
      found.push(text.slice(from, at));
      from = at + 1;
    }
  }
  return [...found, text.slice(from)];
}

/** `handles="click: add(1); keydown: move(event)"`: for each event the handler that hears it. */
export function listeners(
  attribute: MarkupAttribute,
  locals: Locals,
  reading: TextReading,
): Readonly<Record<string, HandlerCall>> {
  const calls: Record<string, HandlerCall> = Object.create(null);
  for (const { at, name, text } of statements(
    attribute,
    /^\s*([\w.-]+(?:\s+[^\s:]+)*)\s*:\s*([\s\S]+)$/,
    ['event and handler', 'click: add(1)'],
    reading,
  )) {
    const heard = handlerCall(text, at, locals, reading);
    if (heard) calls[name.replace(/\s+/g, ' ')] = heard;
  }
  return calls;
}

/**
 * The statements in an attribute, between semicolons that stand in no quotes: a name, a colon, and a text with its place.
 * What is none is reported, with what one is and how it is written.
 */
function* statements(
  attribute: MarkupAttribute,
  form: RegExp,
  [what, example]: readonly [what: string, example: string],
  reading: TextReading,
): Generator<{ readonly name: string; readonly text: string; readonly at: number | undefined }> {
  const value = unmarked(attribute.value, reading.holes);
  for (const found of value.matchAll(/(?:[^;'"]|'(?:\\[\s\S]|[^'\\])*'|"(?:\\[\s\S]|[^"\\])*")+/g)) {
    if (found[0].trim() === '') continue;
    const [, name, text] = form.exec(found[0]) ?? [];
    const start = attribute.valueAt === undefined ? undefined : attribute.valueAt + found.index;
    if (name !== undefined && text !== undefined) {
      yield { name, text, at: start === undefined ? undefined : start + found[0].length - text.length };
      continue;
    }
    const fault = `${attribute.name} says ${JSON.stringify(found[0].trim())}, which names no ${what}`;
    const hint = `Write ${attribute.name}="${example}"; put a semicolon between two.`;
    reading.report('directive-invalid', { fault, hint }, start);
  }
}

function handlerCall(
  text: string,
  at: number | undefined,
  locals: Locals,
  reading: TextReading,
): HandlerCall | undefined {
  const tree = guarded(() => calledHandler(text), text, at, reading);
  if (!tree) return undefined;
  const names = Object.keys(reading.component.handlers);
  if (!names.includes(tree.name) && !reading.component.takesAnyName) {
    const declare = `Declare it: handlers: { ${tree.name}: ({ state }) => ({ … }) }.`;
    const hint = nearestOr(tree.name, names, declare);
    reading.report(
      'name-unknown',
      { what: 'handler', name: tree.name, hint },
      at === undefined ? undefined : at + tree.at,
    );
    return undefined;
  }
  const args = tree.kind === 'call' ? tree.args : [];
  const known: Locals = locals.has('event')
    ? locals
    : new Map([...locals, ['event', new ExprCore({ op: 'event' })]]);
  return new HandlerCall(tree.name, argumentsOf(args, text, at, known, reading));
}

/** What a handler, or a node with a key, is called with: values, and expressions of them. */
function argumentsOf(
  args: readonly ExpressionTree[],
  text: string,
  at: number | undefined,
  locals: Locals,
  reading: TextReading,
): readonly unknown[] {
  return args.map((arg) => {
    const bound = bind(arg, text.trim(), at, locals, reading);
    return bound && (bound.isConstant ? bound.constant : bound.core.face);
  });
}

/** A handler's name, or a call of it. */
function calledHandler(text: string): CalledTree {
  return called(text, 'is no call of a handler', 'Name one of the component’s handlers: add(1).');
}

/** The name of a node, or one with a key. */
function calledName(text: string): CalledTree {
  return called(text, 'names no node', 'Name one of the component’s nodes: field, or options(row.id).');
}

type CalledTree = ExpressionTree & { readonly kind: 'name' | 'call' };

function called(text: string, fault: string, hint: string): CalledTree {
  const tree = parseExpression(text);
  if (tree.kind === 'name' || tree.kind === 'call') return tree;
  throw new ExpressionFault(fault, 0, hint);
}

/** `properties="indeterminate: some; scrollTop: at * 20"`: for each property its value. */
function propertiesOf(
  attribute: MarkupAttribute,
  locals: Locals,
  reading: TextReading,
): Readonly<Record<string, unknown>> {
  const values: Record<string, unknown> = Object.create(null);
  for (const { at, name, text } of statements(
    attribute,
    /^\s*([\w$]+)\s*:\s*([\s\S]+)$/,
    ['property and value', 'indeterminate: some'],
    reading,
  ))
    values[name] = expressionOf(text, at, locals, reading)?.face;
  return values;
}

/** Whether the component of a text has nodes with names; of a text by itself any may be there. */
export function namesNodes({ component }: TextReading): boolean {
  return component.takesAnyName === true || Object.keys(component.nodes).length > 0;
}

/** `node="field"`, `node="options(row.id)"`: one of the names in the component's `nodes`. */
export function nodePlace(
  attribute: MarkupAttribute,
  locals: Locals,
  reading: TextReading,
): NodePlace | undefined {
  const { valueAt: at } = attribute;
  const text = unmarked(attribute.value, reading.holes);
  const tree = guarded(() => calledName(text), text, at, reading);
  if (!tree) return undefined;
  const { nodes, takesAnyName } = reading.component;
  if (takesAnyName) return undefined;
  const kind = Object.hasOwn(nodes, tree.name) ? nodes[tree.name] : undefined;
  const args = tree.kind === 'call' ? tree.args : [];
  if (!kind) {
    const declare = `Declare it: nodes: { ${tree.name}: node('…') }.`;
    const hint = nearestOr(tree.name, Object.keys(nodes), declare);
    reading.report('name-unknown', { what: 'node', name: tree.name, hint }, at);
    return undefined;
  }
  if (args.length !== (kind.isKeyed ? 1 : 0)) {
    const fault = `node says ${JSON.stringify(text.trim())}, and ${tree.name} ${kind.isKeyed ? 'has a key' : 'has none'}`;
    const hint = kind.isKeyed
      ? `Write a key that differs in each row: node="${tree.name}(row.id)".`
      : `Write node="${tree.name}", or declare it with keys: node.keyed('…').`;
    reading.report('directive-invalid', { fault, hint }, at);
    return undefined;
  }
  const [key] = argumentsOf(args, text, at, locals, reading);
  return new NodePlace(tree.name, kind.tag, key);
}

/** `bind="title"`, `bind="draft.title"`: the field of the state, or the part of one, that a form control is tied to. */
function boundState(attribute: MarkupAttribute, locals: Locals, reading: TextReading): unknown {
  const [first, ...more] = pieces(attribute.value, reading.holes);
  const written = typeof first === 'object' && more.length === 0 ? first.expression : attribute.value;
  const name = written.trim().replace(/^state\./, '');
  if (/^[A-Za-z_$][\w$]*$/.test(name) && reading.names.hasState(name, true))
    return reading.names.state(name).face;
  // A part of a field, or of a row: the planner says whether it is one.
  if (/^[A-Za-z_$][\w$]*(?:\.[A-Za-z_$][\w$]*|\[[^\]]+\])+$/.test(name))
    return expressionOf(written, attribute.valueAt, locals, reading)?.face;
  const { what, hint } = reading.names.noState(name) as { what: string; hint: string };
  reading.report('name-unknown', { what, name, hint }, attribute.valueAt);
  return undefined;
}

/** A prop's value from an attribute: an interpolation's own value as it is, text as the prop's kind reads it. */
export function propValue(
  attribute: MarkupAttribute,
  component: ComponentCore,
  index: number,
  locals: Locals,
  reading: TextReading,
): unknown {
  const kind = component.props.kinds[index] as AnyKind;
  if (attribute.isBare || attribute.value === '') return readText(kind.rule, '');
  const found = pieces(attribute.value, reading.holes);
  const value = joined(found, attribute, locals, reading);
  if (found.length === 1) return typeof found[0] === 'string' ? readText(kind.rule, found[0]) : value;
  const of = coreOf(value);
  if (!of || kind.rules.word === 'text') return value;
  const prop = component.props.names[index] as string;
  const read = (text: string): unknown => readText(kind.rule, text);
  return new ExprCore({ op: 'read', of, read, declared: kind, component: component.name, prop }).face;
}
