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
import { type Attach, attempt, keep, type Scopes } from './block.js';
import { setAttribute } from './dom.js';
import { fixedLook } from './fixed.js';
import type { Instance } from './instance.js';
import { forward, type Reads } from './move.js';
import type { Get } from './text.js';

/** How to have an attribute's text: the same rules as in HTML text. */
export type Write = (scope: Scope, report: Report) => AttributeText;

/** An attribute whose value changes. */
export function attribute(name: string, write: Write, mask: number, level = 0): Attach {
  return (node, scopes, block, instance) =>
    keep(block, level, mask, shower(name, write, node as Element, scopes, level, instance));
}

/** The same, where what it reads is not of one scope alone. */
export function outerAttribute(name: string, write: Write, level: number, reads: Reads): Attach {
  return (node, scopes, block, instance) => {
    const run = shower(name, write, node as Element, scopes, level, instance);
    attempt(instance, run);
    forward(block, reads, run);
  };
}

/** How to show an attribute. */
function shower(
  name: string,
  write: Write,
  element: Element,
  scopes: Scopes,
  level: number,
  instance: Instance,
): () => void {
  let shown: AttributeText | undefined;
  return () => {
    if (instance.adoption) fixedLook?.own(element, name, instance);
    const next = write(scopes[level] as Scope, (found) => instance.report(found));
    if (next === shown) return;
    shown = next;
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

/** Text, a number, or true and false as an attribute that is there or not. */
export function plain(tag: string, name: string, get: Get): Write {
  return (scope, report) => plainAttribute(tag, name, get(scope), report);
}

/** The same, true and false being words, as in `aria-*`. */
export function worded(tag: string, name: string, get: Get): Write {
  return (scope, report) => wordedAttribute(tag, name, get(scope), report);
}

/** One that holds URLs: those that carry scripts are told and left out. */
export function checked(tag: string, name: string, rule: UrlRule, get: Get): Write {
  return (scope, report) => urlAttribute(tag, name, rule, get(scope), report);
}

/** A whole document as text, for `srcdoc`: ready-made alone comes here. */
export function documentHtml(get: Get): Write {
  return (scope) => String(get(scope) ?? '');
}
