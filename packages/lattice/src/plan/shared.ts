import { type ComponentCore, perComponent } from '../component/index.js';
import { placedExprs } from '../template/index.js';
import { blueprintOf } from './run-template.js';

/** The names of the shared data that a component's own template reads. */
export const sharesOf: (core: ComponentCore) => readonly string[] = /* @__PURE__ */ perComponent((core) => {
  const read = [...placedExprs(blueprintOf(core).content)].flatMap(({ op }) =>
    op.op === 'shared' ? [op.name] : [],
  );
  return [...new Set(read)];
});

export function readsShared(core: ComponentCore): boolean {
  return sharesOf(core).length > 0;
}
