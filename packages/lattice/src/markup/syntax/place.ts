import type { SourcePlace } from '../../problem/index.js';

/** Tells lines and columns of a text that was read from a file, or that stands somewhere in one. */
export class Places {
  readonly text: string;
  readonly file: string;
  readonly #first: SourcePlace | undefined;
  #starts: readonly number[] | undefined;

  /** `first` says where in the file the text starts, where it is a part of it. */
  constructor(text: string, file: string, first?: SourcePlace) {
    this.text = text;
    this.file = file;
    this.#first = first;
  }

  get starts(): readonly number[] {
    this.#starts ??= [0, ...[...this.text.matchAll(/\n/g)].map((found) => found.index + 1)];
    return this.#starts;
  }

  /** The place of an offset, with the lines around it and a mark under it. */
  at(offset: number): SourcePlace {
    const at = Math.max(0, Math.min(offset, this.text.length));
    let low = 0;
    let high = this.starts.length - 1;
    while (low < high) {
      const middle = Math.ceil((low + high) / 2);
      if ((this.starts[middle] ?? 0) <= at) low = middle;
      else high = middle - 1;
    }
    const column = at - (this.starts[low] ?? 0) + 1;
    const first = this.#first;
    const line = low + (first?.line ?? 1);
    return {
      file: this.file,
      line,
      column: low === 0 && first ? column + first.column - 1 : column,
      frame: this.frame(low, column, line - low),
    };
  }

  /** The line and up to two before it, each with its number, and a mark below the column. */
  frame(line: number, column: number, firstLine: number): string {
    const width = String(line + firstLine).length;
    const lines: string[] = [];
    for (let at = Math.max(0, line - 2); at <= line; at++) {
      const from = this.starts[at] ?? 0;
      let to = this.starts[at + 1] ?? this.text.length;
      // Without its line break.
      for (const sign of ['\n', '\r']) if (to > from && this.text[to - 1] === sign) to--;
      const marked = at === line ? column : undefined;
      lines.push(...frameLine(String(at + firstLine).padStart(width), this.text, from, to, marked));
    }
    return lines.join('\n');
  }
}

/** How much of a line a frame shows. */
const room = 84;

/** A line out of a text, as much of it as there is room for: a line may be the whole of a large file. */
function frameLine(
  number: string,
  text: string,
  start: number,
  end: number,
  column: number | undefined,
): string[] {
  const from = column !== undefined && column > room - 20 ? column - 40 : 0;
  const shown = text.slice(start + from, Math.min(start + from + room, end)).replaceAll('\t', ' ');
  const dots = from > 0 ? '…' : '';
  const line = `${number} │ ${dots}${shown}`.trimEnd();
  if (column === undefined) return [line];
  return [line, `${' '.repeat(number.length)} │ ${' '.repeat(dots.length + column - 1 - from)}^`];
}
