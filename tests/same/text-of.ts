import {
  acceptedHere,
  type ComponentCore,
  type Core,
  coreOf,
  ExprCore,
  isHandlerCall,
  isListenerFunction,
  isNode,
  isRecord,
  type Node,
  type UseNode,
} from './internals.js';

/** Why a template cannot be written as HTML text. */
export class NoMarkup extends Error {}

type Helper = (...args: never[]) => unknown;

/** A template as HTML text: what it says, the components whose tags stand in it, and functions that it calls. */
export interface Markup {
  readonly text: string;
  readonly uses: ReadonlySet<ComponentCore>;
  readonly helpers: Readonly<Record<string, Helper>>;
}

/** Writes what a template function gave as a template text that says the same. */
export function markupOf(content: unknown): Markup {
  const to = new MarkupWriter();
  return { text: to.content(content), uses: to.uses, helpers: to.helpers };
}

const voidTags = /^(area|base|br|col|embed|hr|img|input|link|meta|source|track|wbr)$/;
const rawTags = /^(script|style)$/;

class MarkupWriter {
  readonly uses = new Set<ComponentCore>();
  readonly helpers: Record<string, Helper> = {};
  #count = 0;

  content(content: unknown): string {
    if (Array.isArray(content)) return content.map((one) => this.content(one)).join('');
    if (content === null || content === undefined || content === false || content === '') return '';
    const core = coreOf(content);
    if (core) return this.shown(core, text);
    if (isNode(content)) return this.node(content as unknown as Node);
    return text(String(content));
  }

  node(node: Node): string {
    switch (node.kind) {
      case 'element': {
        const { tag, attributes, content } = node;
        if (typeof tag !== 'string') throw new NoMarkup('an element whose tag is an expression');
        if (/[A-Z]/.test(tag) && !/^(linearGradient|foreignObject)$/.test(tag))
          throw new NoMarkup('a tag in capitals, which a parser reads in lower case');
        const start = `<${tag}${this.attributes(attributes ?? {})}>`;
        if (voidTags.test(tag)) return start;
        if (rawTags.test(tag)) return `${start}${this.raw(content)}</${tag}>`;
        return `${start}${this.content(content)}</${tag}>`;
      }
      case 'given':
        return `<template given="${this.quoted(node.test)}">${this.content(node.content)}</template><template otherwise>${this.content(node.otherwise)}</template>`;
      case 'each': {
        const key = node.key ? ` key="${this.quoted(node.key)}"` : '';
        return `<template each-of="${attribute(this.value(node.list))}" as="l${node.item}" index="l${node.item + 1}"${key}>${this.content(node.row)}</template><template otherwise>${this.content(node.empty)}</template>`;
      }
      case 'slot': {
        const name = node.name === 'default' ? '' : ` name="${node.name}"`;
        const data = node.data === undefined ? '' : ` data="${attribute(this.value(node.data))}"`;
        return `<slot${name}${data}>${this.content(node.fallback)}</slot>`;
      }
      case 'trusted':
        if (coreOf(node.html)) throw new NoMarkup('ready-made HTML that changes');
        return String(node.html);
      case 'use':
        return this.use(node);
    }
  }

  raw(content: readonly unknown[]): string {
    return content.map((one) => (isNode(one) && one.kind === 'trusted' ? this.content(one) : '')).join('');
  }

  use(node: UseNode): string {
    const { component, props, slots } = node;
    this.uses.add(component);
    const own: Record<string | symbol, unknown> = {};
    let written = '';
    for (const key of Reflect.ownKeys(props)) {
      const name = key as string;
      if (!component.props.at.has(name)) own[name] = (props as Record<string, unknown>)[name];
      else if (props[name] !== undefined) {
        const tag = name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
        written += ` ${tag}="{{ ${this.value(props[name])} }}"`;
      }
    }
    const inside = Object.entries(slots).map(([slot, { content, data }]) => {
      if (data !== undefined)
        return `<template slot="${slot}" as="l${data}">${this.content(content)}</template>`;
      const shown = this.content(content);
      return shown === '' ? '' : `<template slot="${slot}">${shown}</template>`;
    });
    return `<${component.name}${written}${this.attributes(own)}>${inside.join('')}</${component.name}>`;
  }

  attributes(attributes: Readonly<Record<string | symbol, unknown>>): string {
    return Reflect.ownKeys(attributes)
      .map((name) => (typeof name === 'symbol' ? this.symbol(name) : this.attribute(name, attributes[name])))
      .join('');
  }

  symbol(name: symbol): string {
    if (name !== acceptedHere) throw new NoMarkup('a symbol');
    return ' accepted';
  }

  attribute(name: string, value: unknown): string {
    if (value === undefined || value === null || value === false) {
      if (value === undefined) return '';
      if (/^aria-|^(contenteditable|draggable|spellcheck)$/.test(name) && value === false)
        return ` ${name}="false"`;
      if (value === null && (name === 'class' || name === 'style'))
        throw new NoMarkup('a class that is taken away');
      return value === null ? ` ${name}="{{ null }}"` : '';
    }
    if (name === 'on') return this.listeners(value as Readonly<Record<string, unknown>>);
    if (name === 'properties') return this.properties(value as Readonly<Record<string, unknown>>);
    if (name === 'bind') return ` bind="${stateName(value)}"`;
    if (name === 'class') return ` class="${this.classes(value).join(' ')}"`;
    if (name === 'style' && isRecord(value)) return ` style="${this.style(value)}"`;
    if (name === 'json' || (isNode(value) && name === 'srcdoc')) throw new NoMarkup(`the attribute ${name}`);
    if (/[A-Z]/.test(name) && !/^(viewBox|preserveAspectRatio|attributeName|gradientUnits)$/.test(name))
      throw new NoMarkup('a name in capitals, which a parser reads in lower case');
    if (value === true)
      return name.startsWith('aria-') || name === 'spellcheck' ? ` ${name}="true"` : ` ${name}`;
    const core = coreOf(value);
    if (!core) return ` ${name}="${attribute(String(value))}"`;
    return ` ${name}="${this.shown(core, attribute)}"`;
  }

  classes(input: unknown): string[] {
    const core = coreOf(input);
    if (core) return [this.shown(core, attribute)];
    if (Array.isArray(input)) return input.flatMap((one) => this.classes(one));
    if (typeof input === 'string') return input === '' ? [] : [attribute(input)];
    return Object.entries(input ?? {}).flatMap(([word, test]) => {
      const when = coreOf(test);
      if (!when) return test ? [attribute(word)] : [];
      return [`{{ ${this.expr(when)} ? ${literal(word)} : null }}`];
    });
  }

  style(record: Readonly<Record<string, unknown>>): string {
    return Object.entries(record)
      .map(([name, value]) => `${name}: {{ ${this.value(value)} }}`)
      .join('; ');
  }

  listeners(record: Readonly<Record<string, unknown>>): string {
    const calls = Object.entries(record).flatMap(([type, given]) => {
      const call = isListenerFunction(given) ? given(new ExprCore({ op: 'event' }).face) : given;
      return isHandlerCall(call)
        ? [`${type}: ${call.handler}(${call.args.map((arg) => this.value(arg)).join(', ')})`]
        : [];
    });
    return ` handles="${attribute(calls.join('; '))}"`;
  }

  properties(record: Readonly<Record<string, unknown>>): string {
    const values = Object.entries(record).map(([name, value]) => `${name}: ${this.value(value)}`);
    return ` properties="${attribute(values.join('; '))}"`;
  }

  /** A value where text goes; `write` says what is constant in it. What stands in an interpolation is never escaped. */
  shown(core: Core, write: (plain: string) => string): string {
    const { op } = core;
    if (op.op !== 'phrase') return `{{ ${this.expr(core)} }}`;
    return op.strings
      .map((one, at) => write(one) + (op.parts[at] ? `{{ ${this.expr(op.parts[at])} }}` : ''))
      .join('');
  }

  quoted(core: Core): string {
    return attribute(this.expr(core));
  }

  /** An expression, or a plain value, as the language of template texts writes it. */
  value(candidate: unknown): string {
    const core = coreOf(candidate);
    if (core) return this.expr(core);
    if (typeof candidate === 'string' || typeof candidate === 'boolean' || candidate === null)
      return literal(candidate);
    if (typeof candidate === 'number') return candidate < 0 ? `(${candidate})` : String(candidate);
    return this.helper([], () => candidate);
  }

  expr({ op }: Core): string {
    switch (op.op) {
      case 'prop':
        return `props.${op.name}`;
      case 'state':
        return `state.${op.name}`;
      case 'event':
        return 'event';
      case 'local':
        return `l${op.local}`;
      case 'field':
        return `${this.expr(op.of)}.${op.key}`;
      case 'filled':
        return `slots.${op.slot}.filled`;
      case 'uid':
        return `uid(${literal(op.label)})`;
      case 'literal':
        return this.value(op.value);
      case 'binary':
        return `(${this.expr(op.left)} ${op.operator} ${this.expr(op.right)})`;
      case 'calc':
        return this.helper(op.inputs, op.compute);
      case 'phrase':
        return this.helper(op.parts, (...parts: unknown[]) =>
          op.strings
            .map((one, at) => {
              const part = parts[at];
              return one + (part === null || part === undefined || part === false ? '' : String(part));
            })
            .join(''),
        );
      default:
        throw new NoMarkup(`an expression of the kind ${op.op}`);
    }
  }

  helper(inputs: readonly Core[], compute: Helper): string {
    const name = `h${this.#count++}`;
    this.helpers[name] = compute;
    return `${name}(${inputs.map((input) => this.expr(input)).join(', ')})`;
  }
}

function stateName(value: unknown): string {
  const op = coreOf(value)?.op;
  return op?.op === 'state' ? op.name : '';
}

/** A text of the language of expressions. */
function literal(value: string | boolean | null): string {
  if (typeof value !== 'string') return String(value);
  return `'${value.replace(/[\\']/g, '\\$&').replaceAll('\n', '\\n').replaceAll('\t', '\\t').replaceAll('\r', '\\r')}'`;
}

/** Text between tags; white space at its ends would count as layout, so such text stands in an interpolation. */
function text(plain: string): string {
  if (plain.includes('{{') || plain !== plain.trim()) return `{{ ${literal(plain)} }}`;
  return plain
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('\r', '&#13;');
}

/** Text in double quotes. */
function attribute(plain: string): string {
  return plain.replaceAll('&', '&amp;').replaceAll('"', '&quot;').replaceAll('\r', '&#13;');
}
