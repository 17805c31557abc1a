import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { expect, test } from 'vitest';

const script = new URL('../../scripts/reference.mjs', import.meta.url).href;

test('docs/reference.md has every public name, as the sources say it', async () => {
  const { reference } = (await import(script)) as { readonly reference: () => string };
  const written = readFileSync(fileURLToPath(new URL('../../docs/reference.md', import.meta.url)), 'utf8');
  expect(written).toContain('`renderHtml`');
  expect(written).toBe(reference());
});
