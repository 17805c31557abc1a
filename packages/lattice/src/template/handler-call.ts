const callBrand = Symbol.for('zesty-lattice.handler-call');

/** A handler with the arguments it is to be called with: `handlers.add(1)`. */
export class HandlerCall {
  readonly [callBrand] = true;
  readonly handler: string;
  /** Plain values and expressions. */
  readonly args: readonly unknown[];

  constructor(handler: string, args: readonly unknown[]) {
    this.handler = handler;
    this.args = args;
  }
}

export function isHandlerCall(candidate: unknown): candidate is HandlerCall {
  return typeof candidate === 'object' && candidate !== null && callBrand in candidate;
}
