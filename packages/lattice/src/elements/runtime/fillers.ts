import { type Finding, finding, problemText } from '../../problem/index.js';
import { attributeRule, rawTextElements } from '../../template/attributes/tables.js';
import { attributeText, isNameFit, type Report } from '../../template/attributes/text.js';
import { update } from './block.js';
import { copyOf, safe, setAttribute } from './dom.js';
import { instanceOf } from './element.js';
import type { Feature, Instance } from './instance.js';
import type { LiveClass } from './live.js';
import type { Sheets } from './sheets.js';

/** What a filler gives for one piece of data: nodes or text, if any, and how to let go of them. */
export interface Filled {
  readonly content: Node | string | undefined;
  /** The style sheets that it needs where it stands. */
  readonly sheets?: Sheets;
  release?(): void;
}

/**
 * Fills a slot that passes data: called for each of its parts with its data, what tells its ids from those of others, and
 * how to have it called again. Where it gives nothing, the slot's fallback stands.
 */
export type Filler = (
  data: unknown,
  at?: string,
  again?: () => void,
) => Node | string | Filled | null | undefined;

/** Where an element keeps the functions that fill its slots: set by the page, or by the component that uses it. */
export interface FillerHost extends HTMLElement {
  fillers?: Readonly<Record<string, Filler>>;
}

/**
 * The filler of one of an element's slots: a function in its `fillers`, or else its children
 * `<template slot="row" as="variety">`, whose text and attributes may say `{{ variety.name }}`. One with
 * `given="variety.season"` or `given="variety.season === 'early'"` fills it for such data only.
 */
export function fillerOf(host: FillerHost, slot: string): Filler | undefined {
  const given = host.fillers;
  if (given && Object.hasOwn(given, slot)) return given[slot];
  const templates = [...host.children].filter(
    (child): child is HTMLTemplateElement => child instanceof HTMLTemplateElement && child.slot === slot,
  );
  if (templates.length === 0) return undefined;
  return (data) => {
    const template = templates.find((one) => holds(one, data));
    return template && fromTemplate(template, data);
  };
}

/** Whether a template is for some data: where it says of which, by a field or by what that has to be. */
function holds(template: HTMLTemplateElement, data: unknown): boolean {
  const condition = template.getAttribute('given');
  if (condition === null) return true;
  const [, path = '', , wanted] = /^(.*?)(?:\s*===\s*(['"])(.*)\2\s*)?$/s.exec(condition) ?? [];
  const value = valueAt(path, template.getAttribute('as') ?? 'data', data);
  return wanted === undefined ? !!value : value === wanted;
}

/** Whether slots that pass data are being filled anew, by other functions than before. */
export const refilling = { now: false };

/** Gives a class the property that takes such functions; what was filled by others is made anew. */
export function fillerMembers(...slots: readonly string[]): (made: LiveClass) => void {
  return (made) => {
    const given = new WeakMap<object, Readonly<Record<string, Filler>>>();
    Object.defineProperty(made.prototype, 'fillers', {
      configurable: true,
      get(this: FillerHost) {
        return given.get(this);
      },
      set(this: FillerHost & { readonly [instanceOf]: Instance }, fillers: Readonly<Record<string, Filler>>) {
        given.set(this, fillers);
        refill(this[instanceOf], slots);
      },
    });
  };
}

function refill(instance: Instance, slots: readonly string[]): void {
  const { block, live } = instance;
  instance.each?.('refilled');
  refilling.now = true;
  if (block) for (const name of slots) update(block, 0, live.mask[`slot ${name}`] ?? 0);
  refilling.now = false;
}

/** Follows the templates among an element's children: one may come after the element, change or leave. */
export function fillerWatch(...slots: readonly string[]): (instance: Instance) => Feature {
  return (instance) => {
    const { host } = instance;
    let isWatched = false;
    const templates = (): HTMLTemplateElement[] =>
      [...host.children].filter((child) => child instanceof HTMLTemplateElement);
    const observer = new MutationObserver((records) => {
      const isOfTemplates = records.some(
        ({ addedNodes, removedNodes, target }) =>
          target !== host ||
          [...addedNodes, ...removedNodes].some((node) => node instanceof HTMLTemplateElement),
      );
      if (!isOfTemplates) return;
      watch();
      refill(instance, slots);
    });
    const watch = (): void => {
      observer.observe(host, { childList: true });
      // What a template holds is no part of the element's own tree (https://html.spec.whatwg.org/#template-contents).
      for (const { content } of templates())
        observer.observe(content, { childList: true, subtree: true, characterData: true, attributes: true });
    };
    return {
      before() {
        if (!isWatched) watch();
        isWatched = true;
      },
    };
  };
}

const hole = /\{\{\s*([^{}]*?)\s*\}\}/g;

/** A copy of the template with its interpolations filled. What comes from data stays text, in text and in attributes. */
function fromTemplate(template: HTMLTemplateElement, data: unknown): Node {
  const name = template.getAttribute('as') ?? 'data';
  const copy = copyOf(template.content);
  const fill = (text: string): string =>
    text.replace(hole, (_whole, path: string) => textAt(path, name, data));
  const walker: TreeWalker = Document.prototype.createTreeWalker.call(
    document,
    copy,
    NodeFilter.SHOW_ELEMENT | NodeFilter.SHOW_TEXT,
  );
  while (walker.nextNode()) {
    const node = walker.currentNode;
    if (node instanceof Text) {
      const around = node.parentElement ? safe(node.parentElement).nodeName.toLowerCase() : '';
      // Text there is code: on a server it is refused, too.
      if (!rawTextElements.has(around)) node.data = fill(node.data);
      else if (node.data.includes('{{')) {
        tell(
          finding('content-not-allowed', {
            what: `Data of the slot "${template.slot}"`,
            place: `in <${around}>`,
            hint: 'Hand it over by an attribute or a custom property.',
          }),
        );
        node.data = '';
      }
    } else if (node instanceof Element) {
      for (const { name, value } of [...safe(node).attributes]) {
        if (value.includes('{{')) fillAttribute(node, name, fill(value));
      }
    }
  }
  return copy;
}

function tell(found: Finding, where = 'template'): void {
  console.error(problemText({ ...found, where }));
}

/** Sets what data says, by the rules of all attributes: URLs that carry scripts are reported and left out. */
function fillAttribute(element: Element, name: string, text: string): void {
  const tag = safe(element).nodeName.toLowerCase();
  const report: Report = (found) => tell(found, tag);
  const fits = isNameFit(tag, name, report) && name !== 'srcdoc' && name !== 'style';
  const rule = attributeRule([tag], name.toLowerCase());
  const checked = fits ? attributeText(tag, name, rule, text, report) : null;
  setAttribute(safe(element), name, checked === true ? '' : checked);
}

/** The text at a path such as `variety.name`. */
function textAt(path: string, name: string, data: unknown): string {
  const value = valueAt(path, name, data);
  return typeof value === 'string' || typeof value === 'number' ? String(value) : '';
}

/** What is at such a path: own fields alone, so that nothing else can be reached. */
function valueAt(path: string, name: string, data: unknown): unknown {
  const [first, ...fields] = path.split('.').map((step) => step.trim());
  if (first !== name || fields.some((field) => !/^[\w$-]+$/.test(field))) {
    const fault = `is not ${name} or a field of it`;
    tell(
      finding('expression-invalid', {
        expression: path,
        fault,
        hint: `In a page's own template write ${name} or ${name}.title; work the rest out before.`,
      }),
    );
    return undefined;
  }
  let value = data;
  for (const field of fields) {
    if (typeof value !== 'object' || value === null || !Object.hasOwn(value, field)) return undefined;
    value = (value as Record<string, unknown>)[field];
  }
  return value;
}
