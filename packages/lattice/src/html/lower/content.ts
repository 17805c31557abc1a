import {
  closesRawText,
  type PlanData,
  type PlanText,
  type PlanTrusted,
  type PlanValue,
  rawTextFault,
} from '../../plan/index.js';
import { escapeText } from '../../template/escape.js';
import { type Core, describe, jsonBlock, plainText } from '../../template/index.js';
import { marksParts } from '../form.js';
import { asJson } from '../runtime.js';
import type { Scope } from './env.js';
import { between } from './lowering.js';
import { isPlainProp } from './sources.js';
import type { Make, Steps } from './steps.js';
import { lower } from './values.js';

export function lowerText({ text }: PlanText, to: Steps): void {
  to.text(escapeText(text));
}

/** An expression's value as text. */
export function lowerValue({ value }: PlanValue, to: Steps, at: Scope): void {
  between(to, at, () => {
    const { op } = value;
    if (op.op !== 'phrase') return lowerShown(value, 'content', to, at);
    // A phrase as its texts and, in between, its parts: it is not joined before it is escaped.
    for (const [index, text] of op.strings.entries()) {
      to.text(escapeText(text));
      const part = op.parts[index];
      if (part) lowerShown(part, 'part', to, at);
    }
  });
}

function lowerShown(core: Core, as: 'content' | 'part', to: Steps, at: Scope): void {
  const value = lower(core, at);
  const { op } = value;
  if (op.op === 'literal' && (as === 'part' || isTextual(op.value)))
    return to.text(escapeText(plainText(op.value)));
  const isPlain = isPlainProp(core, at.env.component);
  to.push({
    kind: 'show',
    value,
    as: isPlain ? 'plain' : as,
    name: () => describe(core),
    where: at.env.where,
  });
}

/** Whether a value can stand as text; of all others a problem says what they are. */
function isTextual(value: unknown): boolean {
  return /^(string|number|bigint|undefined)$/.test(typeof value) || value === null || value === false;
}

/** A value as a data block (https://html.spec.whatwg.org/#data-block). */
export function lowerData({ value }: PlanData, to: Steps, at: Scope): void {
  const core = lower(value, at);
  const { op } = core;
  const known = op.op === 'literal' ? jsonKnown(() => jsonBlock(op.value)) : undefined;
  if (known !== undefined) return to.text(known);
  to.push({
    kind: 'made',
    make: dataIn(op.op === 'literal' ? 'The data of the script' : describe(value)),
    values: [core],
    where: at.env.where,
  });
}

function dataIn(name: string): Make {
  return function data(frame, where, value) {
    return asJson(frame, where, name, value, () => jsonBlock(value));
  };
}

/** What is written of a value that is known; what cannot be written is reported when it is rendered. */
export function jsonKnown(write: () => string): string | undefined {
  try {
    return write();
  } catch {
    return undefined;
  }
}

/** Ready-made HTML as it is. In a raw-text element it may not close the element. */
export function lowerTrusted({ html, inside }: PlanTrusted, to: Steps, at: Scope): void {
  // Text in it must not become one with the text around it, where an element is going to take it over.
  if (html.op.op === 'literal') {
    const text = String(html.op.value);
    return to.text(marksParts(at.env.form) && inside === '' ? `<!---->${text}<!---->` : text);
  }
  const make = trustedIn(inside);
  between(to, at, () => to.push({ kind: 'made', make, values: [lower(html, at)], where: at.env.where }));
}

function trustedIn(inside: string): Make {
  return function trusted(frame, where, html) {
    if (html === null || html === undefined || html === false) return '';
    const text = String(html);
    if (inside === '' || !closesRawText(inside, text)) return text;
    frame.pass.report(rawTextFault(inside), where.path(frame));
    return '';
  };
}
