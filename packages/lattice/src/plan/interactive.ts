import type { ComponentCore } from '../component/index.js';
import { readsShared } from './shared.js';

/** Whether a component has something to do in a page, so that it stays an element of its own there. */
export function isInteractive(core: ComponentCore): boolean {
  return core.provides !== undefined || isBusy(core);
}

/** Whether a component stays an element for no other reason than that it provides shared data. */
export function isElementOnlyToProvide(core: ComponentCore): boolean {
  return core.provides !== undefined && !isBusy(core);
}

/** Whether it has something to do besides providing. */
function isBusy(core: ComponentCore): boolean {
  return (
    core.state !== undefined ||
    core.connected !== undefined ||
    core.shown !== undefined ||
    core.states !== undefined ||
    core.aria !== undefined ||
    core.load !== undefined ||
    core.field !== undefined ||
    Object.keys(core.handlers).length > 0 ||
    Object.keys(core.elementMethods).length > 0 ||
    readsShared(core)
  );
}
