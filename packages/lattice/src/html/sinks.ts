import { type ComponentCore, perComponent } from '../component/index.js';
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

/** What a component came to last, so that the next buffer for it need not grow. */
export interface LastBytes {
  bytes: number;
  /** Whether it had characters of more than one byte. */
  isWide: boolean;
}

export const lastBytes: (component: ComponentCore) => LastBytes = /* @__PURE__ */ perComponent(() => ({
  bytes: 0,
  isWide: false,
}));

/** How much room is made before anything is known to need it. */
const mostExpected = 1_048_576;

/** Gathers text as the bytes of UTF-8, in one buffer that grows. */
export class BytesSink implements Sink {
  private bytes: Uint8Array | undefined;
  private readonly last: LastBytes;
  /** Where it starts: what has to stand before it is known last. */
  private readonly from: number;
  private to: number;
  private isWide: boolean;

  /** @param before how much room to keep for what is put before it */
  constructor(last: LastBytes, before: number) {
    this.last = last;
    this.isWide = last.isWide;
    this.from = before;
    this.to = before;
  }

  take(piece: string): void {
    const { length } = piece;
    // A unit of text is at most three bytes, and most are one. Where not all of it found room, less than four bytes are
    // left over: with four more, as many bytes as units are all of it.
    let bytes = this.withRoom(this.isWide ? length * 3 : length + 4);
    let written = write(piece, bytes, this.to);
    if (written !== length && !this.isWide) {
      this.isWide = true;
      bytes = this.withRoom(length * 3);
      written = write(piece, bytes, this.to);
    }
    this.to += written;
  }

  /** The buffer, with room for so many bytes more. */
  private withRoom(count: number): Uint8Array {
    const most = this.to + count;
    const { bytes } = this;
    if (bytes && most <= bytes.length) return bytes;
    // A little more than the last time: pages of one kind differ a little.
    const expected = Math.min(this.last.bytes + (this.last.bytes >> 3), mostExpected);
    const more = bytesOf(Math.max((bytes?.length ?? 0) * 2, most, expected));
    if (bytes) more.set(bytes.subarray(this.from, this.to), this.from);
    this.bytes = more;
    return more;
  }

  /** All of it, with what comes last, and what stands before it. */
  with(last: string, before = ''): Uint8Array {
    if (last !== '' || this.bytes === undefined) this.take(last);
    const bytes = this.bytes as Uint8Array;
    this.last.bytes = this.to;
    this.last.isWide = this.isWide;
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
