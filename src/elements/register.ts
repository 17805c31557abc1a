import { type AnyComponent, type ComponentCore, componentCore, type PropsOf } from '../component/index.js';
import { failure } from '../problem/index.js';
import { notAComponent } from '../tree/index.js';
import { defineInPage, liveOf } from './in-page.js';
import { classOf } from './runtime/element.js';

/**
 * Defines components as custom elements of the page, and with each the interactive components in its template.
 * The same component twice is fine.
 *
 * @throws LatticeError `name-taken` when another element has the name, `component-unknown`
 * @example register(VarietyCard, CrateCounter); // <crate-counter label="Crates"></crate-counter>
 */
export function register(...components: readonly AnyComponent[]): void {
  for (const component of components) defineInPage(coreOf(component));
}

/** The class of a component's element: an `HTMLElement` with the component's props as properties. */
export type ElementClass<C> = new () => HTMLElement & { -readonly [K in keyof PropsOf<C>]: PropsOf<C>[K] };

/**
 * The class of a component's custom element, to define under a name of one's own or to extend.
 *
 * @throws LatticeError `component-unknown`
 * @example customElements.define('crate-counter', elementClass(CrateCounter));
 */
export function elementClass<C extends AnyComponent>(component: C): ElementClass<C> {
  return classOf(liveOf(coreOf(component))) as ElementClass<C>;
}

function coreOf(component: AnyComponent): ComponentCore {
  const core = componentCore(component);
  if (!core) throw failure(notAComponent(component));
  return core;
}
