import type { BuildOptions } from 'esbuild';
import { walk } from 'estree-walker';
import MagicString from 'magic-string';
import { isKey, type Placed } from '../ahead/names.js';
import { programOf } from '../ahead/parses.js';

/** Whether esbuild is to build for production, by its own rules (https://esbuild.github.io/api/#platform). */
export function isForProduction({ conditions = [], define = {}, minify = false }: BuildOptions): boolean {
  const mode = define['process.env.NODE_ENV'] ?? define.NODE_ENV;
  return mode === undefined ? minify || conditions.includes('production') : /^["']production["']$/.test(mode);
}

/**
 * A module of the library without what is for development alone. esbuild knows that `dev` is false there only after it
 * has decided which functions are used.
 *
 * @returns nothing where the module has none of it
 */
export function forProduction(code: string): MagicString | undefined {
  if (!/\bdev\b/.test(code)) return undefined;
  const program = programOf(code);
  const isImported = program.body.some(
    (node) => node.type === 'ImportDeclaration' && node.specifiers.some(({ local }) => local.name === 'dev'),
  );
  if (!isImported) return undefined;
  const changed = new MagicString(code);
  walk(program, {
    enter(node, parent, key) {
      if (node.type === 'ImportDeclaration') return this.skip();
      if (node.type !== 'Identifier' || node.name !== 'dev' || isKey(parent, key)) return;
      const { end, start } = node as Placed<typeof node>;
      changed.update(start, end, 'false');
    },
  });
  return changed;
}
