import type { Feature, Instance } from './instance.js';
import { internalsOf } from './internals.js';

type Of = (context: never) => Readonly<Record<string, unknown>>;

/** Sets the states of an element that a style sheet finds as `:state(open)`. */
export function states(of: Of): (instance: Instance) => Feature {
  return (instance) => {
    const set = (): void => {
      const { states: all } = internalsOf(instance);
      for (const [name, isOn] of Object.entries(of(instance.context() as never)))
        if (isOn) all.add(name);
        else all.delete(name);
    };
    return { after: set, shown: set };
  };
}
