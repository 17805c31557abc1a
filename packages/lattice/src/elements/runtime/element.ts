import { Instance } from './instance.js';
import type { Live, LiveClass, LiveProp } from './live.js';

/** The instance behind an element; a symbol, since names of props are their users' to choose. */
export const instanceOf: unique symbol = Symbol();

/** The class of a component's elements. */
export function classOf(live: Live): LiveClass {
  if (live.made) return live.made;
  const { props } = live;

  class LatticeElement extends HTMLElement {
    static readonly [instanceOf] = live;
    static readonly observedAttributes = props.map(({ attribute, name }) => attribute ?? name);
    declare readonly [instanceOf]: Instance;

    constructor() {
      super();
      if (!this.shadowRoot) this.attachShadow({ mode: 'open', ...live.root });
      this[instanceOf] = new Instance(live, this);
    }

    connectedCallback(): void {
      const instance = this[instanceOf];
      // A prop's name is known only as text: no declared type has it.
      const own = this as unknown as Record<string, unknown>;
      // Values that were set before the element was defined go through the properties that now are there.
      for (const name of Object.keys(own))
        if (name in LatticeElement.prototype)
          try {
            const value = own[name];
            delete own[name];
            own[name] = value;
          } catch (thrown) {
            instance.fail(thrown);
          }
      // Props may be set behind the line that puts an element in: they are waited for until the turn ends.
      if (!instance.block) instance.show(true);
      instance.each?.('enter');
    }

    attributeChangedCallback(attribute: string, _before: string | null, text: string | null): void {
      const index = LatticeElement.observedAttributes.indexOf(attribute);
      // Without a text the prop is as if it were not given.
      this[instanceOf].take(index, text === null ? undefined : (props[index] as LiveProp).rule.read(text));
    }
  }
  props.forEach(({ name }, index) => {
    Object.defineProperty(LatticeElement.prototype, name, {
      configurable: true,
      enumerable: true,
      get(this: LatticeElement) {
        return this[instanceOf].scope.props[index];
      },
      set(this: LatticeElement, value: unknown) {
        this[instanceOf].take(index, value);
      },
    });
  });
  live.made = LatticeElement;
  live.members?.map((add) => add(LatticeElement));
  return LatticeElement;
}
