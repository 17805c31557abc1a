import { readFile } from 'node:fs/promises';
import MagicString from 'magic-string';
import type { Plugin } from 'vite';
import { readCode } from '../ahead/read-code.js';
import { textCalls } from '../ahead/text-calls.js';

/** What is put behind a text file's path to make it a module's; the path alone would be taken for a page or a style sheet. */
const suffix = '.lattice-text.js';

const door = 'zesty-lattice/markup';

/** The path of the text file behind a module, if there is one. */
export function textFileOf(id: string): string | undefined {
  return id.endsWith(suffix) ? id.slice(0, -suffix.length) : undefined;
}

/**
 * Puts a module in the place of each `markupFile(import.meta.url, './card.html')`: the file's text, and where it is.
 * So a component reads its files in Node and carries them along in a page.
 */
export function textFiles(): Plugin {
  return {
    name: 'zesty-lattice:text-files',

    resolveId(id) {
      return textFileOf(id) === undefined ? undefined : id;
    },

    async load(id) {
      const path = textFileOf(id);
      if (path === undefined) return undefined;
      this.addWatchFile(path);
      const text = await readFile(path, 'utf8');
      return `export default ${JSON.stringify({ text, file: path })};`;
    },

    transform(code, id) {
      if (!code.includes('markupFile') || !code.includes(door)) return undefined;
      const tree = readCode(this, code);
      if (!tree) return undefined;
      const found = textCalls(tree, id, (message, at) => this.error(message, at));
      if (!found) return undefined;
      const changed = new MagicString(code);
      const imports: string[] = [];
      for (const [index, { start, end, file }] of found.calls.entries()) {
        imports.push(`import latticeText${index} from ${JSON.stringify(file + suffix)};`);
        changed.overwrite(start, end, `latticeText${index}`);
      }
      // In a page the door has no markupFile.
      changed.overwrite(found.import.start, found.import.end, `${imports.join('')}${found.import.others}`);
      return { code: changed.toString(), map: changed.generateMap({ hires: 'boundary' }) };
    },

    hotUpdate({ file, modules }) {
      const text = this.environment.moduleGraph.getModuleById(file + suffix);
      return text ? [...modules, text] : undefined;
    },
  };
}
