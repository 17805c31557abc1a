// Runs in Node's thread of module hooks, before tsx's. What is written with `import` or `export` is an ES module here,
// whatever package.json says: `npm init` writes "commonjs" or nothing, and components are written with `import` there
// all the same. It goes by the syntax as Node does (nodejs.org/api/packages.html#syntax-detection), for TypeScript too.
import { readFileSync } from 'node:fs';
import type { LoadHook, ResolveHook } from 'node:module';
import { fileURLToPath } from 'node:url';
import { init, parse } from 'es-module-lexer';
import { transform } from 'esbuild';

export const resolve: ResolveHook = async (specifier, context, next) => {
  const found = await next(specifier, context);
  const isOpen = found.format === 'commonjs' && /^file:.*\.(?:[jt]sx?|cts)(?:\?.*)?$/.test(found.url);
  if (!isOpen || found.url.includes('/node_modules/')) return found;
  return (await hasModuleSyntax(fileURLToPath(found.url))) ? { ...found, format: 'module' } : found;
};

/** What such a module finds where it is compiled to CommonJS. Put on its first line: all lines keep their numbers. */
const commonjsNames =
  "import { createRequire as __createRequire } from 'node:module'; " +
  'const require = __createRequire(import.meta.url), { filename: __filename, dirname: __dirname } = import.meta; ';

export const load: LoadHook = async (url, context, next) => {
  if (!/^file:.*\.(?:tsx?|cts)(?:\?.*)?$/.test(url)) return next(url, context);
  // Node's own loader of CommonJS takes it, where modules.ts reads what is TypeScript.
  if (context.format === 'commonjs') return { format: 'commonjs', shortCircuit: true };
  const loaded = await next(url, context);
  const source = String(loaded.source);
  const isCompiled =
    /\b(?:require|__filename|__dirname)\b/.test(source) &&
    !/\bcreateRequire\b|\b(?:const|let|var) __dirname\b/.test(source);
  return isCompiled ? { ...loaded, source: commonjsNames + source } : loaded;
};

async function hasModuleSyntax(path: string): Promise<boolean> {
  await init;
  try {
    const { code } = await transform(readFileSync(path, 'utf8'), {
      loader: /\.[jt]sx$/.test(path) ? 'tsx' : 'ts',
      tsconfigRaw: { compilerOptions: { verbatimModuleSyntax: true } },
    });
    return parse(code)[3];
  } catch {
    // What cannot be read is reported by the loader that is asked to run it.
    return true;
  }
}
