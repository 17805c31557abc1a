import { coreOf, type ExprCore } from '../expr.js';
import type { Frame } from '../frame.js';

/** What `class` takes: text, an expression of it, a record of conditions, a list of these. */
export type ClassInput = unknown;

type Piece =
  | { readonly kind: 'word'; readonly word: string; readonly when: ExprCore | undefined }
  | { readonly kind: 'text'; readonly text: ExprCore };

/** The class text where it is constant, else how to have it. Empty text means no attribute. */
export function classWriter(input: ClassInput): string | ((frame: Frame) => string) {
  const pieces: Piece[] = [];
  collect(input, pieces);
  let prefix = '';
  while (pieces[0]?.kind === 'word' && !pieces[0].when) {
    prefix += (prefix === '' ? '' : ' ') + pieces[0].word;
    pieces.shift();
  }
  if (pieces.length === 0) return prefix;
  const getters = pieces.map(pieceWriter);
  const [first, second] = getters;
  if (prefix !== '' && first && getters.length === 1) return (frame) => prefix + first(frame);
  if (prefix !== '' && first && second && getters.length === 2) {
    return (frame) => prefix + first(frame) + second(frame);
  }
  return (frame) => {
    let text = prefix;
    for (const get of getters) text += get(frame);
    return prefix === '' ? text.slice(1) : text;
  };
}

/** Each piece brings the space before it. */
function pieceWriter(piece: Piece): (frame: Frame) => string {
  if (piece.kind === 'text') {
    const { get } = piece.text;
    return (frame) => {
      const text = get(frame);
      return text === null || text === undefined || text === false || text === '' ? '' : ` ${String(text)}`;
    };
  }
  const spaced = ` ${piece.word}`;
  const { when } = piece;
  if (!when) return () => spaced;
  return (frame) => (when.get(frame) ? spaced : '');
}

function collect(input: unknown, pieces: Piece[]): void {
  const core = coreOf(input);
  if (core) pieces.push({ kind: 'text', text: core });
  else if (Array.isArray(input)) for (const one of input) collect(one, pieces);
  else if (typeof input === 'string') word(input, undefined, pieces);
  else if (typeof input === 'object' && input !== null) {
    for (const [name, test] of Object.entries(input)) {
      const when = coreOf(test);
      if (when || test) word(name, when, pieces);
    }
  }
}

function word(text: string, when: ExprCore | undefined, pieces: Piece[]): void {
  if (text !== '') pieces.push({ kind: 'word', word: text, when });
}

/** The expressions a class or style input holds. */
export function inputExprs(input: unknown): ExprCore[] {
  const core = coreOf(input);
  if (core) return [core];
  if (typeof input !== 'object' || input === null) return [];
  return Object.values(input).flatMap(inputExprs);
}
