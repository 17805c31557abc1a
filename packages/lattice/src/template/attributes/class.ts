import type { Get } from '../expression/ops.js';
import type { Scope } from '../scope.js';
import { plainAttribute, type Report } from './text.js';

/** A part of a class ready to be written: how to have its text, or a word with how to have its condition. */
export type ClassPart = Get | readonly [word: string, when: Get];

/** How to have the text of a class: the words it starts with, then its parts. */
export function writtenClass(
  tag: string,
  prefix: string,
  parts: readonly ClassPart[],
): (scope: Scope, report: Report) => string {
  return (scope, report) => {
    let text = prefix;
    for (const part of parts) {
      const word =
        typeof part === 'function' ? classWord(tag, part(scope), report) : part[1](scope) ? part[0] : '';
      if (word !== '') text += ` ${word}`;
    }
    return prefix === '' ? text.slice(1) : text;
  };
}

/** What a value adds to a class: its text; what has none is reported. */
export function classWord(tag: string, value: unknown, report: Report): string {
  if (typeof value === 'string') return value;
  return value && value !== true ? String(plainAttribute(tag, 'class', value, report) ?? '') : '';
}
