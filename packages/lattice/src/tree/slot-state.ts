import type { ComponentCore } from '../component/index.js';
import { planOf } from '../plan/index.js';
import { knownValue, open } from './known.js';
import type { ScopedFill } from './scope.js';
import type { TreeSlot } from './tree.js';

export function treeSlot(
  component: ComponentCore,
  name: string,
  index: number,
  scoped: ScopedFill | undefined,
): TreeSlot {
  const filled = scoped ? filledState(scoped) : false;
  if (scoped && filled !== false)
    return { name, state: filled ? 'filled' : 'depends', content: scoped.parts };
  const hasFallback = planOf(component).content.some(
    (node) => node.kind === 'slot' && node.slot === index && node.fallback.nodes.length > 0,
  );
  return { name, state: hasFallback ? 'fallback' : 'empty', content: scoped?.parts ?? [] };
}

/** Whether what is given to a slot comes to anything; undefined where that is not known. */
export function filledState({ fill, scope }: ScopedFill): boolean | undefined {
  const { filled } = fill.block;
  if (fill.data !== undefined) return true;
  if (typeof filled === 'boolean') return filled;
  const known = knownValue(filled, scope);
  return known === open ? undefined : !!known;
}
