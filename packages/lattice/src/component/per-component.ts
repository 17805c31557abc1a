import type { ComponentCore } from './core.js';

const kept: { current: WeakMap<ComponentCore, unknown> }[] = [];

/** Works something out once for each component. */
export function perComponent<Value>(make: (core: ComponentCore) => Value): (core: ComponentCore) => Value {
  const values: { current: WeakMap<ComponentCore, unknown> } = { current: new WeakMap() };
  kept.push(values);
  return (core) => {
    let value = values.current.get(core) as Value | undefined;
    if (value === undefined) {
      value = make(core);
      values.current.set(core, value);
    }
    return value;
  };
}

/** Forgets all that was worked out, since a component has become another: while a page is being developed. */
export function forgetComponents(): void {
  for (const values of kept) values.current = new WeakMap();
}
