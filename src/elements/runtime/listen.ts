import type { Scope } from '../../template/scope.js';
import type { Attach } from './block.js';

/** Calls a handler when an event comes. */
export function listen(
  type: string,
  handler: string,
  args: (scope: Scope) => readonly unknown[],
  level = 0,
): Attach {
  return (node, scopes, _block, instance) => {
    node.addEventListener(type, (event) =>
      instance.call(
        handler,
        instance.live.handlers?.[handler],
        { event },
        // Arguments may read the event itself, such as its detail.
        args({ ...(scopes[level] as Scope), event }),
      ),
    );
  };
}
