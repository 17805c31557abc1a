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

/** The name that stands for another try of what could not be shown; no handler can have it. */
export const retryName = ' retry';

const uncalled = new WeakSet<object>();

/** What makes calls of a handler: `handlers.add`, which by itself is none yet. */
export function handlerCaller(handler: string): (...args: unknown[]) => HandlerCall {
  const caller = (...args: unknown[]): HandlerCall => new HandlerCall(handler, args);
  uncalled.add(caller);
  return caller;
}

/**
 * Returns true for a function that receives the event and returns the call of a handler: `(event) => handlers.move(event.key)`.
 * A function without a parameter is a mistake, and is not run: `() => save()`.
 */
export function isListenerFunction(candidate: unknown): candidate is (event: unknown) => unknown {
  return typeof candidate === 'function' && candidate.length > 0 && !uncalled.has(candidate);
}

export function isHandlerCall(candidate: unknown): candidate is HandlerCall {
  return typeof candidate === 'object' && candidate !== null && callBrand in candidate;
}
