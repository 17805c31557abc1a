import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { expect, test } from 'vitest';

const script = new URL('../../scripts/reference.mjs', import.meta.url).href;

interface Pages {
  readonly reference: () => string;
  readonly options: () => string;
}
const page = (name: string): string =>
  readFileSync(fileURLToPath(new URL(`../../docs/${name}.md`, import.meta.url)), 'utf8');

test('docs/reference.md has every public name, as the sources say it', async () => {
  const { reference } = (await import(script)) as Pages;
  expect(page('reference')).toContain('`renderHtml`');
  expect(page('reference')).toBe(reference());
});

test('docs/options.md has every option of every call, each with what it does', async () => {
  const { options } = (await import(script)) as Pages;
  expect(page('options')).toContain('| `loadsIn` |');
  expect(page('options')).toBe(options());
  const rows = page('options').match(/^\| `.*$/gm) ?? [];
  expect(rows.length).toBeGreaterThan(60);
  expect(rows.filter((row) => /\| +\|/.test(row))).toEqual([]);
});
