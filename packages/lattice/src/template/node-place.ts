const placeBrand = Symbol.for('zesty-lattice.node-place');

/** Says of an element of a template that it has one of the names in its component's `nodes`. */
export class NodePlace {
  readonly [placeBrand] = true;
  readonly name: string;
  /** The tag that it is to have. */
  readonly tag: string | undefined;
  /** What tells it from others of that name: a value, or an expression of one. */
  readonly key: unknown;

  constructor(name: string, tag: string | undefined, key: unknown) {
    this.name = name;
    this.tag = tag;
    this.key = key;
  }
}

export function isNodePlace(candidate: unknown): candidate is NodePlace {
  return typeof candidate === 'object' && candidate !== null && placeBrand in candidate;
}
