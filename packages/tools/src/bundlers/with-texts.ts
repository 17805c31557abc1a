import { readFileSync } from 'node:fs';
import MagicString, { type SourceMap } from 'magic-string';
import { textCalls } from '../ahead/text-calls.js';

/** A module with the text of each file in the place of its `markupFile`, and the files. */
export function withTexts(
  code: string,
  tree: unknown,
  id: string,
): { readonly code: string; readonly files: readonly string[]; readonly map?: SourceMap } {
  const found =
    code.includes('markupFile') &&
    textCalls(tree, id, (message) => {
      throw new Error(`${id}: ${message}`);
    });
  if (!found) return { code, files: [] };
  const changed = new MagicString(code);
  for (const { end, file, start } of found.calls)
    changed.overwrite(start, end, `(${JSON.stringify({ text: readFileSync(file, 'utf8'), file })})`);
  changed.overwrite(found.import.start, found.import.end, found.import.others);
  return {
    code: changed.toString(),
    files: found.calls.map(({ file }) => file),
    map: changed.generateMap({ source: id, hires: 'boundary' }),
  };
}
