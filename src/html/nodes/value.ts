import { finding } from '../../problem/index.js';
import { describe, type Frame } from '../../template/index.js';
import { misplaced, type PlanValue } from '../../tree/index.js';
import type { Chunks } from '../chunks.js';
import { escapeText } from '../escape.js';
import type { At } from '../lowering.js';
import type { Pass } from '../pass.js';

/** An expression's value as text. */
export function lowerValue(node: PlanValue, to: Chunks, at: At): void {
  at.lowering.note(node.value);
  const { get } = node.value;
  to.place((frame, pass) => {
    const value = get(frame);
    return typeof value === 'string'
      ? escapeText(value)
      : textOf(value, frame, pass, () => describe(node.value));
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
