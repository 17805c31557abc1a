import { pathToFileURL } from 'node:url';
import { register } from 'tsx/esm/api';

/** Loads a TypeScript or JavaScript module. */
export async function loadModule(path: string): Promise<Readonly<Record<string, unknown>>> {
  const unregister = register();
  try {
    return (await import(pathToFileURL(path).href)) as Record<string, unknown>;
  } finally {
    await unregister();
  }
}
