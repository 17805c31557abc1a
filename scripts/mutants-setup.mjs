// Tells the sources which mutant counts, and notes which of them a test file comes by.
import { mkdirSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { afterAll, expect, inject } from 'vitest';

const now = inject('broken');
const ids = new Set();
globalThis.__broken = (id) => {
  ids.add(id);
  return id === now;
};

if (now < 0)
  afterAll(() => {
    const { testPath: file } = expect.getState();
    const folder = join(process.env.LATTICE_MUTANTS, 'reached');
    mkdirSync(folder, { recursive: true });
    writeFileSync(
      join(folder, `${basename(file)}-${process.pid}.json`),
      JSON.stringify({ file, ids: [...ids] }),
    );
  });
