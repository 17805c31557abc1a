import { defineConfig } from 'vite';
import lattice from 'zesty-lattice-tools/vite';

export default defineConfig({
  // Renders the components in index.html at build time, so the page is shown before its script runs.
  plugins: [lattice({ components: ['./src/components.ts'], prerender: true })],
});
