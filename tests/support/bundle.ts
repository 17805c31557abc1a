import { fileURLToPath } from 'node:url';
import { build } from 'vite';
import { lattice } from '../../src/vite/index.js';

const source = (path: string): string => fileURLToPath(new URL(`../../src/${path}`, import.meta.url));

/** Bundles a module for the browser, with the library's own sources behind its doors. */
export async function bundle(
  entry: URL,
  options: {
    readonly minify?: boolean;
    readonly production?: boolean;
    readonly ahead?: boolean;
    readonly maps?: boolean;
    readonly compareFixed?: boolean;
    /** As a page is built without the plugin. */
    readonly plain?: boolean;
  } = {},
): Promise<string> {
  const result = await build({
    configFile: false,
    // Some of these components are wrong on purpose.
    plugins: options.plain
      ? []
      : lattice({ ahead: options.ahead ?? false, compareFixed: options.compareFixed ?? false }).filter(
          ({ name }) => name !== 'zesty-lattice:checking',
        ),
    logLevel: 'error',
    define: { 'process.env.NODE_ENV': JSON.stringify(options.production ? 'production' : 'development') },
    resolve: {
      alias: [
        {
          find: '#look',
          replacement: source(`elements/runtime/first-look${options.production ? '-none' : ''}.ts`),
        },
        {
          find: '#dev',
          replacement: source(options.production ? 'problem/production.ts' : 'problem/dev.ts'),
        },
        { find: '#markup', replacement: source('markup/page-none.ts') },
        { find: /^zesty-lattice\/runtime$/, replacement: source('elements/runtime/index.ts') },
        { find: /^zesty-lattice\/testing$/, replacement: source('testing/page.ts') },
        { find: /^zesty-lattice\/markup$/, replacement: source('markup/page.ts') },
        { find: /^zesty-lattice\/vite\/texts$/, replacement: source('markup/page-texts.ts') },
        { find: /^zesty-lattice$/, replacement: source('index.ts') },
        { find: /^zesty-lattice\/(\w+)$/, replacement: source('$1/index.ts') },
      ],
    },
    build: {
      write: false,
      minify: options.minify ?? false,
      sourcemap: options.minify || options.maps === false ? false : 'inline',
      target: 'es2022',
      lib: { entry: fileURLToPath(entry), formats: ['es'], fileName: 'bundle' },
    },
  });
  const [output] = Array.isArray(result) ? result : [result];
  if (!output || !('output' in output)) throw new Error('Nothing was built.');
  return output.output[0].code;
}
