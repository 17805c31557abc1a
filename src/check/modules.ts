import { pathToFileURL } from 'node:url';
import { register } from 'tsx/esm/api';
import { type AnyComponent, componentCore } from '../component/index.js';

/** Loads a TypeScript or JavaScript module. */
export async function loadModule(path: string): Promise<Readonly<Record<string, unknown>>> {
  const unregister = register();
  try {
    return (await import(pathToFileURL(path).href)) as Record<string, unknown>;
  } finally {
    await unregister();
  }
}

/** The components that a module exports, by the names they are exported under. */
export function componentsIn(module: Readonly<Record<string, unknown>>): ReadonlyMap<string, AnyComponent> {
  const components = Object.entries(module).filter(([, value]) => componentCore(value) !== undefined);
  return new Map(components as [string, AnyComponent][]);
}
