import type { Scope } from '../../template/scope.js';
import { type Attach, keep } from './block.js';
import type { Get } from './text.js';

/** A prop of an element of another component, as its property. */
export function property(name: string, get: Get, mask: number, level = 0): Attach {
  return (node, scopes, block) => {
    keep(block, level, mask, () => {
      // The element has a property for each prop of its component.
      (node as unknown as Record<string, unknown>)[name] = get(scopes[level] as Scope);
    });
  };
}
