import type { Feature, Instance } from './instance.js';
import { internalsOf } from './internals.js';

type Of = (context: never) => Readonly<Record<string, unknown>>;

/** Sets the role and the ARIA properties that an element has by itself. */
export function aria(of: Of): (instance: Instance) => Feature {
  return (instance) => {
    const set = (): void => {
      const internals = internalsOf(instance) as unknown as Record<string, string | null>;
      for (const [name, value] of Object.entries(of(instance.context() as never)))
        internals[name] = value === undefined || value === null ? null : String(value);
    };
    return { after: set, shown: set };
  };
}
