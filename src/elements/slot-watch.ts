import type { ComponentCore } from '../component/index.js';
import type { Instance } from './instance.js';

type Fills = ({ isFilled(): boolean } | undefined)[];

/** Follows whether an element's slots are filled: by its children, and their slot attributes. */
export class SlotWatch {
  readonly #component: ComponentCore;
  readonly #instance: Instance;

  constructor(component: ComponentCore, instance: Instance) {
    this.#component = component;
    this.#instance = instance;
    const options = {
      childList: true,
      subtree: true,
      attributes: true,
      attributeFilter: ['slot'],
      characterData: true,
    };
    new MutationObserver(() => this.read()).observe(instance.host, options);
  }

  read(): void {
    const { bits, frame, host } = this.#instance;
    const fills = frame.fills as Fills;
    for (const [index, name] of this.#component.slots.names.entries()) {
      const filled = [...host.childNodes].some((child) => slotOf(child) === name);
      if (filled === (fills[index] !== undefined)) continue;
      fills[index] = filled ? { isFilled: () => true } : undefined;
      this.#instance.changed(bits.of(`slot ${name}`));
    }
  }
}

/** The slot a child goes to; white space alone fills nothing. */
function slotOf(child: ChildNode): string | undefined {
  if (child instanceof Element) return child.slot === '' ? 'default' : child.slot;
  return child instanceof Text && child.data.trim() !== '' ? 'default' : undefined;
}
