import { Instance } from './instance.js';
import type { Live, LiveClass } from './live.js';

/** The instance behind an element; a symbol, since names of props are their users' to choose. */
export const instanceOf: unique symbol = Symbol();

const classes = new WeakMap<Live, LiveClass>();

/** The class of a component's elements. */
export function classOf(live: Live): LiveClass {
  const made = classes.get(live) ?? makeClass(live);
  classes.set(live, made);
  return made;
}

function makeClass(live: Live): LiveClass {
  const { props, members = [], isField = false } = live;

  class LatticeElement extends HTMLElement {
    static readonly observedAttributes = props.map(({ attribute }) => attribute);
    static readonly formAssociated = isField;
    readonly [instanceOf]: Instance;

    constructor() {
      super();
      const root = this.shadowRoot ?? this.attachShadow({ mode: 'open', delegatesFocus: isField });
      root.adoptedStyleSheets = live.sheets?.() ?? [];
      this[instanceOf] = new Instance(live, this);
      this.#upgrade();
    }

    /** Values that were set before the element was defined go through the properties that now are there. */
    #upgrade(): void {
      for (const [name, value] of Object.entries(this)) {
        if (!(name in LatticeElement.prototype)) continue;
        // A prop's name is known only as text: no declared type has it.
        const self = this as unknown as Record<string, unknown>;
        delete self[name];
        self[name] = value;
      }
    }

    connectedCallback(): void {
      this.#upgrade();
      if (!this[instanceOf].block) this[instanceOf].show();
      this[instanceOf].each('enter');
    }

    disconnectedCallback(): void {
      // A move is a leave and a return in one turn: only who is still out then has left.
      queueMicrotask(() => {
        if (!this.isConnected) this[instanceOf].each('leave');
      });
    }

    /** Moved by the browser in one step: nothing to do, and nothing lost. */
    connectedMoveCallback(): void {}

    attributeChangedCallback(attribute: string, _before: string | null, text: string | null): void {
      this[instanceOf].read(attribute, text);
    }
  }
  for (const [index, { name }] of props.entries()) {
    Object.defineProperty(LatticeElement.prototype, name, {
      configurable: true,
      enumerable: true,
      get(this: LatticeElement) {
        return this[instanceOf].frame.props[index];
      },
      set(this: LatticeElement, value: unknown) {
        this[instanceOf].take(index, value);
      },
    });
  }
  for (const add of members) add(LatticeElement);
  return LatticeElement;
}
