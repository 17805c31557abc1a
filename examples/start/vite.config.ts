import { defineConfig } from 'vite';
import lattice from 'zesty-lattice-tools/vite';

export default defineConfig({
  // The components in index.html are rendered ahead, so that the page shows before its script has run.
  plugins: [lattice({ components: ['./src/components.ts'], prerender: true })],
});
