import type { Feature, Instance } from './instance.js';

/** Keeps fields of the state and props the same, whichever of the two is set. */
export function followed(props: Readonly<Record<string, string>>): (instance: Instance) => Feature {
  return (instance) => {
    const { change, live, scope, take } = instance;
    const pairs = Object.entries(props).map(
      ([field, prop]) => [field, live.props.findIndex(({ name }) => name === prop)] as const,
    );
    const state = (): Record<string, unknown> => (scope.state ?? {}) as Record<string, unknown>;
    instance.take = (index, given) => {
      take.call(instance, index, given);
      for (const [field, at] of pairs)
        if (at === index && scope.state && !Object.is(state()[field], scope.props[at]))
          instance.change({ [field]: scope.props[at] });
    };
    instance.change = (changes) => {
      change.call(instance, changes);
      for (const [field, at] of pairs)
        if (!Object.is(state()[field], scope.props[at])) instance.take(at, state()[field]);
    };
    return {};
  };
}
