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
    const { attribute = prop, rule } = live.props[index] as LiveProp;
    let known = scope.props[index];
    let isWatched = false;
    const gather = (): void => {
      // Somebody else says what it is.
      if (scope.props[index] !== known) return observer.disconnect();
      const there = [...host.children].filter(
        (one) => one.localName === tag && (one.slot || 'default') === slot && customElements.get(tag),
      );
      const list = there.map((one) =>
        Object.fromEntries(
          names
            .map((name) => [name, (one as unknown as Readonly<Record<string, unknown>>)[name]])
            .filter(([, value]) => value !== undefined),
        ),
      );
      if (there.length === 0 && host.querySelector(`:scope > ${tag}`)) return;
      if (JSON.stringify(list) === JSON.stringify(known)) return;
      (host as unknown as Record<string, unknown>)[prop] = list;
      known = scope.props[index];
    };
    const observer = new MutationObserver(gather);
    return {
      before() {
        if (isWatched) return;
        isWatched = true;
        // What a server read there stands in the attribute.
        const sent = host.getAttribute(attribute);
        if (sent !== null && JSON.stringify(rule.read(sent)) === JSON.stringify(scope.props[index]))
          known = scope.props[index];
        if (scope.props[index] !== known) return;
        observer.observe(host, { childList: true, subtree: true, attributes: true });
        gather();
        void customElements.whenDefined(tag).then(gather);
      },
    };
  };
}
