import type { Attach } from './block.js';

/** An element that stays for its animation when it is removed. */
export interface Going extends HTMLElement {
  isGoing?: boolean;
}

/**
 * Has an element stay in the page, with a class and inert, until its animations and transitions have ended. A visitor who asks
 * for less motion sees it go at once.
 */
export function going(className: string): Attach {
  return (node) => {
    const element = node as Going;
    element.isGoing = false;
    element.remove = () => {
      const end = (): void => Element.prototype.remove.call(element);
      if (element.isGoing || !element.isConnected || matchMedia('(prefers-reduced-motion: reduce)').matches)
        return end();
      element.isGoing = true;
      element.inert = true;
      element.classList.add(...className.split(/\s+/));
      // One that never ends is not waited for.
      const all = element
        .getAnimations({ subtree: true })
        .filter(({ effect }) => effect?.getComputedTiming().endTime !== Number.POSITIVE_INFINITY)
        .map(({ finished }) => finished);
      void Promise.allSettled(all).then(end);
    };
  };
}
