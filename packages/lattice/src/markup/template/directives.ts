import { itemIn } from '../../component/index.js';
import {
  type Content,
  deeper,
  EachNode,
  ExprCore,
  fieldOf,
  GivenNode,
  given,
  isBlank,
  loadBranches,
  localExpr,
  operand,
} from '../../template/index.js';
import { parseExpression } from '../expression/parse.js';
import { namesIn } from '../expression/tree.js';
import { unmarked } from '../syntax/holes.js';
import type { MarkupAttribute, MarkupElement, MarkupNode } from '../syntax/nodes.js';
import { expressionOf } from './expression.js';
import { kindOf } from './kinds.js';
import type { Locals } from './names.js';
import type { TextReading } from './reading.js';

/** What a `template` element and those that belong to it come to, and how many nodes they take up. */
interface Taken {
  readonly content: Content;
  readonly taken: number;
}

/** What a `template` may say, and what goes with each. */
const directives: Readonly<Record<string, readonly string[]>> = {
  given: ['given', 'otherwise', 'slot'],
  'each-of': ['each-of', 'as', 'index', 'key', 'of', 'slot'],
  otherwise: ['otherwise', 'given'],
  loading: ['loading'],
  loaded: ['loaded', 'as'],
  failed: ['failed', 'as'],
};

export function attributeOf(node: MarkupNode, name: string): MarkupAttribute | undefined {
  return node.kind === 'element' ? node.attributes.find((one) => one.name === name) : undefined;
}

/** Whether a `template` element says something to the library; without a directive it is an element like any other. */
export function isDirective(node: MarkupNode | undefined): boolean {
  return (
    node?.kind === 'element' &&
    node.tag === 'template' &&
    node.attributes.some(({ name }) => Object.hasOwn(directives, name))
  );
}

/** Reads `<template given>`, `<template each-of>` and the `<template otherwise>` that follow; undefined for a plain one. */
export function templateContent(
  nodes: readonly MarkupNode[],
  at: number,
  locals: Locals,
  reading: TextReading,
): Taken | undefined {
  const node = nodes[at] as MarkupElement;
  if (!isDirective(node)) {
    const stray = node.attributes.find(({ name }) => name === 'as' || name === 'key');
    if (stray) {
      reading.report(
        'directive-invalid',
        {
          fault: `<template ${stray.name}> repeats nothing`,
          hint: 'Write <template each-of="list" as="item">.',
        },
        stray.at,
      );
      return { content: one(reading.content(node.children, locals)), taken: 1 };
    }
    return undefined;
  }
  const kind = attributeOf(node, 'otherwise')
    ? 'otherwise'
    : attributeOf(node, 'each-of')
      ? 'each-of'
      : (loadKinds.find((one) => attributeOf(node, one)) ?? 'given');
  checkParts(node, kind, reading);
  if (isLoadKind(kind)) return loadContent(nodes, at, locals, reading);
  if (kind === 'otherwise') {
    reading.report(
      'directive-invalid',
      {
        fault: '<template otherwise> follows no <template given> or <template each-of>',
        hint: 'Put it straight behind the one it belongs to; only white space may stand between.',
      },
      node.at,
    );
    return { content: null, taken: 1 };
  }
  const next = following(nodes, at);
  const taken = next ? next.at - at + 1 : 1;
  if (kind === 'each-of') {
    const empty = next && otherwiseContent(nodes, next.at, locals, reading);
    return {
      content: eachContent(node, empty?.content, locals, reading),
      taken: taken + (empty?.taken ?? 1) - 1,
    };
  }
  return givenContent(nodes, at, locals, reading);
}

/** What stands where data is loaded. */
const loadKinds = ['loading', 'loaded', 'failed'] as const;
type LoadKind = (typeof loadKinds)[number];

function isLoadKind(kind: string): kind is LoadKind {
  return (loadKinds as readonly string[]).includes(kind);
}

/** `<template loading>`, `<template loaded as="…">` and `<template failed as="…">`, in any order, one after another. */
function loadContent(nodes: readonly MarkupNode[], at: number, locals: Locals, reading: TextReading): Taken {
  const found = new Map<LoadKind, MarkupElement>();
  let taken = 0;
  for (let next = at; next < nodes.length; next++) {
    const node = nodes[next] as MarkupNode;
    if (node.kind === 'text' ? isBlank(node.text) : node.kind === 'comment') continue;
    const kind = isDirective(node) ? loadKinds.find((one) => attributeOf(node, one)) : undefined;
    if (!kind || found.has(kind)) break;
    found.set(kind, node as MarkupElement);
    taken = next - at + 1;
  }
  const first = nodes[at] as MarkupElement;
  const tell = (fault: string, hint: string): Taken => {
    reading.report('directive-invalid', { fault, hint }, first.at);
    return { content: null, taken };
  };
  if (!reading.component.load)
    return tell(
      `<template ${[...found.keys()][0]}> shows what a component loads, and ${reading.component.name} has no load`,
      'Declare it: load: async ({ props, fetch }) => ….',
    );
  if (!found.has('loaded'))
    return tell(
      `<template ${[...found.keys()][0]}> stands without <template loaded>`,
      'Write <template loaded as="value">, which shows what was loaded, beside it.',
    );
  const data = new ExprCore({ op: 'data' });
  const branch = (kind: LoadKind, name: string, value: ExprCore): Content | undefined => {
    const node = found.get(kind);
    if (!node) return undefined;
    if (node !== first) checkParts(node, kind, reading);
    const as = nameIn(attributeOf(node, 'as'), reading) ?? name;
    return one(reading.content(node.children, new Map([...locals, [as, value] as const])));
  };
  const fault = fieldOf(data, 'fault');
  return {
    content: reading.written(first, () =>
      loadBranches(data, {
        loading: branch('loading', '', data),
        loaded: branch('loaded', 'loaded', fieldOf(data, 'value')),
        failed: found.has('failed') ? branch('failed', 'fault', fault) : undefined,
        showsFailure: found.has('failed'),
      }),
    ),
    taken,
  };
}

/** The `<template otherwise>` that follows one, past white space and comments. */
function following(nodes: readonly MarkupNode[], at: number): { readonly at: number } | undefined {
  for (let next = at + 1; next < nodes.length; next++) {
    const node = nodes[next] as MarkupNode;
    if (node.kind === 'text' ? isBlank(node.text) : node.kind === 'comment') continue;
    return isDirective(node) && attributeOf(node, 'otherwise') ? { at: next } : undefined;
  }
  return undefined;
}

function checkParts(node: MarkupElement, kind: string, reading: TextReading): void {
  for (const { name, at } of node.attributes) {
    if (directives[kind]?.includes(name)) continue;
    reading.report(
      'directive-invalid',
      {
        fault: `<template ${kind}> does not go with the attribute "${name}"`,
        hint: `It takes ${directives[kind]?.filter((one) => one !== kind).join(', ')}. It leaves no element that could have attributes.`,
      },
      at,
    );
  }
}

/** A condition, with what stands otherwise: content, or another condition. */
function givenContent(nodes: readonly MarkupNode[], at: number, locals: Locals, reading: TextReading): Taken {
  const node = nodes[at] as MarkupElement;
  const test = attributeOf(node, 'given');
  const core = test && directiveValue(test, locals, reading);
  const content = reading.content(node.children, locals);
  const next = following(nodes, at);
  const otherwise = next && otherwiseContent(nodes, next.at, locals, reading);
  const taken = next ? next.at - at + (otherwise?.taken ?? 1) : 1;
  const made = reading.written(node, () =>
    core ? new GivenNode(core, one(content), otherwise?.content) : given(false, content, otherwise?.content),
  );
  return { content: made, taken };
}

function otherwiseContent(
  nodes: readonly MarkupNode[],
  at: number,
  locals: Locals,
  reading: TextReading,
): Taken {
  const node = nodes[at] as MarkupElement;
  checkParts(node, 'otherwise', reading);
  if (attributeOf(node, 'given')) return givenContent(nodes, at, locals, reading);
  return { content: one(reading.content(node.children, locals)), taken: 1 };
}

function one(content: readonly Content[]): Content {
  return content.length === 1 ? content[0] : content;
}

const identifier = /^[A-Za-z_$][\w$]*$/;

/** The name that an attribute such as `as` gives; a problem when it is none. */
export function nameIn(attribute: MarkupAttribute | undefined, reading: TextReading): string | undefined {
  if (!attribute) return undefined;
  const name = attribute.value.trim();
  if (identifier.test(name) && !/^(true|false|null|and|or|not)$/.test(name)) return name;
  reading.report(
    'directive-invalid',
    {
      fault: `${attribute.name}="${unmarked(attribute.value, reading.holes)}" is no name`,
      hint: 'Write a word of letters and digits, such as as="variety".',
    },
    attribute.valueAt,
  );
  return undefined;
}

/** The expression of a directive; a problem when it is missing. */
function directiveValue(
  attribute: MarkupAttribute,
  locals: Locals,
  reading: TextReading,
): ExprCore | undefined {
  if (attribute.value.trim() !== '') return expressionOf(attribute.value, attribute.valueAt, locals, reading);
  const example = attribute.name === 'given' ? 'given="rare"' : 'each-of="varieties"';
  reading.report(
    'directive-invalid',
    { fault: `<template ${attribute.name}> has no expression`, hint: `Write <template ${example}>.` },
    attribute.at,
  );
  return undefined;
}

function eachContent(node: MarkupElement, empty: Content, locals: Locals, reading: TextReading): Content {
  const list = attributeOf(node, 'each-of');
  const found = list && directiveValue(list, locals, reading);
  const as = nameIn(attributeOf(node, 'as'), reading) ?? 'item';
  const index = nameIn(attributeOf(node, 'index'), reading);
  return reading.written(node, () =>
    deeper(2, (first) => {
      const item = localExpr(first, as, 'item');
      const listKind = found && kindOf(found, reading.component, reading.kinds);
      const kind = listKind && itemIn(listKind);
      if (kind) reading.kinds.set(item, kind);
      const number = localExpr(first + 1, index ?? 'index', 'index');
      const inside = new Map([...locals, [as, item] as const, ...(index ? [[index, number] as const] : [])]);
      const key = keyOption(attributeOf(node, 'key'), as, item, inside, reading);
      const row = one(reading.content(node.children, inside));
      const source = attributeOf(node, 'of');
      const of = source && directiveValue(source, locals, reading);
      return new EachNode(found?.face ?? [], first, as, row, key, empty, of);
    }),
  );
}

/** What tells one item from another: the name of one of its fields, or an expression that reads the item. */
function keyOption(
  attribute: MarkupAttribute | undefined,
  as: string,
  item: ExprCore,
  locals: Locals,
  reading: TextReading,
): ExprCore | undefined {
  if (!attribute) return undefined;
  const text = unmarked(attribute.value, reading.holes).trim();
  if (identifier.test(text) && text !== as)
    return new ExprCore({
      op: 'written',
      text: `${as}.${text}`,
      of: new ExprCore({ op: 'member', of: item, key: operand(text) }),
    });
  const key = directiveValue(attribute, locals, reading);
  if (key && !namesIn(parseExpression(unmarkedExpression(text))).some(({ name }) => locals.has(name))) {
    reading.report(
      'directive-invalid',
      { fault: `The key "${text}" is the same for every item`, hint: `Name a field of the item: key="id".` },
      attribute.valueAt,
    );
  }
  return key;
}

function unmarkedExpression(text: string): string {
  return /^\{\{([\s\S]*)\}\}$/.exec(text)?.[1] ?? text;
}
