/** One thing that is measured: the library's way, and the same written by hand, plainly and as carefully as we know. */
export interface Scenario {
  readonly key: string;
  readonly name: string;
  /** How many rows, fields, or calls one run writes. */
  readonly units: number;
  readonly unit: string;
  ours(): string;
  /** The same as bytes; none where there is no such way. */
  bytes?(): Uint8Array;
  /** None where nobody has written it by hand: then it is compared with other versions alone. */
  plain?(): string;
  careful?(): string;
  /** The careful way into bytes, piece by piece. */
  carefulBytes?(to: Pieces): void;
}

/** Where careful code puts what is ready: text laid out flat, or bytes. */
export interface Pieces {
  take(piece: string): void;
}

export class TextPieces implements Pieces {
  text = '';
  read = 0;

  take(piece: string): void {
    this.read = piece.charCodeAt(piece.length >> 1);
    this.text += piece;
  }
}

export class BytePieces implements Pieces {
  bytes = Buffer.allocUnsafe(32_768);
  length = 0;

  take(piece: string): void {
    const most = this.length + piece.length * 3;
    if (most > this.bytes.length) {
      const more = Buffer.allocUnsafe(Math.max(this.bytes.length * 2, most));
      this.bytes.copy(more, 0, 0, this.length);
      this.bytes = more;
    }
    this.length += this.bytes.write(piece, this.length);
  }
}

/** A careful page: rows in a loop, what is ready passed on every 16 KB. */
export function inPieces<Row>(
  before: string,
  rows: readonly Row[],
  row: (out: string, row: Row, index: number) => string,
  after: string,
): (to: Pieces) => void {
  return (to) => {
    let out = before;
    for (let at = 0; at < rows.length; at++) {
      out = row(out, rows[at] as Row, at);
      if (out.length > 16_384) {
        to.take(out);
        out = '';
      }
    }
    to.take(out + after);
  };
}

export function textOf(write: (to: Pieces) => void): string {
  const to = new TextPieces();
  write(to);
  return to.text;
}
