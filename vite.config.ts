import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';
import manifest from './package.json' with { type: 'json' };

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
        markup: source('markup/index.ts'),
        'markup-node': source('markup/node.ts'),
        'markup-page': source('markup/page.ts'),
        'markup-none': source('markup/page-none.ts'),
        hot: source('elements/hot.ts'),
        vite: source('vite/index.ts'),
        check: source('check/index.ts'),
        cli: source('cli/main.ts'),
      },
    },
    rollupOptions: {
      external: ['#dev', '#markup', /^node:/, ...Object.keys(manifest.dependencies), 'vite', /^tsx/],
      output: { chunkFileNames: 'parts/[name]-[hash].js' },
    },
  },
});
