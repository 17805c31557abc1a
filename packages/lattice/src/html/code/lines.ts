import { constantCode } from '../../code/constants.js';

/** A part of a text that is put together: constant, one of two by a test, or an expression of a text. */
export type Term =
  | { readonly text: string }
  | { readonly test: string; readonly yes: readonly Term[]; readonly no: readonly Term[] }
  | {
      readonly code: string;
      /** Whether it may give a number: two of those beside each other would be added. */
      readonly isNumber?: boolean;
    };

/** How long text may be that is written into both sides of a choice. */
export const mostTwice = 80;

/** Terms with texts beside each other joined, and drawn into both sides of choices that start or end with text. */
export class Terms {
  readonly list: Term[] = [];

  add(term: Term): void {
    const last = this.list.at(-1);
    if ('text' in term && term.text === '') return;
    if (last && 'text' in last && 'text' in term) this.replace({ text: last.text + term.text });
    else if (last && 'text' in last && 'test' in term && takes(term, last.text, 0))
      this.replace(withText(term, last.text, ''));
    else if (last && 'test' in last && 'text' in term && takes(last, term.text, -1))
      this.replace(withText(last, '', term.text));
    else this.list.push(term);
  }

  private replace(term: Term): void {
    this.list[this.list.length - 1] = term;
  }
}

type Choice = Extract<Term, { readonly test: string }>;

/** Whether one text less is put together where a text beside a choice stands in both of its sides. */
function takes({ yes, no }: Choice, text: string, at: 0 | -1): boolean {
  return text.length <= mostTwice && [yes, no].some((side) => 'text' in (side.at(at) ?? { text: '' }));
}

function withText({ test, yes, no }: Choice, before: string, after: string): Choice {
  const around = (side: readonly Term[]): readonly Term[] => {
    const terms = new Terms();
    for (const term of [{ text: before }, ...side, { text: after }]) terms.add(term);
    return terms.list;
  };
  return { test, yes: around(yes), no: around(no) };
}

/** Terms as an expression of the text that they are together; of one that may be a number alone, it may be that. */
export function sumOf(terms: readonly Term[]): string {
  const [first, second] = terms;
  if (!first) return "''";
  const start = second && mayBeNumber(first) && mayBeNumber(second) ? "'' + " : '';
  return start + terms.map(termCode).join(' + ');
}

function mayBeNumber(term: Term): boolean {
  if ('text' in term) return false;
  if ('code' in term) return term.isNumber === true;
  return [term.yes, term.no].some(([only, ...more]) => only && more.length === 0 && mayBeNumber(only));
}

function termCode(term: Term): string {
  if ('text' in term) return constantCode(term.text);
  if ('code' in term) return term.code;
  return `(${term.test} ? ${sumOf(term.yes)} : ${sumOf(term.no)})`;
}

/** Lines of code, each as deep as what it stands in. */
export class Lines {
  private readonly all: { text: string }[] = [];
  private depth = 1;

  /** The lines so far. */
  get list(): readonly string[] {
    return this.all.flatMap(({ text }) => (text === '' ? [] : [text]));
  }

  add(line: string): void {
    this.place()(line);
  }

  /** Keeps a place for a line that may turn out to be needed, and returns what writes it there. */
  place(): (line: string) => void {
    const place = { text: '' };
    const indent = '  '.repeat(this.depth);
    this.all.push(place);
    return (line) => {
      place.text = indent + line;
    };
  }

  /** What stands between two lines, one step deeper; the first is left out where the line before is its start. */
  inside(start: string | undefined, end: string, work: () => void): void {
    if (start !== undefined) this.add(start);
    this.depth++;
    work();
    this.depth--;
    this.add(end);
  }
}
