import { fileURLToPath } from 'node:url';
import { standIn, standIns } from '../../scripts/stand-ins.mjs';

interface Alias {
  readonly find: string | RegExp;
  readonly replacement: string;
}

/** The path of a source file of one of the packages. */
export const source = (path: string): string =>
  fileURLToPath(new URL(`../../packages/${path}`, import.meta.url));

/** Has sources stand for what is built of both packages: as Node loads them, or as a page does. */
export function sourceAliases(of: 'node' | 'page', isProduction = false): Alias[] {
  const conditions = [of === 'page' ? 'browser' : 'node', ...(isProduction ? ['production'] : [])];
  const library = (path: string): string => source(`lattice/src/${path}`);
  return [
    ...standIns.map((find) => ({ find, replacement: library(`${standIn(find, ...conditions)}.ts`) })),
    ...(of === 'page'
      ? [
          { find: /^zesty-lattice\/markup$/, replacement: library('markup/page.ts') },
          { find: /^zesty-lattice-tools\/testing$/, replacement: source('tools/src/testing/page.ts') },
        ]
      : []),
    { find: /^zesty-lattice\/internal\/runtime$/, replacement: library('elements/runtime/index.ts') },
    { find: /^zesty-lattice\/internal\/page-texts$/, replacement: library('markup/page-texts.ts') },
    { find: /^zesty-lattice\/internal\/hot$/, replacement: library('elements/hot.ts') },
    { find: /^zesty-lattice\/internal\/(\w+)$/, replacement: library('internal/$1.ts') },
    { find: /^zesty-lattice$/, replacement: library('index.ts') },
    { find: /^zesty-lattice\/(\w+)$/, replacement: library('$1/index.ts') },
    { find: /^zesty-lattice-tools\/(\w+)$/, replacement: source('tools/src/$1/index.ts') },
  ];
}
