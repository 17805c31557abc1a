import type { Scope } from '../../template/scope.js';
import type { Attach } from './block.js';

type Handlers = Readonly<Record<string, unknown>>;

type Ways = { readonly passive?: true; readonly once?: true; readonly capture?: true };

/** Calls a handler when an event comes: for some keys alone, or heard in another way than usual. */
export function listenFor(
  type: string,
  handler: string,
  args: (scope: Scope, event: Event) => readonly unknown[],
  keys?: readonly string[],
  ways: Ways = {},
  level = 0,
): Attach {
  return (node, scopes, block, instance) => {
    const { once, ...options } = ways;
    const hear = (event: Event): void => {
      if (keys && !keys.includes(keyOf(event as KeyboardEvent))) return;
      if (once) node.removeEventListener(type, hear, options);
      scopes.enter?.(block);
      instance.call(
        handler,
        (instance.live.handlers as Handlers)[handler],
        { event },
        args(scopes[level] as Scope, event),
      );
    };
    node.addEventListener(type, hear, options);
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
