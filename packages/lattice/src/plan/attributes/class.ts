import { finding } from '../../problem/index.js';
import { coreOf, isNode, type Report } from '../../template/index.js';
import type { ClassPiece } from './plan-attribute.js';

/** The parts of a class: of text, an expression of it, a record of conditions, a list of these. */
export function classPieces(tag: string, input: unknown, report: Report): readonly ClassPiece[] {
  const pieces: ClassPiece[] = [];
  const wrong = faultOf(input, []);
  if (wrong) report(finding('attribute-invalid', { attribute: 'class', tag, ...wrong }));
  else collect(input, pieces);
  return pieces;
}

function faultOf(
  input: unknown,
  around: readonly unknown[],
): { readonly fault: string; readonly hint: string } | undefined {
  if (isNode(input))
    return {
      fault: 'contains an element or other content',
      hint: 'Pass text, calc(…), a record of class names with conditions, or a list of these.',
    };
  if (!Array.isArray(input)) return undefined;
  if (around.includes(input))
    return { fault: 'contains a list that contains itself', hint: 'Pass a list of texts.' };
  for (const one of input) {
    const found = faultOf(one, [...around, input]);
    if (found) return found;
  }
  return undefined;
}

function collect(input: unknown, pieces: ClassPiece[]): void {
  if (typeof input === 'string') return word(input, undefined, pieces);
  // Nothing is added by what is false, such as the 0 of `list.length && 'full'`.
  if (!input) return;
  if (typeof input === 'number' || typeof input === 'bigint') return word(String(input), undefined, pieces);
  const core = coreOf(input);
  if (core) pieces.push({ kind: 'text', text: core });
  else if (Array.isArray(input)) for (const one of input) collect(one, pieces);
  else if (typeof input === 'object' && input !== null) {
    for (const [name, test] of Object.entries(input)) {
      const when = coreOf(test);
      if (when || test) word(name, when, pieces);
    }
  }
}

function word(text: string, when: ReturnType<typeof coreOf>, pieces: ClassPiece[]): void {
  if (text !== '') pieces.push({ kind: 'word', word: text, when });
}

/** The words that a class always starts with, and the parts that follow. */
export function classPrefix(pieces: readonly ClassPiece[]): {
  readonly prefix: string;
  readonly rest: readonly ClassPiece[];
} {
  let prefix = '';
  let always = 0;
  for (const piece of pieces) {
    if (piece.kind !== 'word' || piece.when) break;
    prefix += (prefix === '' ? '' : ' ') + piece.word;
    always++;
  }
  return { prefix, rest: pieces.slice(always) };
}
