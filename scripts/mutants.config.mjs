// What scripts/mutants.mjs runs the tests of rooms with: sources as it has broken them, one file after the other.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { defineConfig } from 'vitest/config';
import { BaseSequencer } from 'vitest/node';
import { sourceAliases } from '../tests/support/sources.js';
import { rooms } from '../vitest.config.ts';

const texts = new Map(
  Object.entries(JSON.parse(readFileSync(join(process.env.LATTICE_MUTANTS, 'texts.json'), 'utf8'))),
);

class AsGiven extends BaseSequencer {
  async sort(files) {
    return files;
  }
}

export default defineConfig({
  root: join(import.meta.dirname, '..'),
  plugins: [{ name: 'mutants', enforce: 'pre', load: (id) => texts.get(id) }],
  resolve: { alias: sourceAliases('node') },
  test: {
    include: rooms,
    setupFiles: [join(import.meta.dirname, 'mutants-setup.mjs')],
    isolate: Boolean(process.env.LATTICE_APART),
    maxWorkers: 1,
    testTimeout: 20_000,
    hookTimeout: 20_000,
    sequence: { sequencer: AsGiven },
  },
});
