import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, test } from 'vitest';

const root = fileURLToPath(new URL('../..', import.meta.url));
const folder = fileURLToPath(new URL('./messages/', import.meta.url));
const mistakes = readdirSync(folder).filter((name) => name.endsWith('.ts') && name !== 'parts.ts');

/** What each mistake has to be reported by: the name of the prop, slot, attribute or value at fault. */
const named: Record<string, RegExp> = {
  'accepts-no-prop': /'"tga"' is not assignable to type '"tag"'[\s\S]*accepts: 'tga'/,
  'attribute-of-another-tag': /'for' does not exist/,
  'content-without-slot': /ThisComponentHasNoSlots/,
  'kind-not-called': /is not assignable to type 'Kind<[\s\S]*name: prop\.url/,
  'missing-prop': /Property 'title' is missing/,
  'misspelt-attribute': /'hreff' does not exist in type 'AAttributes/,
  'misspelt-part': /'slot' does not exist in type 'Definition<.*Did you mean to write 'slots'/,
  'misspelt-prop': /'seson' does not exist .* Did you mean to write 'season'/,
  'misspelt-slot': /'badg' does not exist .* badge\?: Content/,
  'outside-the-set': /"middle".* not assignable to type '"early" \| "late"[\s\S]*season: 'middle'/,
  'preset-misspelt': /'typ' does not exist in type 'ButtonAttributes .*'type'/,
  'prop-without-props': /'title' does not exist in type 'ThisComponentHasNoProps'/,
  'record-as-content': /not assignable to parameter of type 'Content'[\s\S]*'Textual'[\s\S]*variety/,
  'rendered-without-props': /Expected 2-3 arguments, but got 1/,
  'state-below': /'count' does not exist on type 'StateExprs<NoneDeclaredAbove>'/,
  'template-gives-a-slot': /'SlotPlace<.*is not assignable to type 'Content'/,
  'text-for-number': /'string' is not assignable to type 'number[\s\S]*crates: '3'/,
  'unknown-state-field': /'\{ cuont: number; \}' is not assignable to[\s\S]*add: \(\{ state \}\)/,
  'wrong-attribute-value': /'type'[\s\S]*"sumbit"[\s\S]*Did you mean '"submit"'/,
};

/** What the compiler says of each file, as it is shown in a terminal, without colours. */
function messages(): ReadonlyMap<string, string> {
  const done = spawnSync('npx', ['tsc', '-p', folder, '--pretty', 'true'], { cwd: root, encoding: 'utf8' });
  const plain = done.stdout
    .replace(/\u001B\[[0-9;]*m/g, '')
    .replace(/(src\/[\w/-]+\.ts):\d+:\d+/g, '$1')
    .replace(/^ {4}\d+ /gm, '     ');
  const parts = plain
    .split(/^(?=tests\/types\/messages\/[\w-]+\.ts:\d)/m)
    .filter((part) => part.startsWith('tests/'));
  return new Map(
    parts.map((part) => [
      /messages\/([\w-]+)\.ts/.exec(part)?.[1] ?? '',
      `${part.replace(/\n+Found \d+ errors[\s\S]*$/, '').trim()}\n`,
    ]),
  );
}

const all = messages();

describe('what the editor says of a mistake', () => {
  test('covers the mistakes of the list', () => {
    expect(mistakes.map((name) => name.replace('.ts', '')).sort()).toEqual(Object.keys(named).sort());
  });

  test.each(mistakes)('names what is at fault, in the words kept beside it: %s', (file) => {
    const name = file.replace('.ts', '');
    const text = all.get(name) ?? 'nothing at all';
    const kept = join(folder, `${name}.txt`);
    expect(text).toMatch(named[name] as RegExp);
    if (!existsSync(kept) && !process.env.CI) writeFileSync(kept, text);
    expect(text).toBe(readFileSync(kept, 'utf8'));
  });
});
