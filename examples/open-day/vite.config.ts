import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';
import lattice from 'zesty-lattice-tools/vite';

export default defineConfig({
  root: fileURLToPath(new URL('.', import.meta.url)),
  base: './',
  // The page is rendered ahead, so that it shows before its script has run.
  plugins: [lattice({ components: ['./components/index.ts'], prerender: true })],
  build: {
    outDir: fileURLToPath(new URL('../../out/live', import.meta.url)),
    emptyOutDir: true,
    target: 'es2022',
  },
});
