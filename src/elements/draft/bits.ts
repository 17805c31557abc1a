import { type ExprCore, inputsOf } from '../../template/index.js';

/**
 * Numbers what a template's expressions read, a bit each, so that a change touches just the places that read it.
 * Past 30 things the last bit stands for all the others: those places are looked at more often, never less.
 */
export class Bits {
  readonly #bits = new Map<string, number>();
  /** The bits of items, row numbers and slot data, all together. */
  locals = 0;

  of(name: string): number {
    let bit = this.#bits.get(name);
    if (bit === undefined) {
      bit = 1 << Math.min(this.#bits.size, 30);
      this.#bits.set(name, bit);
      if (name.startsWith('local')) this.locals |= bit;
    }
    return bit;
  }

  /** What has a bit, with it. */
  entries(): Iterable<readonly [name: string, bit: number]> {
    return this.#bits.entries();
  }

  /** The bits of everything an expression reads. */
  read(core: ExprCore): number {
    const { op } = core;
    switch (op.op) {
      case 'prop':
      case 'state':
        return this.of(`${op.op} ${op.name}`);
      case 'shared':
        return this.of(`shared ${op.name}`);
      case 'filled':
        return this.of(`slot ${op.slot}`);
      case 'local':
        return this.of(`local ${op.local}`);
      default:
        return inputsOf(core).reduce((bits, input) => bits | this.read(input), 0);
    }
  }
}
