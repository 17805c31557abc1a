import type { Instance, Part } from './instance.js';

type Fills = ({ isFilled(): boolean } | undefined)[];

/** Follows whether an element's slots, named in their order, are filled: by its children, and their slot attributes. */
export function slotWatch(...names: readonly string[]): (instance: Instance) => Part {
  return (instance) => {
    const { frame, host, live } = instance;
    const before = (): void => {
      const fills = frame.fills as Fills;
      for (const [index, name] of names.entries()) {
        const filled = [...host.childNodes].some((child) => slotOf(child) === name);
        if (filled === (fills[index] !== undefined)) continue;
        fills[index] = filled ? { isFilled: () => true } : undefined;
        instance.changed(live.bit(`slot ${name}`));
      }
    };
    let isWatched = false;
    return {
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

/** The slot a child goes to; white space alone fills nothing. */
function slotOf(child: ChildNode): string | undefined {
  if (child instanceof Element) return child.slot === '' ? 'default' : child.slot;
  return child instanceof Text && child.data.trim() !== '' ? 'default' : undefined;
}
