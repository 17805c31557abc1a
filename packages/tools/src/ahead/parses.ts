import { parse } from '@babel/parser';
import { type TransformFailure, transform } from 'esbuild';
import type { Program } from 'estree';

/**
 * Returns the syntax tree of a module (https://github.com/estree/estree).
 *
 * @throws SyntaxError where it cannot be read
 */
export function programOf(code: string): Program {
  const { program } = parse(code, {
    sourceType: 'module',
    plugins: ['estree'],
    createImportExpressions: true,
  });
  return program as unknown as Program;
}

/**
 * Returns why written code cannot be read, a fault of the library's own; nothing where it can. It is looked at beside
 * other work, by a parser that is not this process's.
 */
export async function parseFault(code: string): Promise<string | undefined> {
  try {
    await transform(code, { format: 'esm', target: 'esnext', treeShaking: false, logLevel: 'silent' });
    return undefined;
  } catch (thrown) {
    const [first] = (thrown as TransformFailure).errors ?? [];
    const why = first?.text ?? (thrown as Error).message;
    return `zesty-lattice wrote code that cannot be read (${why}), which is its own fault: please report it`;
  }
}
