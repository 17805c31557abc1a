import { parse } from '@babel/parser';
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

/** Returns why written code cannot be read, a fault of the library's own; nothing where it can. */
export function parseFault(code: string): string | undefined {
  try {
    programOf(code);
    return undefined;
  } catch (thrown) {
    return `zesty-lattice wrote code that cannot be read (${(thrown as Error).message}), which is its own fault: please report it`;
  }
}
