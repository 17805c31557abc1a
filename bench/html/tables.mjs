import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Writes tables into bench/results.md, each between its marks. */
export function writeTables(root, tables) {
  const file = join(root, 'bench/results.md');
  let text = readFileSync(file, 'utf8');
  for (const [mark, made] of Object.entries(tables))
    text = text.replace(
      new RegExp(`(<!-- ${mark} -->)[\\s\\S]*?(<!-- end -->)`),
      (_all, start, end) => `${start}\n${made}\n${end}`,
    );
  writeFileSync(file, text);
}
