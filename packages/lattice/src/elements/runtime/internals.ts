import type { Instance } from './instance.js';

const known = new WeakMap<Instance, ElementInternals>();

/** What a browser knows of an element besides its attributes; it is asked for once. */
export function internalsOf(instance: Instance): ElementInternals {
  const found = known.get(instance) ?? instance.host.attachInternals();
  known.set(instance, found);
  return found;
}
