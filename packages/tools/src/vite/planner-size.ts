import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import { transform } from 'esbuild';
import type { Rollup } from 'vite';

const zipped = promisify(gzip);

/**
 * What planning takes in the scripts of a build, in KB: the library's modules that only a page which plans elements
 * itself has, minified and zipped by themselves.
 *
 * @param library the folder of the library's modules
 */
export async function plannerSize(bundle: Rollup.OutputBundle, library: string): Promise<string> {
  const runtime = /[\\/](?:elements[\\/]runtime|problem)[\\/]|[\\/]component[\\/](?:rule|kinds[\\/])/;
  const codes = Object.values(bundle).flatMap((one) =>
    one.type !== 'chunk'
      ? []
      : Object.entries(one.modules).flatMap(([id, { code }]) =>
          id.startsWith(library) && !runtime.test(id.slice(library.length)) ? [code ?? ''] : [],
        ),
  );
  const { code } = await transform(codes.join('\n'), { minify: true, logLevel: 'silent' }).catch(() => ({
    code: codes.join('\n'),
  }));
  return ((await zipped(code)).length / 1024).toFixed(1);
}
