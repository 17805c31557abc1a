import { join } from 'node:path';
import { build } from 'vite';
import { lattice } from 'zesty-lattice-tools/vite';

/** Makes plain modules of the measurements in out/bench; the library stays as it was built, as its users run it. */
export async function bundleBench(root, from = root) {
  const names = ['run', 'growth', 'start', 'escapes', 'names', 'profile', 'random'];
  await build({
    configFile: false,
    root,
    logLevel: 'error',
    // The rules and templates of the examples, put in as text; all else is the library's, as Node has it.
    plugins: lattice({ ahead: false }).filter(({ name }) => name === 'zesty-lattice:text-files'),
    build: {
      outDir: join(root, 'out/bench'),
      emptyOutDir: true,
      target: 'es2022',
      minify: false,
      lib: {
        entry: Object.fromEntries(names.map((name) => [name, join(from, 'bench/html', `${name}.ts`)])),
        formats: ['es'],
      },
      rollupOptions: { external: [/^zesty-lattice/, /^node:/, 'entities'] },
    },
  });
}
