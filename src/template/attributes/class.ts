import type { Get } from '../expression/ops.js';
import type { Scope } from '../scope.js';

/** A part of a class ready to be written: how to have its text, or a word with how to have its condition. */
export type ClassPart = Get | readonly [word: string, when: Get];

/** How to have the text of a class: the words it starts with, then its parts. */
export function writtenClass(prefix: string, parts: readonly ClassPart[]): (scope: Scope) => string {
  return (scope) => {
    let text = prefix;
    for (const part of parts) {
      const word = typeof part === 'function' ? part(scope) : part[1](scope) ? part[0] : '';
      if (typeof word === 'string' && word !== '') text += ` ${word}`;
    }
    return prefix === '' ? text.slice(1) : text;
  };
}
