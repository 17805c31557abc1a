import { dev } from '../../problem/index.js';
import {
  type AttributeText,
  attributeText,
  plainAttribute,
  type Report,
  wordedAttribute,
} from '../../template/attributes/text.js';
import type { Frame } from '../../template/frame.js';
import { nameOf } from './adoption.js';
import { type Attach, follow } from './block.js';
import type { Get } from './text.js';

/** How to have an attribute's text: the same rules as in HTML text. */
export type Write = (frame: Frame, report: Report) => AttributeText;

/** An attribute whose value changes. */
export function attribute(name: string, write: Write, bits: number, scope = 0): Attach {
  return (node, frames, block, instance) => {
    const element = node as Element;
    let shown: AttributeText | undefined;
    const run = (): void => {
      const next = write(frames[scope] as Frame, (found) => instance.report(found));
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
    follow(block, scope, bits, run);
  };
}

/** Text, a number, or true and false as an attribute that is there or not. */
export function plain(tag: string, name: string, get: Get): Write {
  return (frame, report) => plainAttribute(tag, name, get(frame), report);
}

/** The same, true and false being words, as in `aria-*`. */
export function worded(tag: string, name: string, get: Get): Write {
  return (frame, report) => wordedAttribute(tag, name, get(frame), report);
}

/** One that holds URLs: those that carry scripts are told and left out. */
export function checked(tag: string, name: string, get: Get): Write {
  return (frame, report) => attributeText(tag, name, get(frame), report);
}

/** A whole document as text, for `srcdoc`: ready-made alone comes here. */
export function documentHtml(get: Get): Write {
  return (frame) => String(get(frame) ?? '');
}
