import type { Scope } from '../../template/scope.js';
import type { Attach } from './block.js';

type Handlers = Readonly<Record<string, unknown>>;

/** Calls a handler when an event comes. */
export function listen(
  type: string,
  handler: string,
  args: (scope: Scope, event: Event) => readonly unknown[],
  level = 0,
): Attach {
  return (node, scopes, block, instance) => {
    node.addEventListener(type, (event) => {
      scopes.enter?.(block);
      instance.call(
        handler,
        (instance.live.handlers as Handlers)[handler],
        { event },
        args(scopes[level] as Scope, event),
      );
    });
  };
}
