import type { Frame } from '../../template/frame.js';
import { type Attach, follow } from './block.js';
import type { Get } from './text.js';

/** A prop of an element of another component, as its property. */
export function property(name: string, get: Get, bits: number, scope = 0): Attach {
  return (node, frames, block) => {
    const run = (): void => {
      // The element has a property for each prop of its component.
      (node as unknown as Record<string, unknown>)[name] = get(frames[scope] as Frame);
    };
    run();
    follow(block, scope, bits, run);
  };
}
