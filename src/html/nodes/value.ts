import { misplaced, type PlanValue } from '../../plan/index.js';
import { finding } from '../../problem/index.js';
import { type Core, describe, plainText, type Scope } from '../../template/index.js';
import { type At, between } from '../compiling.js';
import { escapeText } from '../escape.js';
import type { Output, Write } from '../output.js';
import type { Pass } from '../pass.js';
import { type Item, isPlainProp, sourceOf } from '../sources.js';

/** An expression's value as text. */
export function writeValue({ value }: PlanValue, to: Output, at: At): void {
  const { component } = at.compiling;
  between(to, at, () => {
    const { op } = value;
    if (op.op !== 'phrase') return to.dynamic(isPlainProp(value, component) ? plain(value) : shown(value));
    // A phrase as its texts and, in between, its parts: it is not joined before it is escaped.
    for (const [index, text] of op.strings.entries()) {
      to.text(escapeText(text));
      const part = op.parts[index];
      if (part?.op.op === 'literal') to.text(escapeText(plainText(part.op.value)));
      else if (part) to.dynamic(isPlainProp(part, component) ? plain(part) : phrased(part));
    }
  });
}

/** A value that needs no escapes. */
function plain(core: Core): Write {
  const source = sourceOf(core);
  if (source.from === 'prop') {
    const { index } = source;
    return (scope) => plainText(scope.props[index]);
  }
  const { get } = core;
  return (scope) => plainText(get(scope));
}

function phrased({ get }: Core): Write {
  return (scope) => {
    const value = get(scope);
    return typeof value === 'number' ? String(value) : escapeText(plainText(value));
  };
}

function shown(core: Core): Write {
  const source = sourceOf(core);
  if (source.from === 'prop') {
    const { index } = source;
    return (scope, pass) => {
      const value = scope.props[index];
      return typeof value === 'string' ? escapeText(value) : textOf(value, core, scope, pass);
    };
  }
  if (source.from === 'field') {
    const { local, key } = source;
    return (scope, pass) => {
      const value = (scope.locals[local] as Item)?.[key];
      return typeof value === 'string' ? escapeText(value) : textOf(value, core, scope, pass);
    };
  }
  const { get } = source;
  return (scope, pass) => {
    const value = get(scope);
    return typeof value === 'string' ? escapeText(value) : textOf(value, core, scope, pass);
  };
}

/** Text for a value that is not text: digits for numbers, nothing for missing ones, a problem for all others. */
function textOf(value: unknown, core: Core, scope: Scope, pass: Pass): string {
  if (typeof value === 'number' || typeof value === 'bigint') return String(value);
  if (value === null || value === undefined || value === false) return '';
  const { message, hint } = misplaced(value);
  const found = finding('content-not-allowed', { what: '', place: '', hint });
  pass.report({ ...found, message: `${describe(core)}: ${message}` }, scope);
  return '';
}
