import type { AnyComponent } from './component.js';
import { componentCore } from './core.js';

/** The components that a module exports, by the names they are exported under. */
export function componentsIn(module: Readonly<Record<string, unknown>>): ReadonlyMap<string, AnyComponent> {
  const components = Object.entries(module).filter(([, value]) => componentCore(value) !== undefined);
  return new Map(components as [string, AnyComponent][]);
}
