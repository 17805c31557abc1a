import { coreOf, type ExprCore } from '../expr.js';
import type { Frame } from '../frame.js';

/** What `class` takes: text, an expression of it, a record of conditions, a list of these. */
export type ClassInput = unknown;

/** One part of a class: a word that is always there or by a condition, or text known at render time. */
export type ClassPiece =
  | { readonly kind: 'word'; readonly word: string; readonly when: ExprCore | undefined }
  | { readonly kind: 'text'; readonly text: ExprCore };

/** The words a class always starts with, and the parts that follow. */
export function classPieces(input: ClassInput): {
  readonly prefix: string;
  readonly pieces: readonly ClassPiece[];
} {
  const pieces: ClassPiece[] = [];
  collect(input, pieces);
  let prefix = '';
  let always = 0;
  for (const piece of pieces) {
    if (piece.kind !== 'word' || piece.when) break;
    prefix += (prefix === '' ? '' : ' ') + piece.word;
    always++;
  }
  return { prefix, pieces: pieces.slice(always) };
}

/** The class text where it is constant, else how to have it. Empty text means no attribute. */
export function classWriter(input: ClassInput): string | ((frame: Frame) => string) {
  const { prefix, pieces } = classPieces(input);
  if (pieces.length === 0) return prefix;
  return writtenClass(prefix, classParts(pieces));
}

/** A part of a class ready to be written: how to have its text, or a word with how to have its condition. */
export type ClassPart = Get | readonly [word: string, when: Get];

type Get = (frame: Frame) => unknown;

/** Pieces of a class as parts; words that are always there need no condition. */
export function classParts(pieces: readonly ClassPiece[]): readonly ClassPart[] {
  return pieces.map((piece) => {
    if (piece.kind === 'text') return piece.text.get;
    return piece.when ? [piece.word, piece.when.get] : [piece.word, always];
  });
}

const always = (): boolean => true;

/** How to have the text of a class. */
export function writtenClass(prefix: string, parts: readonly ClassPart[]): (frame: Frame) => string {
  return (frame) => {
    let text = prefix;
    for (const part of parts) {
      const word = typeof part === 'function' ? part(frame) : part[1](frame) ? part[0] : '';
      if (typeof word === 'string' && word !== '') text += ` ${word}`;
    }
    return prefix === '' ? text.slice(1) : text;
  };
}

/** Writes a piece with the space before it; `makeFit` escapes the text for where it goes. */
export function pieceWriter(piece: ClassPiece, makeFit: (text: string) => string): (frame: Frame) => string {
  if (piece.kind === 'text') {
    const { get } = piece.text;
    return (frame) => {
      const text = get(frame);
      return typeof text === 'string' && text !== '' ? ` ${makeFit(text)}` : '';
    };
  }
  const spaced = ` ${makeFit(piece.word)}`;
  const { when } = piece;
  if (!when) return () => spaced;
  const { get } = when;
  return (frame) => (get(frame) ? spaced : '');
}

function collect(input: unknown, pieces: ClassPiece[]): void {
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

function word(text: string, when: ExprCore | undefined, pieces: ClassPiece[]): void {
  if (text !== '') pieces.push({ kind: 'word', word: text, when });
}

/** The expressions a class or style input holds. */
export function inputExprs(input: unknown): ExprCore[] {
  const core = coreOf(input);
  if (core) return [core];
  if (typeof input !== 'object' || input === null) return [];
  return Object.values(input).flatMap(inputExprs);
}
