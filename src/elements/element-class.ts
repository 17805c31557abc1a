import {
  type AnyComponent,
  type AnyKind,
  attributeOf,
  type ComponentCore,
  componentCore,
  type PropsOf,
  perComponent,
  settle,
  unreadable,
} from '../component/index.js';
import { failure, finding } from '../problem/index.js';
import type { Frame } from '../template/index.js';
import { notAComponent, planOf, propFault, sharesOf, usesSlots } from '../tree/index.js';
import { Adoption, MarkupDiffers } from './adoption.js';
import { Bits } from './bits.js';
import { viewOf } from './build.js';
import { Field, fieldMembers } from './field.js';
import type { Filler } from './fillers.js';
import { Instance } from './instance.js';
import { Consumed, Providing } from './shared-data.js';
import { sheetsOf } from './sheets.js';
import { SlotWatch } from './slot-watch.js';
import type { Numbers, Scope, View } from './view.js';

// What the class has for itself: names of props are its users' to choose.
const internals: unique symbol = Symbol('internals');
const field: unique symbol = Symbol('field');
/** The method that shows an element anew; its name is kept apart from the page's. */
export const rebuild: unique symbol = Symbol('rebuild');
const take: unique symbol = Symbol('take');
const give: unique symbol = Symbol('give');

/** What all elements of one component share: made when the first of them is connected. */
interface Shared {
  readonly view: View;
  readonly numbers: Numbers;
  readonly scope: Scope;
  readonly readsFilled: boolean;
}

const classes = new WeakMap<ComponentCore, CustomElementConstructor>();

/** What a component's view needs, and the components that are elements in it. */
export const sharedOf: (component: ComponentCore) => Shared = /* @__PURE__ */ perComponent((component) => {
  const numbers: Numbers = { next: 1, uses: new Set(), styled: new Set() };
  const scope: Scope = { index: 0, bits: new Bits(), use: undefined, mark: undefined };
  const { content } = planOf(component);
  const view = viewOf(content, numbers, { scope, depth: 0, isSvg: false, isOutermost: true });
  return { view, numbers, scope, readsFilled: usesSlots(content) };
});

/** The class of a component's element: an `HTMLElement` with the component's props as properties. */
export type ElementClass<C> = new () => HTMLElement & { -readonly [K in keyof PropsOf<C>]: PropsOf<C>[K] };

/**
 * The class of a component's custom element, to define under a name of one's own or to extend.
 *
 * @throws LatticeError `component-unknown`
 * @example customElements.define('crate-counter', elementClass(CrateCounter));
 */
export function elementClass<C extends AnyComponent>(component: C): ElementClass<C> {
  const core = componentCore(component);
  if (!core) throw failure(notAComponent(component));
  return classOf(core) as ElementClass<C>;
}

/** The class of a component known by its core. */
export function classOf(core: ComponentCore): CustomElementConstructor {
  let made = classes.get(core);
  if (!made) {
    made = makeClass(core);
    classes.set(core, made);
  }
  return made;
}

function makeClass(core: ComponentCore): CustomElementConstructor {
  const { names } = core.props;
  const attributes = names.map(attributeOf);

  class LatticeElement extends HTMLElement {
    static readonly observedAttributes = attributes;
    static readonly formAssociated = core.field !== undefined;
    readonly [internals] = core.field ? this.attachInternals() : undefined;
    readonly #values: unknown[] = core.props.kinds.map((kind) => kind.settings.fallbackValue);
    readonly #instance: Instance;
    readonly #frame: Frame;
    #slots: SlotWatch | undefined;

    constructor() {
      super();
      const { scope } = sharedOf(core);
      const root =
        this.shadowRoot ?? this.attachShadow({ mode: 'open', delegatesFocus: core.field !== undefined });
      root.adoptedStyleSheets = sheetsOf(core, sharedOf(core).numbers.styled);
      this.#frame = {
        name: core.name,
        props: this.#values,
        locals: [],
        fills: [],
        owner: undefined,
        site: undefined,
        at: [''],
        state: undefined,
        shared: undefined,
        accepted: undefined,
      };
      this.#instance = new Instance(core, this, this.#frame, scope.bits);
      if (core.field && this[internals])
        this.#instance.field = new Field(core.field, this.#instance, this[internals]);
      if (core.provides) this.#instance.providing = new Providing(this.#instance);
      const shares = sharesOf(core);
      if (shares.length > 0) {
        this.#instance.consumed = new Consumed(shares, this.#instance);
        this.#frame.shared = this.#instance.consumed.values;
      }
      for (const name of names) if (Object.hasOwn(this, name)) this.#upgrade(name);
    }

    get [field](): Field {
      return this.#instance.field as Field;
    }

    /** New functions to fill slots that hand data: what they filled is made anew. */
    refill(): void {
      this.#instance.refills = true;
      const { bits } = sharedOf(core).scope;
      for (const name of core.slots.names) this.#instance.block?.update(0, bits.of(`slot ${name}`));
      this.#instance.refills = false;
    }

    /** A reset of the form brings back the first state. */
    formResetCallback(): void {
      if (core.state) this.#instance.change(core.state(this.#instance.props));
    }

    formDisabledCallback(disabled: boolean): void {
      const index = names.indexOf('disabled');
      if (index >= 0) this[take](index, disabled);
    }

    formStateRestoreCallback(text: unknown): void {
      if (typeof text === 'string') this.#instance.field?.restore(text);
    }

    /** A value that was set before the element was defined goes through the property that now is there. */
    #upgrade(name: string): void {
      // A prop's name is known only as text: no declared type has it.
      const self = this as unknown as Record<string, unknown>;
      const value = self[name];
      delete self[name];
      self[name] = value;
    }

    /** Shows the component anew, which has become another while the page is being developed. */
    [rebuild](keepsState: boolean): void {
      const { numbers, scope } = sharedOf(core);
      const state = keepsState ? this.#frame.state : undefined;
      const root = this.shadowRoot as ShadowRoot;
      this.#instance.leave();
      this.#instance.bits = scope.bits;
      root.adoptedStyleSheets = sheetsOf(core, numbers.styled);
      root.replaceChildren();
      this.#build(state);
      if (this.isConnected) this.#instance.enter();
    }

    connectedCallback(): void {
      for (const name of [...names, 'fillers']) if (Object.hasOwn(this, name)) this.#upgrade(name);
      if (!this.#instance.block) {
        this.#instance.consumed?.request();
        this.#build();
        this.#instance.providing?.announce();
        this.#instance.field?.sync();
      }
      this.#instance.enter();
    }

    disconnectedCallback(): void {
      // A move is a leave and a return in one turn: only who is still out then has left.
      queueMicrotask(() => {
        if (!this.isConnected) this.#instance.leave();
      });
    }

    /** Moved by the browser in one step: nothing to do, and nothing lost. */
    connectedMoveCallback(): void {}

    attributeChangedCallback(attribute: string, _before: string | null, text: string | null): void {
      const index = attributes.indexOf(attribute);
      const kind = core.props.kinds[index] as AnyKind;
      const value = text === null ? undefined : kind.rules.read(text);
      if (value === unreadable) {
        const fault = `takes ${kind.rules.expected}, and its attribute ${attribute}=${JSON.stringify(text)} cannot be read as that`;
        this.#instance.report(
          finding('prop-invalid', { component: core.name, prop: names[index] as string, fault }),
        );
      } else this[take](index, value);
    }

    /** Takes a prop's value: one that does not fit is told, and the value before is kept. */
    [take](index: number, given: unknown): void {
      const kind = core.props.kinds[index] as AnyKind;
      const found = given === undefined ? undefined : propFault(core, index, given);
      if (found) return this.#instance.report(found);
      const value = given === undefined ? kind.settings.fallbackValue : settle(kind, given);
      const before = this.#values[index];
      if (Object.is(before, value)) return;
      this.#values[index] = value;
      const name = names[index] as string;
      this.#instance.changed(sharedOf(core).scope.bits.of(`prop ${name}`));
      if (this.#instance.block) this.#instance.react(name, before);
    }

    [give](index: number): unknown {
      return this.#values[index];
    }

    #build(kept?: Frame['state']): void {
      const { view, readsFilled } = sharedOf(core);
      for (const fault of planOf(core).faults) this.#instance.report(fault.finding);
      for (const [index, value] of this.#values.entries()) {
        const found = value === undefined ? propFault(core, index, value) : undefined;
        if (found) this.#instance.report(found);
      }
      if (core.state) this.#frame.state = kept ?? { ...core.state(this.#instance.props) };
      if (readsFilled) this.#slots ??= new SlotWatch(core, this.#instance);
      this.#slots?.read();
      const root = this.shadowRoot as ShadowRoot;
      if (root.firstChild && this.#adopt(view, root)) return;
      const { block, fragment } = view.create([this.#frame], this.#instance);
      this.#instance.block = block;
      root.replaceChildren(fragment);
    }

    /** Takes over what a server wrote; what is not as it should be is told, and made anew. */
    #adopt(view: View, root: ShadowRoot): boolean {
      const instance = this.#instance;
      const { firstChild } = root;
      // Its rules are the shared style sheet's from now on.
      if (firstChild instanceof HTMLStyleElement) firstChild.remove();
      instance.adoption = new Adoption();
      try {
        const { block, next } = view.adopt(root.firstChild, root, [this.#frame], instance);
        if (next) throw new MarkupDiffers('the shadow root has more in it');
        instance.block = block;
        return true;
      } catch (thrown) {
        if (!(thrown instanceof MarkupDiffers)) throw thrown;
        instance.differs(thrown.message);
        return false;
      } finally {
        instance.adoption = undefined;
      }
    }
  }

  for (const [index, name] of names.entries()) {
    Object.defineProperty(LatticeElement.prototype, name, {
      configurable: true,
      enumerable: true,
      get(this: LatticeElement) {
        return this[give](index);
      },
      set(this: LatticeElement, value: unknown) {
        this[take](index, value);
      },
    });
  }
  if (core.slots.kinds.some((kind) => kind.hands)) {
    const given = new WeakMap<object, Readonly<Record<string, Filler>>>();
    Object.defineProperty(LatticeElement.prototype, 'fillers', {
      configurable: true,
      get(this: LatticeElement) {
        return given.get(this);
      },
      set(this: LatticeElement, fillers: Readonly<Record<string, Filler>>) {
        given.set(this, fillers);
        this.refill();
      },
    });
  }
  if (core.field) {
    fieldMembers(
      LatticeElement,
      (host: LatticeElement) => host[internals] as ElementInternals,
      (host: LatticeElement) => host[field],
    );
  }
  return LatticeElement;
}
