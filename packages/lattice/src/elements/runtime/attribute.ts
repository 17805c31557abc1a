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
import { type Attach, attempt, type Put } from './block.js';
import { setAttribute } from './dom.js';
import type { Instance } from './instance.js';
import { forward, type Reads } from './move.js';
import { report } from './report.js';

/** How to have an attribute's text of its value: the same rules as in HTML text. */
export type TextOf = (value: never, report: Report) => AttributeText;

/** Shows an attribute; without a function its value is its text. */
export function attribute(name: string, textOf?: TextOf): Put {
  return (node, value, instance) => {
    const element = node as Element;
    const next = textOf
      ? textOf(value as never, (found) => report(instance, found))
      : (value as AttributeText);
    const text = next === true ? '' : next;
    if (instance.adoption) {
      if (element.getAttribute(name) === text) return;
      instance.tell('markup-differs', {
        how: dev ? `${name} of ${nameOf(element)} is not the same` : name,
      });
    }
    setAttribute(element, name, text);
  };
}

/** The same, where what it reads is not of one scope alone. */
export function outerAttribute(
  get: (scope: Scope, instance: Instance) => unknown,
  put: Put,
  level: number,
  reads: Reads,
): Attach {
  return (node, scopes, block, instance) => {
    let value: unknown = put;
    const run = (): void => {
      const before = value;
      value = get(scopes[level] as Scope, instance);
      if (value !== before) put(node, value, instance);
    };
    attempt(instance, run);
    forward(block, reads, run);
  };
}

/** Text, a number, or true and false as an attribute that is there or not. */
export function plain(tag: string, name: string): TextOf {
  return (value, report) => plainAttribute(tag, name, value, report);
}

/** The same, true and false being words, as in `aria-*`. */
export function worded(tag: string, name: string): TextOf {
  return (value, report) => wordedAttribute(tag, name, value, report);
}

/** One that holds URLs: those that carry scripts are reported and left out. */
export function checked(tag: string, name: string, rule: UrlRule): TextOf {
  return (value, report) => urlAttribute(tag, name, rule, value, report);
}

/** A whole document as text, for `srcdoc`: ready-made alone comes here. */
export function documentHtml(value: unknown): string {
  return String(value ?? '');
}
