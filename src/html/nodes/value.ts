import { finding } from '../../problem/index.js';
import { coreOf, describe, type ExprCore, type Frame, plainText } from '../../template/index.js';
import { misplaced, type PlanValue } from '../../tree/index.js';
import type { Chunks, Write } from '../chunks.js';
import { escapeText } from '../escape.js';
import type { At } from '../lowering.js';
import type { Pass } from '../pass.js';

/** An expression's value as text. */
export function lowerValue(node: PlanValue, to: Chunks, at: At): void {
  at.lowering.note(node.value);
  const { op } = node.value;
  if (op.op === 'phrase') return lowerPhrase(op.strings, op.parts, to);
  lowerCore(node.value, to);
}

/** A phrase as its texts and, in between, its parts: it is not joined before it is escaped. */
function lowerPhrase(strings: readonly string[], parts: readonly unknown[], to: Chunks): void {
  for (const [index, text] of strings.entries()) {
    to.text(escapeText(text));
    if (index === parts.length) continue;
    const core = coreOf(parts[index]);
    if (core) to.place(plainWriter(core));
    else to.text(escapeText(plainText(parts[index])));
  }
}

function plainWriter(core: ExprCore): Write {
  const { get } = core;
  return (frame) => {
    const value = get(frame);
    return typeof value === 'number' ? String(value) : escapeText(plainText(value));
  };
}

function lowerCore(core: ExprCore, to: Chunks): void {
  const { get } = core;
  to.place((frame, pass) => {
    const value = get(frame);
    return typeof value === 'string' ? escapeText(value) : textOf(value, frame, pass, () => describe(core));
  });
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
