import { type ComponentCore, propNameFaults } from '../component/index.js';
import { repeatedSlots } from '../plan/index.js';
import { LatticeError, placed } from '../problem/index.js';
import { refuse, resolveOpen } from '../tree/index.js';

const sound = new WeakSet<ComponentCore>();

/** Throws what is wrong with a component's own tree, whatever it is rendered with. Looked for once. */
export function refuseBroken(component: ComponentCore): void {
  if (sound.has(component)) return;
  refuse(resolveOpen(component).problems);
  sound.add(component);
}

/** Throws where the component cannot be an element that shows what HTML text shows, and carries no more. */
export function refuseAsElement(component: ComponentCore): void {
  const found = [...propNameFaults(component.name, component.props.names), ...repeatedSlots(component)];
  if (found.length > 0) throw new LatticeError(found.map((one) => placed(one, component.name)));
}
