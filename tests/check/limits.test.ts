import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, test } from 'vitest';
import { lattice } from '../cli/lattice.js';

const folder = mkdtempSync(join(tmpdir(), 'lattice-limits-'));
afterAll(() => rmSync(folder, { recursive: true }));

test.each([2_000, 4_000])('%d tags that are never closed are as many errors', (count) => {
  const file = join(folder, 'page.html');
  writeFileSync(file, `<!doctype html><html lang="en"><title>x</title><body>${'<div>'.repeat(count)}`);
  const { code, out } = lattice('check', file);
  expect(code).toBe(1);
  expect(out).toMatch(new RegExp(`^${count} errors, 0 warnings in 1 file`, 'm'));
});
