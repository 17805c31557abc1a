import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';
import lattice from 'zesty-lattice-tools/vite';

/** The example's elements as one module, for pages without a build step. */
export default defineConfig({
  root: fileURLToPath(new URL('.', import.meta.url)),
  plugins: [lattice()],
  build: {
    outDir: fileURLToPath(new URL('../../out/plain-page', import.meta.url)),
    emptyOutDir: true,
    target: 'es2022',
    lib: {
      entry: fileURLToPath(new URL('./elements.ts', import.meta.url)),
      formats: ['es'],
      fileName: 'orchard-elements',
    },
  },
});
