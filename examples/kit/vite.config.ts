import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';
import lattice from 'zesty-lattice-tools/vite';

export default defineConfig({
  root: fileURLToPath(new URL('.', import.meta.url)),
  base: './',
  // The page is rendered ahead, and none of its elements is planned in the page.
  plugins: [lattice({ components: ['./day-planner.ts'], prerender: true, planned: 'always' })],
  build: {
    outDir: fileURLToPath(new URL('../../out/kit', import.meta.url)),
    emptyOutDir: true,
    target: 'es2022',
  },
});
