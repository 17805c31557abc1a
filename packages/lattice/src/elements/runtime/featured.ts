import { attempt } from './block.js';
import type { Feature, Instance } from './instance.js';
import type { Live } from './live.js';

/** What an element does besides showing its template: its parts, each made with the element. */
export interface Featured {
  (instance: Instance): void;
  readonly parts: readonly ((instance: Instance) => Feature)[];
}

/** Gives elements what they do besides. Those that have nothing of it load none of this. */
export function featured(...parts: Featured['parts']): Featured {
  const give = (instance: Instance): void => {
    const features: readonly Feature[] = parts.map((part) => part(instance));
    const each: NonNullable<Instance['each']> = (turn, ...args) => {
      for (const one of features) (one[turn] as ((...args: unknown[]) => void) | undefined)?.(...args);
    };
    instance.each = each;
    const { change, live, scope, showChanges, take } = instance;
    const isTaken = (turn: keyof Feature): boolean => features.some((one) => one[turn]);
    if (isTaken('changed'))
      instance.take = (index, given) => {
        const before = scope.props[index];
        take.call(instance, index, given);
        if (instance.block && !Object.is(before, scope.props[index]))
          each('changed', live.props[index]?.name ?? '', before);
      };
    if (isTaken('stated'))
      instance.change = (changes) => {
        change.call(instance, changes);
        each('stated');
      };
    if (isTaken('shown'))
      instance.showChanges = () => {
        showChanges.call(instance);
        attempt(instance, each as (turn: keyof Feature) => void, 'shown', undefined);
      };
  };
  return Object.assign(give, { parts });
}

/** The masks of what a template reads, and one that stands for all else: whoever follows all changes hears of it, too. */
export function masks(known: Live['mask'], rest: number): Live['mask'] {
  return new Proxy(known, { get: (all, name) => all[String(name)] ?? rest });
}
