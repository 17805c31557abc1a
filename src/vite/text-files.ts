import { readFile } from 'node:fs/promises';
import { dirname, resolve } from 'node:path';
import { type Node, walk } from 'estree-walker';
import MagicString from 'magic-string';
import type { Plugin } from 'vite';
import { readCode } from './read-code.js';

/** What is put behind a text file's path to make it a module's; the path alone would be taken for a page or a style sheet. */
const suffix = '.lattice-text.js';

const door = 'zesty-lattice/markup';

interface Call {
  readonly start: number;
  readonly end: number;
  readonly path: string;
}

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
      const local = importedName(tree);
      if (local === undefined) return undefined;
      const calls = callsOf(tree, local, (at) =>
        this.error(
          'markupFile takes import.meta.url and a path written out, such as markupFile(import.meta.url, "./card.html").',
          at,
        ),
      );
      const changed = new MagicString(code);
      const imports: string[] = [];
      for (const [index, { start, end, path }] of calls.entries()) {
        const file = resolve(dirname(id.replace(/\?.*$/, '')), path);
        imports.push(`import latticeText${index} from ${JSON.stringify(file + suffix)};`);
        changed.overwrite(start, end, `latticeText${index}`);
      }
      // In a page the door has no markupFile.
      changed.overwrite(...importRange(tree), `${imports.join('')}${otherImports(tree)}`);
      return { code: changed.toString(), map: changed.generateMap({ hires: 'boundary' }) };
    },

    hotUpdate({ file, modules }) {
      const text = this.environment.moduleGraph.getModuleById(file + suffix);
      return text ? [...modules, text] : undefined;
    },
  };
}

type Program = Node & { readonly body: readonly Node[] };

/** Where a node stands: what the parser tells of each, and the type of a plain syntax tree does not. */
function rangeOf(node: object): [start: number, end: number] {
  const { start = 0, end = 0 } = node as { readonly start?: number; readonly end?: number };
  return [start, end];
}

function doorImport(tree: unknown): (Node & { type: 'ImportDeclaration' }) | undefined {
  const { body } = tree as Program;
  return body.find(
    (node): node is Node & { type: 'ImportDeclaration' } =>
      node.type === 'ImportDeclaration' && node.source.value === door,
  );
}

function importedName(tree: unknown): string | undefined {
  for (const one of doorImport(tree)?.specifiers ?? []) {
    if (one.type === 'ImportSpecifier' && 'name' in one.imported && one.imported.name === 'markupFile')
      return one.local.name;
  }
  return undefined;
}

function importRange(tree: unknown): [number, number] {
  return rangeOf(doorImport(tree) ?? {});
}

/** What else a module takes from the door, as an import of its own. */
function otherImports(tree: unknown): string {
  const names = (doorImport(tree)?.specifiers ?? []).flatMap((one) => {
    if (one.type !== 'ImportSpecifier' || !('name' in one.imported) || one.imported.name === 'markupFile')
      return [];
    return one.imported.name === one.local.name
      ? [one.local.name]
      : [`${one.imported.name} as ${one.local.name}`];
  });
  return names.length === 0 ? '' : `import { ${names.join(', ')} } from ${JSON.stringify(door)};`;
}

function callsOf(tree: unknown, local: string, refuse: (at: number) => never): readonly Call[] {
  const calls: Call[] = [];
  walk(tree as Node, {
    enter(node) {
      if (node.type !== 'CallExpression' || node.callee.type !== 'Identifier' || node.callee.name !== local)
        return;
      const [start, end] = rangeOf(node);
      const [module, path] = node.arguments;
      const isHere = module?.type === 'MemberExpression' && module.object.type === 'MetaProperty';
      if (!isHere || path?.type !== 'Literal' || typeof path.value !== 'string') return refuse(start);
      calls.push({ start, end, path: path.value });
    },
  });
  return calls;
}
