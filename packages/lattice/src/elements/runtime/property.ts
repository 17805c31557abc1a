import type { Put } from './block.js';

/** Scrolls an element, which a browser does when the element is in a page. */
export function scrolled(name: string): Put {
  const set = property(name);
  return (node, value, instance) => {
    set(node, value, instance);
    if (!node.isConnected) queueMicrotask(() => set(node, value, instance));
  };
}

/** Shows a prop of an element of another component, as its property. */
export function property(name: string): Put {
  return (node, value) => {
    // The element has a property for each prop of its component.
    (node as unknown as Record<string, unknown>)[name] = value;
  };
}
