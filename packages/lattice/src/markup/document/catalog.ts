import { type AnyComponent, type ComponentCore, componentCore } from '../../component/index.js';
import { failure, finding } from '../../problem/index.js';
import { notAComponent } from '../../tree/index.js';

/** The components whose tags may stand in documents. */
export interface Catalog {
  readonly components: ReadonlyMap<string, ComponentCore>;
  /** Tags of custom elements from elsewhere. */
  readonly foreign: readonly (string | RegExp)[];
}

/** Options of `catalog`. */
export interface CatalogOptions {
  /** Tags of other custom elements, as names or patterns. They stay as they are. */
  readonly foreign?: readonly (string | RegExp)[];
}

/**
 * Gathers the components that documents may use by their tags.
 *
 * @throws LatticeError `name-taken` when two different components have one name, `component-unknown` when something
 * in the list is no component
 * @example catalog([VarietyCard, NoticeBox], { foreign: ['x-map', /^chart-/] })
 */
export function catalog(components: Iterable<AnyComponent>, options: CatalogOptions = {}): Catalog {
  const byTag = new Map<string, ComponentCore>();
  for (const component of components) {
    const core = componentCore(component);
    if (!core) throw failure(notAComponent(component));
    const taken = byTag.get(core.name);
    if (taken && taken !== core)
      throw failure(finding('name-taken', { name: core.name, by: '' }, core.source));
    byTag.set(core.name, core);
  }
  return { components: byTag, foreign: options.foreign ?? [] };
}

/** Whether a tag is one of those named, or fits one of the patterns. */
export function isForeign(tag: string, foreign: readonly (string | RegExp)[]): boolean {
  return foreign.some((one) => (typeof one === 'string' ? one === tag : one.test(tag)));
}
