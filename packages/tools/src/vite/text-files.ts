import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { basename, relative } from 'node:path';
import MagicString from 'magic-string';
import type { Plugin } from 'vite';
import { readCode } from '../ahead/read-code.js';
import { textCalls } from '../ahead/text-calls.js';

const door = 'zesty-lattice/markup';

/** What the ids of text modules begin with. The NUL keeps other plugins, and addresses that somebody types, away. */
const prefix = '\0lattice-text:';

/** Returns the id of a text file's module: its name and a digest of its path, so that no page learns the path. */
function idOf(file: string): string {
  return `${prefix}${createHash('sha256').update(file).digest('hex').slice(0, 16)}/${basename(file)}.js`;
}

/** The text files that modules of a project name with `markupFile`. No other file has an id. */
export class TextFiles {
  readonly #files = new Map<string, string>();

  /** Adds a file that a module names, and returns the id of its module. */
  add(file: string): string {
    const id = idOf(file);
    this.#files.set(id, file);
    return id;
  }

  /** Returns the file behind an id; undefined for an id that no module's `markupFile` has made. */
  fileOf(id: string): string | undefined {
    return this.#files.get(id);
  }
}

/**
 * Puts a module in the place of each `markupFile(import.meta.url, './card.html')`: the file's text, and where it is.
 * So a component reads its files in Node and carries them along in a page.
 */
export function textFiles(files = new TextFiles()): Plugin {
  let root = '';
  let isBuild = false;

  return {
    name: 'zesty-lattice:text-files',

    configResolved(config) {
      root = config.root;
      isBuild = config.command === 'build';
    },

    resolveId(id) {
      return files.fileOf(id) === undefined ? undefined : id;
    },

    async load(id) {
      const path = files.fileOf(id);
      if (path === undefined) return undefined;
      this.addWatchFile(path);
      const text = await readFile(path, 'utf8');
      // What is built is sent to visitors: it names the file within the project.
      const file = isBuild ? relative(root, path).replaceAll('\\', '/') : path;
      return `export default ${JSON.stringify({ text, file })};`;
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
        imports.push(`import latticeText${index} from ${JSON.stringify(files.add(file))};`);
        changed.overwrite(start, end, `latticeText${index}`);
      }
      // In a page the door has no markupFile.
      changed.overwrite(found.import.start, found.import.end, `${imports.join('')}${found.import.others}`);
      return { code: changed.toString(), map: changed.generateMap({ hires: 'boundary' }) };
    },

    hotUpdate({ file, modules }) {
      const text = this.environment.moduleGraph.getModuleById(idOf(file));
      return text ? [...modules, text] : undefined;
    },
  };
}
