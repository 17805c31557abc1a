import { dev } from '../../problem/index.js';
import { type ClassPart, writtenClass } from '../../template/attributes/class.js';
import { type StylePart, writtenStyle } from '../../template/attributes/style.js';
import type { Scope } from '../../template/scope.js';
import { nameOf } from './adopted.js';
import { type Attach, attempt } from './block.js';
import { newElement, safe, setAttribute } from './dom.js';
import type { Feature, Instance } from './instance.js';
import { forward, type Reads } from './move.js';
import { report } from './report.js';

/** An attribute's text, of all that it reads. */
type Written = (scope: Scope, instance: Instance) => string | null;

/** The words of a class: those that are always there, and the parts that follow. */
export function classes(tag: string, prefix: string, parts: readonly ClassPart[]): Written {
  const write = writtenClass(tag, prefix, parts);
  return (scope, instance) => write(scope, (found) => report(instance, found)) || null;
}

/** The declarations of a style. */
export function styles(tag: string, parts: readonly StylePart[]): Written {
  const write = writtenStyle(tag, parts);
  return (scope, instance) => write(scope, (found) => report(instance, found)) || null;
}

/**
 * A style that changes. It goes through the style object: a page's policy may refuse style attributes
 * (https://www.w3.org/TR/CSP3/#directive-style-src-attr).
 */
export function inlineStyle(write: Written, reads: Reads, level = 0): Attach {
  return (node, scopes, block, instance) => {
    const element = node as HTMLElement;
    const style = element.style;
    let shown: unknown;
    const run = (): void => {
      const text = write(scopes[level] as Scope, instance) ?? '';
      if (text === shown) return;
      shown = text;
      const written = element.getAttribute('style') ?? '';
      if (instance.adoption && written !== text && !isSameStyle(style, text as string))
        instance.tell('markup-differs', {
          how: dev ? `style of ${nameOf(element)} is not the same` : 'style',
        });
      if (text === '') setAttribute(element, 'style', null);
      else if (written !== text || style.length === 0) style.cssText = text as string;
    };
    attempt(instance, run);
    forward(block, reads, run);
  };
}

/** Whether a style says the same as a text, however that is written. */
function isSameStyle(style: CSSStyleDeclaration, text: string): boolean {
  const other = newElement('i') as HTMLElement;
  other.style.cssText = text;
  return other.style.cssText === style.cssText;
}

/** Styles that a server wrote as data, since the page's policy refuses style attributes. */
export function restyled(): (instance: Instance) => Feature {
  return ({ host }) => ({
    before() {
      for (const one of host.shadowRoot?.querySelectorAll('[data-inline]') ?? []) one.remove();
      for (const given of host.shadowRoot?.querySelectorAll<HTMLElement>('[data-style]') ?? []) {
        const one = safe(given);
        one.style.cssText = one.dataset.style as string;
        one.removeAttribute('data-style');
      }
    },
  });
}
