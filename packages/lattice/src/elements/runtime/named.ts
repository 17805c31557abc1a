import type { Scope } from '../../template/scope.js';
import type { Attach } from './block.js';
import { itself } from './dom.js';
import type { Going } from './going.js';
import type { Feature, Instance } from './instance.js';
import type { Get } from './text.js';

interface Kept {
  readonly node: Node;
  /** What tells it from others of its name now: a row may have become another one's. */
  readonly key: (() => unknown) | undefined;
}

const kept = new WeakMap<Instance, Map<string, Kept[]>>();

/** Keeps an element by a name that its component's functions know it by. */
export function named(name: string, key?: Get, level = 0): Attach {
  return (node, scopes, block, instance) => {
    const all = kept.get(instance)?.get(name);
    all?.push({
      // Functions hand it on, as `new FormData(form)` does.
      node: itself(node),
      key:
        key &&
        (() => {
          scopes.enter?.(block);
          return key(scopes[level] as Scope);
        }),
    });
  };
}

/** Hands the nodes that have names to the functions of a component: each while it is in the element. */
export function naming(...names: readonly (readonly [name: string, isKeyed: boolean])[]) {
  return (instance: Instance): Feature => {
    const known = new Map(names.map(([name]): [string, Kept[]] => [name, []]));
    kept.set(instance, known);
    const isThere = ({ node }: Kept): boolean =>
      node.getRootNode() === instance.host.shadowRoot && !(node as Going).isGoing;
    const nodes = {};
    for (const [name, isKeyed] of names)
      Object.defineProperty(nodes, name, {
        enumerable: true,
        get() {
          const there = known.get(name)?.filter(isThere) ?? [];
          return isKeyed ? new Map(there.map(({ key, node }) => [key?.(), node])) : there.at(-1)?.node;
        },
      });
    const { context } = instance;
    instance.context = (more) => context.call(instance, { nodes, ...more });
    let most = 64;
    return {
      // Rows come and go: what has gone is let go of, now and then.
      shown() {
        for (const [name, all] of known) {
          if (all.length < most) continue;
          const there = all.filter(isThere);
          known.set(name, there);
          most = Math.max(most, 2 * there.length);
        }
      },
    };
  };
}
