import { parse } from 'acorn';

/** Why written code cannot be read, a fault of the library's own; nothing where it can. */
export function parseFault(code: string): string | undefined {
  try {
    parse(code, { ecmaVersion: 'latest', sourceType: 'module' });
    return undefined;
  } catch (thrown) {
    return `zesty-lattice wrote code that cannot be read (${(thrown as Error).message}), which is its own fault: please report it`;
  }
}
