import type { ComponentCore } from '../component/index.js';
import { refuse, resolveOpen } from '../tree/index.js';

const sound = new WeakSet<ComponentCore>();

/** Throws what is wrong with a component's own tree, whatever it is rendered with. Looked for once. */
export function refuseBroken(component: ComponentCore): void {
  if (sound.has(component)) return;
  refuse(resolveOpen(component).problems);
  sound.add(component);
}
