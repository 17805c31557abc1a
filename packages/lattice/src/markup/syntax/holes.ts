/**
 * Interpolations are taken out before HTML is parsed and a mark of the same length is put in their place, so that `<`, quotes
 * and tags inside an expression never meet the HTML parser, and every offset stays what it was. The marks are made of
 * characters that no text may have (https://infra.spec.whatwg.org/#noncharacter).
 */
const start = '\uFDD0';
const stop = '\uFDD1';
const pad = '\uFDD2';
const digits = [...'\uFDD3\uFDD4\uFDD5\uFDD6\uFDD7\uFDD8\uFDD9\uFDDA\uFDDB\uFDDC\uFDDD\uFDDE\uFDDF'];

/** One `{{ … }}` of a text. */
export interface Hole {
  /** What stands between the braces. */
  readonly expression: string;
  /** Where the first brace stands. */
  readonly at: number;
  /** As it was written, braces and all. */
  readonly whole: string;
}

/** A text with its interpolations marked, or what is wrong with them. */
export interface Marked {
  readonly text: string;
  readonly holes: readonly Hole[];
  /** Where braces were opened and never closed. */
  readonly unclosed: number | undefined;
}

/** Marks the interpolations of a text. Braces in an expression's texts do not end it. */
export function markHoles(text: string): Marked {
  const holes: Hole[] = [];
  // Where a text has the marks' own characters they are no marks: they become the sign for a character that cannot be.
  const source = text.replace(/[\uFDD0-\uFDDF]/g, '\uFFFD');
  let marked = '';
  let at = 0;
  for (;;) {
    const open = source.indexOf('{{', at);
    if (open < 0) return { text: marked + source.slice(at), holes, unclosed: undefined };
    const end = endOf(source, open + 2);
    if (end === undefined) return { text: marked + source.slice(at), holes, unclosed: open };
    const whole = source.slice(open, end + 2);
    marked += source.slice(at, open) + markOf(holes.length, whole.length);
    holes.push({ expression: source.slice(open + 2, end), at: open, whole });
    at = end + 2;
  }
}

/** Where an interpolation's closing braces stand; those inside quotes do not count, unless the quotes never close. */
function endOf(text: string, from: number): number | undefined {
  let quote = '';
  for (let at = from; at < text.length; at++) {
    const char = text[at];
    if (quote !== '') {
      if (char === '\\') at++;
      else if (char === quote) quote = '';
      else if (char === '\n') break;
    } else if (char === "'" || char === '"') quote = char;
    else if (char === '}' && text[at + 1] === '}') return at;
    else if (char === '{' && text[at + 1] === '{') return undefined;
  }
  if (quote === '') return undefined;
  const plain = text.indexOf('}}', from);
  return plain < 0 ? undefined : plain;
}

function markOf(index: number, length: number): string {
  let number = '';
  for (let rest = index; ; rest = Math.floor(rest / digits.length)) {
    number = digits[rest % digits.length] + number;
    if (rest < digits.length) break;
  }
  // An interpolation too short for its number cannot be told apart from others, so its number is written in full all the same:
  // only then the offsets behind it move, and only for the parser.
  return start + number.padStart(length - 2, pad) + stop;
}

const markPattern = /\uFDD0[\uFDD2-\uFDDF]*\uFDD1/g;

/** A text between interpolations, or an interpolation. */
export type Piece = string | Hole;

/** Cuts a parsed text into its plain pieces and its interpolations. */
export function pieces(text: string, holes: readonly Hole[]): readonly Piece[] {
  const found: Piece[] = [];
  let at = 0;
  for (const mark of text.matchAll(markPattern)) {
    if (mark.index > at) found.push(text.slice(at, mark.index));
    const hole = holes[numberOf(mark[0])];
    if (hole) found.push(hole);
    at = mark.index + mark[0].length;
  }
  if (at < text.length) found.push(text.slice(at));
  return found;
}

/** The text with its interpolations as they were written. */
export function unmarked(text: string, holes: readonly Hole[]): string {
  return pieces(text, holes)
    .map((piece) => (typeof piece === 'string' ? piece : piece.whole))
    .join('');
}

/** The facts of a problem with interpolations as they were written, wherever a mark got into them. */
export function unmarkedFacts<Facts>(facts: Facts, holes: readonly Hole[]): Facts {
  const entries = Object.entries(facts as object).map(([name, value]) => [
    name,
    typeof value === 'string' && /[\uFDD0-\uFDDF]/.test(value)
      ? unmarked(value, holes).replace(/[\uFDD0-\uFDDF]/g, '')
      : value,
  ]);
  return Object.fromEntries(entries) as Facts;
}

export function hasHole(text: string): boolean {
  return text.includes(start);
}

function numberOf(mark: string): number {
  let number = 0;
  for (const char of mark) {
    const digit = digits.indexOf(char);
    if (digit >= 0) number = number * digits.length + digit;
  }
  return number;
}
