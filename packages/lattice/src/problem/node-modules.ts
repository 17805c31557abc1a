declare const process: { getBuiltinModule?(name: string): unknown } | undefined;

/**
 * A module that Node has, where this runs in Node or what has its modules; undefined elsewhere. An import would not do: no
 * bundler for an edge runtime could resolve it (https://nodejs.org/api/process.html#processgetbuiltinmoduleid).
 *
 * @example
 * const files = nodeModule<typeof import('node:fs')>('node:fs');
 */
export function nodeModule<Module>(name: string): Module | undefined {
  return typeof process === 'object' ? (process.getBuiltinModule?.(name) as Module | undefined) : undefined;
}
