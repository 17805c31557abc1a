import { finding } from '../../problem/index.js';
import { coreOf, describe, type ExprCore, type Frame, plainText } from '../../template/index.js';
import { misplaced, type PlanValue } from '../../tree/index.js';
import type { Chunks, Write } from '../chunks.js';
import { escapeText } from '../escape.js';
import type { At, Lowering } from '../lowering.js';
import { between } from '../marks.js';
import type { Pass } from '../pass.js';
import { type Item, isPlainProp, sourceOf } from '../sources.js';

/** An expression's value as text. */
export function lowerValue(node: PlanValue, to: Chunks, at: At): void {
  at.lowering.note(node.value);
  between(to, at, () => lowerText(node.value, to, at.lowering));
}

function lowerText(value: ExprCore, to: Chunks, lowering: Lowering): void {
  const { op } = value;
  if (op.op === 'phrase') lowerPhrase(op.strings, op.parts, to, lowering);
  else if (isPlainProp(value, lowering.component)) to.place(plainWriter(value));
  else to.place(textWriter(value));
}

/** A phrase as its texts and, in between, its parts: it is not joined before it is escaped. */
function lowerPhrase(
  strings: readonly string[],
  parts: readonly unknown[],
  to: Chunks,
  lowering: Lowering,
): void {
  for (const [index, text] of strings.entries()) {
    to.text(escapeText(text));
    if (index === parts.length) continue;
    const core = coreOf(parts[index]);
    if (!core) to.text(escapeText(plainText(parts[index])));
    else if (isPlainProp(core, lowering.component)) to.place(plainWriter(core));
    else to.place(partWriter(core));
  }
}

/** A value that needs no escapes. */
function plainWriter(core: ExprCore): Write {
  const source = sourceOf(core);
  if (source.from === 'prop') {
    const { index } = source;
    return (frame) => plainText(frame.props[index]);
  }
  const { get } = core;
  return (frame) => plainText(get(frame));
}

function partWriter(core: ExprCore): Write {
  const { get } = core;
  return (frame) => {
    const value = get(frame);
    return typeof value === 'number' ? String(value) : escapeText(plainText(value));
  };
}

function textWriter(core: ExprCore): Write {
  const source = sourceOf(core);
  const other = (value: unknown, frame: Frame, pass: Pass): string =>
    textOf(value, frame, pass, () => describe(core));
  if (source.from === 'prop') {
    const { index } = source;
    return (frame, pass) => {
      const value = frame.props[index];
      return typeof value === 'string' ? escapeText(value) : other(value, frame, pass);
    };
  }
  if (source.from === 'field') {
    const { local, key } = source;
    return (frame, pass) => {
      const value = (frame.locals[local] as Item)?.[key];
      return typeof value === 'string' ? escapeText(value) : other(value, frame, pass);
    };
  }
  const { get } = source;
  return (frame, pass) => {
    const value = get(frame);
    return typeof value === 'string' ? escapeText(value) : other(value, frame, pass);
  };
}

/** Text for a value that is not text: digits for numbers, nothing for missing ones, a problem for all others. */
export function textOf(value: unknown, frame: Frame, pass: Pass, name: () => string): string {
  if (typeof value === 'number' || typeof value === 'bigint') return String(value);
  if (value === null || value === undefined || value === false) return '';
  const { message, hint } = misplaced(value);
  pass.report(
    { ...finding('content-not-allowed', { what: '', place: '', hint }), message: `${name()}: ${message}` },
    frame,
  );
  return '';
}
