import type { Put } from './block.js';

/** Shows a prop of an element of another component, as its property. */
export function property(name: string): Put {
  return (node, value) => {
    // The element has a property for each prop of its component.
    (node as unknown as Record<string, unknown>)[name] = value;
  };
}
