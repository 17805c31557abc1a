import { dev } from '../../problem/index.js';
import type { UrlRule } from '../../template/attributes/tables.js';
import {
  type AttributeText,
  plainAttribute,
  type Report,
  urlAttribute,
  wordedAttribute,
} from '../../template/attributes/text.js';
import type { Scope } from '../../template/scope.js';
import { nameOf } from './adopted.js';
import { type Attach, attempt, type Binding } from './block.js';
import { setAttribute } from './dom.js';
import { fixedLook } from './fixed.js';
import type { Instance } from './instance.js';
import { forward, type Reads } from './move.js';
import type { Get } from './text.js';

/** How to have an attribute's text: the same rules as in HTML text. */
export interface Write {
  /** What it is made of; the same value comes to the same text. */
  get(scope: Scope, instance: Instance): unknown;
  /** Where that is not the text itself. */
  text?(value: never, report: Report): AttributeText;
}

/** An attribute whose value changes. */
export function attribute(name: string, write: Write, mask: number, level = 0): Binding {
  return { level, mask, get: write.get, put: putter(name, write) };
}

/** The same, where what it reads is not of one scope alone. */
export function outerAttribute(name: string, write: Write, level: number, reads: Reads): Attach {
  const put = putter(name, write);
  return (node, scopes, block, instance) => {
    let value: unknown = put;
    const run = (): void => {
      const before = value;
      value = write.get(scopes[level] as Scope, instance);
      if (value !== before) put(node, value, instance);
    };
    attempt(instance, run);
    forward(block, reads, run);
  };
}

/** How to show an attribute. */
function putter(name: string, { text }: Write): Binding['put'] {
  return (node, value, instance) => {
    const element = node as Element;
    const next = text ? text(value as never, (found) => instance.report(found)) : (value as AttributeText);
    const written = next === true ? '' : next;
    if (instance.adoption) fixedLook?.own(element, name, instance);
    if (element.getAttribute(name) === written) return;
    if (instance.adoption)
      instance.tell('markup-differs', {
        how: dev ? `${name} of ${nameOf(element)} is not the same` : name,
      });
    setAttribute(element, name, written);
  };
}

/** Text, a number, or true and false as an attribute that is there or not. */
export function plain(tag: string, name: string, get: Get): Write {
  return { get, text: (value, report) => plainAttribute(tag, name, value, report) };
}

/** The same, true and false being words, as in `aria-*`. */
export function worded(tag: string, name: string, get: Get): Write {
  return { get, text: (value, report) => wordedAttribute(tag, name, value, report) };
}

/** One that holds URLs: those that carry scripts are reported and left out. */
export function checked(tag: string, name: string, rule: UrlRule, get: Get): Write {
  return { get, text: (value, report) => urlAttribute(tag, name, rule, value, report) };
}

/** A whole document as text, for `srcdoc`: ready-made alone comes here. */
export function documentHtml(get: Get): Write {
  return { get, text: (value) => String(value ?? '') };
}
