import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { loadModule } from '../check/modules.js';
import { writeWhole } from './whole-file.js';

/**
 * Where pages go: what a module of one's own exports for `lattice batch --store`, in the place of the folder. It runs wherever
 * pages are written, in threads and in workers of a queue.
 *
 * @example
 * // store.ts
 * export async function write(name: string, bytes: Uint8Array): Promise<void> {
 *   await bucket.put(name, bytes, { contentType: 'text/html; charset=utf-8' });
 * }
 * export async function remove(name: string): Promise<void> {
 *   await bucket.delete(name);
 * }
 */
export interface Store {
  /**
   * Writes a file as a whole, in the place of what was there.
   *
   * @param name its path below the root of all pages, with slashes: `by/t1.html`
   */
  write(name: string, bytes: Uint8Array): Promise<void> | void;
  /** Removes a file, for `--prune`. */
  remove?(name: string): Promise<void> | void;
}

/** The folder that pages go to where nobody says anything else. */
const folder = (out: string): Store => ({
  write: (name, bytes) => writeWhole(out, join(out, name), bytes),
  remove: (name) => rmSync(join(out, name), { force: true }),
});

/**
 * The store of a module, or the folder.
 *
 * @throws Error where the module exports no `write`
 */
export async function storeOf(out: string, module: string | undefined): Promise<Store> {
  if (module === undefined) return folder(out);
  const { remove, write } = (await loadModule(module)) as unknown as Partial<Store>;
  if (typeof write !== 'function') throw new Error(`${module} exports no function write(name, bytes).`);
  return { write, ...(typeof remove === 'function' && { remove }) };
}
