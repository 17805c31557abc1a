import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const source = (path: string): string => fileURLToPath(new URL(`./src/${path}`, import.meta.url));

export default defineConfig({
  build: {
    target: 'es2022',
    outDir: 'dist',
    emptyOutDir: true,
    minify: false,
    sourcemap: true,
    lib: {
      formats: ['es'],
      entry: {
        index: source('index.ts'),
        development: source('problem/dev.ts'),
        production: source('problem/production.ts'),
        html: source('html/index.ts'),
        elements: source('elements/index.ts'),
        cli: source('cli/main.ts'),
      },
    },
    rollupOptions: {
      external: ['#dev', /^node:/, 'commander', 'picocolors', 'postcss', 'postcss-selector-parser', /^tsx/],
      output: { chunkFileNames: 'parts/[name]-[hash].js' },
    },
  },
});
