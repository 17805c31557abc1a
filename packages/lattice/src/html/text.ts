import { misplaced } from '../plan/index.js';
import { type Finding, finding } from '../problem/index.js';
import { escapeAttribute } from '../template/escape.js';
import type { AttributeText } from '../template/index.js';

/** An attribute as it is written. */
export function written(name: string, text: AttributeText): string {
  if (text === null) return '';
  return text === true ? ` ${name}` : ` ${name}="${escapeAttribute(text)}"`;
}

/** What is reported for a value that cannot stand as text. */
export function notTextual(name: string, value: unknown): Finding {
  const { message, hint } = misplaced(value);
  const found = finding('content-not-allowed', { what: '', place: '', hint });
  return { ...found, message: `${name}: ${message}` };
}
