import { dev, printValue, refuseCall } from '../problem/index.js';
import type { Expr } from './expression/expr.js';

/** A value handed down, with the name it goes by. */
export interface Provided {
  readonly share: string;
  readonly value: unknown;
}

/** Data that a component provides and any below it reads, whatever stands in between. */
export class Share<Value> {
  readonly name: string;

  constructor(name: string) {
    this.name = name;
  }

  /** For `provides`: hands this value down. */
  provide(value: Value): Provided {
    return { share: this.name, value };
  }

  /** In a template: the value of the nearest provider above, `undefined` where there is none. */
  read(): Expr<Value | undefined> {
    const found = shareReader.read?.(this.name, this.read);
    if (!found) throw new Error('Shared data is read in a template.');
    return found as Expr<Value | undefined>;
  }
}

/**
 * How a template reads shared data. Whatever runs templates says it, so that a page whose templates have run when it
 * was built passes data down without it.
 */
export const shareReader: { read?: (name: string, readBy: unknown) => Expr<unknown> } = {};

/**
 * Names data that components share. Elements from elsewhere can take part: in a page it is asked for by the
 * community's context protocol, a `context-request` event with this name as its `context`.
 *
 * @throws LatticeError `call-invalid`, during development
 * @example
 * const Basket = share<{ crates: number }>('basket');
 * component('crate-basket', { …, provides: ({ state }) => [Basket.provide({ crates: state.crates })] });
 * component('basket-total', { template: () => el.p(Basket.read().crates) });
 */
export function share<Value>(name: string): Share<Value> {
  if (dev && (typeof name !== 'string' || name === ''))
    refuseCall(
      share,
      'share',
      `expects a name, but received ${printValue(name || undefined)}`,
      "Write share('basket').",
    );
  return new Share<Value>(name);
}
