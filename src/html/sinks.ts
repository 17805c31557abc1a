import { perComponent } from '../component/index.js';
import type { Sink } from './pass.js';

/** Gathers text in pieces that are laid out flat while they are new: then nothing has to walk through all of them later. */
export class TextSink implements Sink {
  private text = '';
  /** A character of the last piece: reading one lays a text out that was put together of many. */
  protected read = 0;

  take(piece: string): void {
    this.read = piece.charCodeAt(piece.length >> 1);
    this.text += piece;
  }

  get isEmpty(): boolean {
    return this.text === '';
  }

  /** All of it, with what comes last; then it is empty again. */
  with(last: string): string {
    const all = this.text + last;
    this.text = '';
    return all;
  }
}

/** How much room is kept for a head of a page, or its rules; longer ones are joined in a buffer of their own. */
export const roomBefore = 16_384;

/** How many bytes a component came to last: the next buffer for it is made of that size, so that it need not grow. */
export const lastLength = /* @__PURE__ */ perComponent(() => ({ bytes: 0 }));

/** How much room is made before anything is known to need it. */
const mostExpected = 1_048_576;

/** Gathers text as the bytes of UTF-8, in one buffer that grows. */
export class BytesSink implements Sink {
  private bytes: Uint8Array | undefined;
  private readonly last: { bytes: number };
  /** Where it starts: what has to stand before it is known last. */
  private readonly from: number;
  private to: number;

  /** @param before how much room to keep for what is put before it */
  constructor(last: { bytes: number }, before: number) {
    this.last = last;
    this.from = before;
    this.to = before;
  }

  take(piece: string): void {
    // A unit of text is at most three bytes.
    const most = this.to + piece.length * 3;
    if (this.bytes === undefined || most > this.bytes.length) {
      // With room for one more piece, of which it is not known how many bytes it will be.
      const expected =
        this.last.bytes > piece.length ? Math.min(this.last.bytes, mostExpected) + most - this.to : 0;
      const more = bytesOf(Math.max((this.bytes?.length ?? 0) * 2, most, expected));
      if (this.bytes) more.set(this.bytes.subarray(this.from, this.to), this.from);
      this.bytes = more;
    }
    this.to += write(piece, this.bytes, this.to);
  }

  /** All of it, with what comes last, and what stands before it. */
  with(last: string, before = ''): Uint8Array {
    if (last !== '' || this.bytes === undefined) this.take(last);
    const bytes = this.bytes as Uint8Array;
    this.last.bytes = this.to;
    if (before === '') return trimmed(bytes, this.from, this.to);
    const first = encoder.encode(before);
    const from = this.from - first.length;
    if (from < 0) return joinedBytes(first, bytes.subarray(this.from, this.to));
    bytes.set(first, from);
    return trimmed(bytes, from, this.to);
  }
}

/** A part of a buffer; by itself where it is small in it, so that who keeps it does not keep all of that. */
function trimmed(bytes: Uint8Array, from: number, to: number): Uint8Array {
  const part = bytes.subarray(from, to);
  return part.length * 3 < bytes.length ? new Uint8Array(part) : part;
}

interface NodeBytes extends Uint8Array {
  write(text: string, at: number): number;
}

/** Node's own buffers take text quicker than an encoder gives it. */
const { Buffer } = globalThis as { Buffer?: { allocUnsafe(room: number): NodeBytes } };
const encoder = /* @__PURE__ */ new TextEncoder();

const bytesOf = (room: number): Uint8Array => Buffer?.allocUnsafe(room) ?? new Uint8Array(room);

function write(text: string, to: Uint8Array, at: number): number {
  if (Buffer) return (to as NodeBytes).write(text, at);
  return encoder.encodeInto(text, to.subarray(at)).written;
}

/** Bytes one after another. */
function joinedBytes(...parts: readonly Uint8Array[]): Uint8Array {
  const all = bytesOf(parts.reduce((length, one) => length + one.length, 0));
  let at = 0;
  for (const one of parts) {
    all.set(one, at);
    at += one.length;
  }
  return all;
}
