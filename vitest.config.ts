import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const source = (path: string): string => fileURLToPath(new URL(`./src/${path}`, import.meta.url));

export default defineConfig({
  resolve: {
    alias: [
      { find: '#dev', replacement: source('problem/dev.ts') },
      { find: '#look', replacement: source('elements/runtime/first-look.ts') },
      { find: '#markup', replacement: source('markup/node.ts') },
      { find: /^zesty-lattice$/, replacement: source('index.ts') },
      { find: /^zesty-lattice\/(\w+)$/, replacement: source('$1/index.ts') },
    ],
  },
  test: {
    include: ['tests/**/*.test.ts', 'examples/start/**/*.test.ts'],
    testTimeout: 60_000,
    hookTimeout: 60_000,
    // Most tests wait for a browser, a compiler or a command as much as they work.
    maxWorkers: Math.max(2, availableParallelism() - 1),
  },
});
