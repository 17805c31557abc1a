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
import { nameOf } from './adoption.js';
import { type Attach, follow, type Scopes } from './block.js';
import type { Instance } from './instance.js';
import { forward, type Reads } from './move.js';
import type { Get } from './text.js';

/** How to have an attribute's text: the same rules as in HTML text. */
export type Write = (scope: Scope, report: Report) => AttributeText;

/** An attribute whose value changes. */
export function attribute(name: string, write: Write, mask: number, level = 0): Attach {
  return (node, scopes, block, instance) =>
    follow(block, level, mask, shower(name, write, node as Element, scopes, level, instance));
}

/** The same, where what it reads is not of one scope alone. */
export function outerAttribute(name: string, write: Write, level: number, reads: Reads): Attach {
  return (node, scopes, block, instance) =>
    forward(block, reads, shower(name, write, node as Element, scopes, level, instance));
}

/** Shows an attribute, and gives how to do so again. */
function shower(
  name: string,
  write: Write,
  element: Element,
  scopes: Scopes,
  level: number,
  instance: Instance,
): () => void {
  let shown: AttributeText | undefined;
  const run = (): void => {
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
    if (text === null) element.removeAttribute(name);
    else element.setAttribute(name, text);
  };
  run();
  return run;
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
