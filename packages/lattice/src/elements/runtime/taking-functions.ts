import { instanceOf } from './element.js';
import type { Instance } from './instance.js';
import type { LiveClass } from './live.js';

interface Host extends HTMLElement {
  readonly [instanceOf]: Instance;
}

/**
 * Lets an element that takes functions be hydrated when the turn ends: no HTML holds functions, and who uses the element sets them
 * when it is hydrated itself.
 */
export function takingFunctions(): (made: LiveClass) => void {
  return (made) => {
    const { connectedCallback } = made.prototype as unknown as { connectedCallback(this: Host): void };
    Object.defineProperty(made.prototype, 'connectedCallback', {
      configurable: true,
      value(this: Host) {
        const enter = (): void => {
          if (this.isConnected) connectedCallback.call(this);
        };
        const isWritten = this[instanceOf].block === undefined && this.shadowRoot?.firstChild;
        if (isWritten) queueMicrotask(enter);
        else enter();
      },
    });
  };
}
