import type { Scope } from '../../template/scope.js';
import type { Attach } from './block.js';

type Handlers = Readonly<Record<string, unknown>>;
type Ways = { readonly passive?: true; readonly once?: true; readonly capture?: true };
type Arguments = (scope: Scope, event: Event) => readonly unknown[];

/** Calls a handler when an event comes. */
export function listen(type: string, handler: string, args: Arguments, level = 0): Attach {
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

/** Calls a handler when an event comes: for some keys alone, or heard in another way than usual. */
export function listenFor(
  type: string,
  handler: string,
  args: Arguments,
  keys?: readonly string[],
  { once, ...options }: Ways = {},
  level?: number,
): Attach {
  const usual = listen(type, handler, args, level);
  return (node, scopes, block, instance) => {
    /** Takes the listener that the node would have, and hears for it. */
    const heard = {
      addEventListener(_type: string, call: (event: Event) => void) {
        const hear = (event: Event): void => {
          if (keys && !keys.includes(keyOf(event as KeyboardEvent))) return;
          if (once) node.removeEventListener(type, hear, options);
          call(event);
        };
        node.addEventListener(type, hear, options);
      },
    };
    usual(heard as Node, scopes, block, instance);
  };
}

/** The key of an event behind those that are held; nothing while a text is being composed, whose keys are the composer's. */
function keyOf({ altKey, ctrlKey, isComposing, key, metaKey, shiftKey }: KeyboardEvent): string {
  if (isComposing) return '';
  const isCharacter = [...key].length === 1;
  const isHeld = ctrlKey || altKey || metaKey;
  return [
    ctrlKey && 'Control',
    altKey && 'Alt',
    metaKey && 'Meta',
    // Of a character alone it is part of the key.
    shiftKey && (!isCharacter || isHeld || key === ' ') && 'Shift',
    isCharacter && isHeld ? key.toLowerCase() : key,
  ]
    .filter(Boolean)
    .join('+');
}
