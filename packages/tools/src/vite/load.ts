import { PackageMissing } from 'zesty-lattice/internal/problem';

/**
 * Vite, and the plugin for it: loaded by what needs them alone, since a project may do without.
 *
 * @param what who needs them, as a sentence begins
 * @throws PackageMissing
 */
export async function loadVite(
  what: string,
): Promise<{ readonly vite: typeof import('vite'); readonly lattice: typeof import('./index.js').lattice }> {
  const vite = await import('vite').catch((thrown: { readonly code?: string }) => {
    if (thrown.code !== 'ERR_MODULE_NOT_FOUND') throw thrown;
    throw new PackageMissing(`${what} needs the package vite: npm install --save-dev vite`);
  });
  const { lattice } = await import('./index.js');
  return { vite, lattice };
}
