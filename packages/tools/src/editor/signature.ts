import type { SignatureHelp } from 'vscode-languageserver/node';
import type { ComponentFacts } from '../reading/facts.js';

/** Helpers that every template has. */
const given: Readonly<Record<string, readonly string[]>> = { uid: ["part = 'part'"] };

/**
 * What the innermost call takes that is open at the end of a text, and which of it is being written.
 *
 * @param before the text up to the cursor
 */
export function signatureAt(before: string, { text }: ComponentFacts): SignatureHelp | null {
  let depth = 0;
  let index = 0;
  for (let at = before.length - 1; at >= 0; at--) {
    const sign = before[at];
    if (sign === ')' || sign === ']' || (sign === '}' && before[at - 1] !== '}')) depth++;
    else if ((sign === '[' || sign === '{') && depth > 0) depth--;
    else if (sign === '{' || sign === '"' || sign === ';') return null;
    else if (sign === ',' && depth === 0) index++;
    else if (sign === '(') {
      if (depth > 0) {
        depth--;
        continue;
      }
      const name = /([A-Za-z_$][\w$]*)\s*$/.exec(before.slice(0, at))?.[1];
      if (name === undefined) return null;
      const takes = Object.hasOwn(text.takes, name) ? text.takes[name] : given[name];
      if (!takes) return null;
      return {
        signatures: [
          { label: `${name}(${takes.join(', ')})`, parameters: takes.map((label) => ({ label })) },
        ],
        activeSignature: 0,
        activeParameter: index,
      };
    }
  }
  return null;
}
