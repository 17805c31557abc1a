import { fileURLToPath } from 'node:url';
import { build } from 'vite';
import { lattice } from '../../packages/tools/src/vite/index.js';
import { sourceAliases } from './sources.js';

/** Bundles a module for the browser, with the library's own sources behind its doors. */
export async function bundle(
  entry: URL,
  options: {
    readonly minify?: boolean;
    readonly production?: boolean;
    readonly ahead?: boolean;
    readonly maps?: boolean;
    /** As a page is built without the plugin. */
    readonly plain?: boolean;
  } = {},
): Promise<string> {
  const result = await build({
    configFile: false,
    // Some of these components are wrong on purpose.
    plugins: options.plain
      ? []
      : lattice({ ahead: options.ahead ?? false }).filter(({ name }) => name !== 'zesty-lattice:checking'),
    logLevel: 'error',
    define: { 'process.env.NODE_ENV': JSON.stringify(options.production ? 'production' : 'development') },
    resolve: { alias: sourceAliases('page', options.production) },
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
