import { join } from 'node:path';
import { build } from 'vite';

/** Makes plain modules of the measurements in out/bench; the library stays as it was built, as its users run it. */
export async function bundleBench(root, from = root) {
  const names = ['run', 'growth', 'start', 'escapes', 'names'];
  await build({
    configFile: false,
    root,
    logLevel: 'error',
    build: {
      outDir: join(root, 'out/bench'),
      emptyOutDir: true,
      target: 'es2022',
      minify: false,
      lib: {
        entry: Object.fromEntries(names.map((name) => [name, join(from, 'bench/html', `${name}.ts`)])),
        formats: ['es'],
      },
      rollupOptions: { external: [/^zesty-lattice/, 'entities'] },
    },
  });
}
