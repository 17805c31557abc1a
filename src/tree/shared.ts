import type { ComponentCore } from '../component/index.js';
import { blueprintOf, placedExprs } from '../template/index.js';

const shares = new WeakMap<ComponentCore, readonly string[]>();

/** The names of the shared data that a component's own template reads. */
export function sharesOf(core: ComponentCore): readonly string[] {
  let names = shares.get(core);
  if (!names) {
    const read = [...placedExprs(blueprintOf(core).content)].flatMap(({ op }) =>
      op.op === 'shared' ? [op.name] : [],
    );
    names = [...new Set(read)];
    shares.set(core, names);
  }
  return names;
}

export function readsShared(core: ComponentCore): boolean {
  return sharesOf(core).length > 0;
}
