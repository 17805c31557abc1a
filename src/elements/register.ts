import { type AnyComponent, type ComponentCore, componentCore } from '../component/index.js';
import { failure, finding } from '../problem/index.js';
import { notAComponent } from '../tree/index.js';
import { classOf, sharedOf } from './element-class.js';

const registered = new Map<string, ComponentCore>();

/**
 * Defines components as custom elements of the page, and with each the interactive components in its template.
 * The same component twice is fine.
 *
 * @throws LatticeError `name-taken` when another element has the name, `component-unknown`
 * @example register(VarietyCard, CrateCounter); // <crate-counter label="Crates"></crate-counter>
 */
export function register(...components: readonly AnyComponent[]): void {
  for (const component of components) {
    const core = componentCore(component);
    if (!core) throw failure(notAComponent(component));
    define(core);
  }
}

function define(core: ComponentCore): void {
  if (registered.get(core.name) === core) return;
  if (registered.has(core.name) || customElements.get(core.name)) {
    throw failure(finding('name-taken', { name: core.name, by: '' }));
  }
  registered.set(core.name, core);
  for (const inner of sharedOf(core).numbers.uses) if (!registered.has(inner.name)) define(inner);
  customElements.define(core.name, classOf(core));
}
