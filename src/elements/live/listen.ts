import type { Frame } from '../../template/frame.js';
import type { Attach } from './block.js';

/** Calls a handler when an event comes. */
export function listen(
  type: string,
  handler: string,
  args: (frame: Frame, event: Event) => readonly unknown[],
  scope = 0,
): Attach {
  return (node, frames, _block, instance) => {
    node.addEventListener(type, (event) =>
      instance.call(
        handler,
        instance.live.handlers?.[handler],
        { event },
        args(frames[scope] as Frame, event),
      ),
    );
  };
}
