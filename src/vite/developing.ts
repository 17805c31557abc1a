import { existsSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { type Node, walk } from 'estree-walker';
import MagicString from 'magic-string';
import pc from 'picocolors';
import type { Plugin, ViteDevServer } from 'vite';
import { componentProblems } from '../check/components.js';
import { frameOf, problemBlock } from '../check/report/text.js';
import { componentCore, componentsIn } from '../component/index.js';
import type { Problem } from '../problem/index.js';
import { readCode } from './read-code.js';

const runtime = 'zesty-lattice/vite/page';
const doors = ['zesty-lattice', 'zesty-lattice/elements', 'zesty-lattice/markup', runtime];

/** Whether the library is a package of the project, rather than the project itself. */
function isInstalled(root = process.cwd()): boolean {
  for (let folder = resolve(root); ; folder = dirname(folder)) {
    if (existsSync(join(folder, 'node_modules/zesty-lattice'))) return true;
    if (dirname(folder) === folder) return false;
  }
}

/** While developing: modules of components take changes in place, and their problems are told where they are seen. */
export function developing(): Plugin {
  let server: ViteDevServer | undefined;
  const told = new Map<string, string>();
  const waiting = new Map<string, NodeJS.Timeout>();

  let changes = 0;

  /** Tells of a module when the change is through: the page has it by then, and the overlay is not taken down again. */
  const tellSoon = (file: string): void => {
    clearTimeout(waiting.get(file));
    waiting.set(
      file,
      setTimeout(() => void tell(file), 120),
    );
  };

  const tell = async (file: string): Promise<void> => {
    if (!server) return;
    const before = changes;
    const problems = await problemsIn(server, file);
    // What was seen while something changed may be of before it.
    if (changes !== before) return tellSoon(file);
    const text = problems.map((problem) => problemBlock(problem, pc)).join('\n\n');
    if (text === (told.get(file) ?? '')) return;
    told.set(file, text);
    if (text === '')
      return server.config.logger.info(pc.green(`${relative(server.config.root, file)} is right again`));
    const isError = problems.some(({ severity }) => severity === 'error');
    server.config.logger[isError ? 'error' : 'warn'](`\n${text}\n`, { timestamp: true });
    const error = problems.find(({ severity }) => severity === 'error');
    if (error) server.ws.send({ type: 'error', err: overlayOf(error) });
  };

  return {
    name: 'zesty-lattice:developing',
    apply: 'serve',

    // Prepared with the page's other packages: found later, it would have the page loaded twice at its first visit.
    config: (config) => (isInstalled(config.root) ? { optimizeDeps: { include: doors } } : undefined),

    configureServer(made) {
      server = made;
    },

    hotUpdate() {
      changes += 1;
    },

    transform(code, id, options) {
      if (id.includes('/node_modules/') || !/['"]zesty-lattice['"]/.test(code) || !code.includes('component'))
        return undefined;
      const tree = readCode(this, code);
      const names = tree ? exportedNames(tree) : [];
      if (names.length === 0) return undefined;
      const file = id.replace(/\?.*$/, '');
      tellSoon(file);
      if (options?.ssr) return undefined;
      const changed = new MagicString(code);
      changed.append(
        `\nimport { note as latticeNote } from ${JSON.stringify(runtime)};\nif (import.meta.hot) {\n  latticeNote(import.meta.url.replace(/\\?.*$/, ''), { ${names.join(', ')} });\n  import.meta.hot.accept();\n}\n`,
      );
      return { code: changed.toString(), map: changed.generateMap({ hires: 'boundary' }) };
    },
  };
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

/** What is wrong in a module's components, as Node sees them. */
async function problemsIn(server: ViteDevServer, file: string): Promise<readonly Problem[]> {
  try {
    const module = await server.ssrLoadModule(file);
    const found = [...new Set(componentsIn(module).values())].flatMap((component) => {
      const core = componentCore(component);
      return core ? componentProblems(core) : [];
    });
    const folder = file.slice(0, file.lastIndexOf('/'));
    return found
      .filter(({ source }) => source === undefined || source.file.startsWith(folder))
      .map((problem) => written(problem, server));
  } catch (thrown) {
    if (thrown instanceof Error && 'problems' in thrown)
      return (thrown.problems as readonly Problem[]).map((problem) => written(problem, server));
    // Vite tells of code that cannot be read or run.
    return [];
  }
}

/** A problem with the line that was written, where its place is one in what Vite made of the module. */
function written(problem: Problem, server: ViteDevServer): Problem {
  const { source } = problem;
  if (!source || source.frame !== undefined) return problem;
  const { file, line, column } = source;
  const stack = server.ssrRewriteStacktrace(`Error: x\n    at x (${file}:${line}:${column})`);
  const [, from = file, row, col] = /\(([^()]+):(\d+):(\d+)\)/.exec(stack) ?? [];
  return { ...problem, source: { file: from, line: Number(row ?? line), column: Number(col ?? column) } };
}

/** A problem as Vite's overlay shows it (https://vite.dev/guide/api-plugin, HMR errors). */
function overlayOf({ code, message, hint, where, source }: Problem): {
  readonly message: string;
  readonly stack: string;
  readonly plugin: string;
  readonly id?: string;
  readonly frame?: string;
  readonly loc?: { readonly file: string; readonly line: number; readonly column: number };
} {
  return {
    message: `${code}: ${message}\n${hint}`,
    stack: where === '' ? '' : `in ${where}`,
    plugin: 'zesty-lattice',
    ...(source && {
      id: source.file,
      loc: { file: source.file, line: source.line, column: source.column },
      // With the signs that Vite knows a frame by.
      frame: frameOf(source).replaceAll('│', '|'),
    }),
  };
}
