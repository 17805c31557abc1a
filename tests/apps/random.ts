/** A source of random numbers that a seed decides: the same app for the same seed, everywhere. */
export class Dice {
  #seed: number;

  constructor(seed: number) {
    this.#seed = (seed * 2_654_435_761 + 88_675_123) >>> 0 || 1;
  }

  /** A whole number from 0 on, below `limit` (xorshift, 32 bits). */
  below(limit: number): number {
    let x = this.#seed;
    x ^= x << 13;
    x ^= x >>> 17;
    x ^= x << 5;
    this.#seed = x >>> 0;
    return this.#seed % limit;
  }

  from(least: number, most: number): number {
    return least + this.below(most - least + 1);
  }

  one<Item>(items: readonly Item[]): Item {
    return items[this.below(items.length)] as Item;
  }

  /** True once in so many times. */
  seldom(times = 3): boolean {
    return this.below(times) === 0;
  }

  many<Item>(least: number, most: number, make: (index: number) => Item): Item[] {
    return Array.from({ length: this.from(least, most) }, (_, index) => make(index));
  }
}
