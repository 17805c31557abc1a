import type { ComponentCore } from '../component/index.js';
import { blocksOf } from './planner.js';

/** Returns components with all that are registered with them, since they stand in their templates. */
export function withUsed(components: Iterable<ComponentCore>): ReadonlySet<ComponentCore> {
  const all = new Set(components);
  // A set that grows while it is walked is walked to its end.
  for (const core of all)
    for (const { uses } of blocksOf(core)) for (const use of uses) all.add(use.component);
  return all;
}
