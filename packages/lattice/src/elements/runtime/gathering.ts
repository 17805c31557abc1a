import type { Feature, Instance } from './instance.js';
import type { LiveProp } from './live.js';

/**
 * Reads a prop from an element's children, where nobody sets it: the props of another component's elements in a slot. It
 * follows what comes, goes and changes there.
 */
export function gathering(
  prop: string,
  slot: string,
  tag: string,
  ...names: readonly string[]
): (instance: Instance) => Feature {
  return ({ host, live, scope }) => {
    const index = live.props.findIndex(({ name }) => name === prop);
    const { attribute = prop } = live.props[index] as LiveProp;
    let known = scope.props[index];
    let isWatched = false;
    /** Whether the attribute says what it is: a server read it from the children, or was told. */
    let isSent = false;
    const gather = (): void => {
      // Where the components in the slot are no elements, there is nothing to read.
      if (!customElements.get(tag)) return;
      const there = [...host.children].filter(
        (one) => one.localName === tag && (one.slot || 'default') === slot,
      );
      const list = there.map((one) =>
        Object.fromEntries(
          names.map((name) => [name, Reflect.get(one, name)]).filter(([, value]) => value !== undefined),
        ),
      );
      const now = scope.props[index];
      const isSame = JSON.stringify(list) === JSON.stringify(now);
      if (isSent && isSame) known = now;
      isSent = false;
      // Somebody else says what it is.
      if (now !== known) return observer.disconnect();
      if (isSame) return;
      Reflect.set(host, prop, list);
      known = scope.props[index];
    };
    const observer = new MutationObserver(gather);
    return {
      before() {
        if (isWatched) return;
        isWatched = true;
        isSent = host.hasAttribute(attribute);
        if (!isSent && scope.props[index] !== known) return;
        observer.observe(host, { childList: true, subtree: true, attributes: true });
        gather();
        void customElements.whenDefined(tag).then(gather);
      },
    };
  };
}
