import { defineConfig } from 'vite';
import lattice from 'zesty-lattice-tools/vite';

export default defineConfig({
  // Renders the components in index.html at build time, so the page is shown before its script runs. All of the built page is
  // in files, so it works under a policy such as default-src 'self'.
  plugins: [lattice({ components: ['./src/components.ts'], prerender: true, rules: 'linked' })],
});
