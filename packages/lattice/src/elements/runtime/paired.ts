/** What is known of a node of a view that is a part's, or holds one. */
export interface Pair {
  /** The attributes that parts have. */
  readonly own?: readonly string[] | undefined;
  /** The node of a server's that stood for it last. */
  node?: Node;
}

/** Where a node keeps that: a symbol, which no name of a form's control can hide. */
export const pairOf: unique symbol = Symbol();

export interface Paired extends Node {
  [pairOf]?: Pair;
}
