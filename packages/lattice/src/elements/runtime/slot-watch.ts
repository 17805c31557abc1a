import { blankSlot, isBlank } from '../../template/blank.js';
import type { FillerHost } from './fillers.js';
import type { Feature, Instance } from './instance.js';

type Fills = ({ isFilled(): boolean } | undefined)[];

/** Follows whether an element's slots, named in their order, are filled: by its children, and their slot attributes. */
export function slotWatch(...names: readonly string[]): (instance: Instance) => Feature {
  return (instance) => {
    const { scope, host, live } = instance;
    Object.assign(scope, { fills: [] });
    const before = (): void => {
      const fills = scope.fills as Fills;
      for (const [index, name] of names.entries()) {
        const isIn = (slot: string): boolean => [...host.childNodes].some((child) => slotOf(child) === slot);
        const filled =
          Object.hasOwn((host as FillerHost).fillers ?? {}, name) ||
          (isIn(name) && !(name === blankSlot && isIn('default')));
        if (filled === (fills[index] !== undefined)) continue;
        fills[index] = filled ? { isFilled: () => true } : undefined;
        instance.changed(live.mask[`slot ${name}`]);
      }
    };
    let isWatched = false;
    return {
      refilled: before,
      before() {
        const options = {
          childList: true,
          subtree: true,
          attributes: true,
          attributeFilter: ['slot'],
          characterData: true,
        };
        if (!isWatched) new MutationObserver(before).observe(host, options);
        isWatched = true;
        before();
      },
    };
  };
}

/** The slot a child goes to. */
function slotOf(child: ChildNode): string | undefined {
  if (child instanceof Element) return child.slot === '' ? 'default' : child.slot;
  if (!(child instanceof Text)) return undefined;
  return isBlank(child.data) ? blankSlot : 'default';
}
