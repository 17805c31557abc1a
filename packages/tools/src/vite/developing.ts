import { existsSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { type Node, walk } from 'estree-walker';
import MagicString from 'magic-string';
import type { EnvironmentModuleNode, Plugin } from 'vite';
import { readCode } from '../ahead/read-code.js';
import { type Telling, telling } from './telling.js';

export const hotRuntime = 'zesty-lattice/internal/hot';
const doors = ['zesty-lattice', 'zesty-lattice/elements', 'zesty-lattice/markup', hotRuntime];

/** Whether the library is a package of the project, rather than the project itself. */
export function isInstalled(root = process.cwd()): boolean {
  for (let folder = resolve(root); ; folder = dirname(folder)) {
    if (existsSync(join(folder, 'node_modules/zesty-lattice'))) return true;
    if (dirname(folder) === folder) return false;
  }
}

/** What is known while a server is developed at. */
export interface Developed {
  reporter?: Telling;
}

/** During development: modules of components take changes in place, and their problems are reported where they are seen. */
export function developing(developed: Developed): Plugin {
  return {
    name: 'zesty-lattice:developing',
    apply: 'serve',

    // Prepared with the page's other packages: found later, it would have the page loaded twice at its first visit.
    config: (config) => (isInstalled(config.root) ? { optimizeDeps: { include: doors } } : undefined),

    configureServer(server) {
      // A test runner has no page to tell anything to.
      if (!server.config.plugins.some(({ name }) => name === 'vitest')) developed.reporter = telling(server);
    },

    hotUpdate: {
      // By then the other plugins have said what a text file stands for.
      order: 'post',
      handler({ type, file, modules }) {
        if (type === 'delete') developed.reporter?.forget(file);
        // What is reported of a module also depends on the components and the texts it is made of: Vite keeps its code then.
        developed.reporter?.changed(modules.flatMap((module) => [...filesAbove(module)]));
        // In a project without a server of its own nothing but this plugin loads modules there: no page needs to hear.
        const { config, name } = this.environment;
        return name === 'ssr' && config.appType !== 'custom' ? [] : undefined;
      },
    },

    transform(code, id, options) {
      if (id.includes('/node_modules/') || !/['"]zesty-lattice['"]/.test(code) || !code.includes('component'))
        return undefined;
      const tree = readCode(this, code);
      const names = tree ? exportedNames(tree) : [];
      if (names.length === 0) return undefined;
      developed.reporter?.seen(id.replace(/\?.*$/, ''));
      if (options?.ssr) return undefined;
      const changed = new MagicString(code);
      changed.append(
        `\nimport { note as latticeNote } from ${JSON.stringify(hotRuntime)};\nif (import.meta.hot) {\n  latticeNote(import.meta.url.replace(/\\?.*$/, ''), { ${names.join(', ')} });\n  import.meta.hot.accept();\n}\n`,
      );
      return { code: changed.toString(), map: changed.generateMap({ hires: 'boundary' }) };
    },
  };
}

/** The files of a module and of all that import it, directly or not. */
function filesAbove(module: EnvironmentModuleNode): Set<string> {
  const seen = new Set<EnvironmentModuleNode>();
  const files = new Set<string>();
  const open = [module];
  for (let one = open.pop(); one; one = open.pop()) {
    if (seen.has(one)) continue;
    seen.add(one);
    if (one.file !== null) files.add(one.file);
    open.push(...one.importers);
  }
  return files;
}

/** The names a module exports, if they are those of its own constants and all of them components by their spelling. */
function exportedNames(tree: unknown): readonly string[] {
  const names: string[] = [];
  let isPlain = true;
  walk(tree as Node, {
    enter(node) {
      if (node.type === 'ExportNamedDeclaration') {
        const { declaration } = node;
        if (declaration?.type !== 'VariableDeclaration')
          isPlain = declaration === null && node.specifiers.length === 0 && isPlain;
        else
          for (const one of declaration.declarations)
            if (one.id.type === 'Identifier') names.push(one.id.name);
      } else if (node.type === 'ExportAllDeclaration') isPlain = false;
      if (node.type !== 'Program') this.skip();
    },
  });
  return isPlain && names.every((name) => /^[A-Z]/.test(name)) ? names : [];
}
