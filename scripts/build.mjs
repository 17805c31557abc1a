// Builds dist/: with tsc a file a module, so that a page's bundler leaves out all that a page does not use, and from
// these a bundle for Node in dist/node, since Node takes longer to find two hundred small files than to run them.
import { chmodSync, cpSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';
import { root, run } from './setup.mjs';

const dist = (path) => join(root, 'dist', path);

/** What Node loads: the doors, the command, and what is loaded when it is first needed. */
const entries = {
  index: 'index.js',
  html: 'html/index.js',
  mail: 'mail/index.js',
  elements: 'elements/index.js',
  markup: 'markup/index.js',
  check: 'check/index.js',
  describe: 'describe/index.js',
  testing: 'testing/index.js',
  vite: 'vite/index.js',
  bundlers: 'bundlers/index.js',
  cli: 'cli/main.js',
  'cli-run': 'cli/run.js',
  'batch-worker': 'batch/worker.js',
  'markup-reader': 'markup/node-reader.js',
  'module-hooks': 'check/module-hooks.js',
  'project-reader': 'reading/reader.js',
};

/** Files that others stand for in Node: each says why. */
const inNode = {
  '#markup': dist('markup/lazy.js'),
  '#dev': dist('problem/dev.js'),
  '#look': dist('elements/runtime/first-look.js'),
  './css.js': dist('styles/css-lazy.js'),
  './source-maps.js': dist('problem/source-maps-none.js'),
};

/** Has files stand for others. */
function standingIn(files) {
  return {
    name: 'standing-in',
    setup: ({ onResolve }) =>
      onResolve({ filter: /^#|\/(?:css|source-maps)\.js$/ }, ({ path }) =>
        path in files ? { path: files[path] } : undefined,
      ),
  };
}

/** Rooms that run in Node alone: of these only the bundle and the types are left. */
const nodeOnly = [
  'ahead',
  'batch',
  'bundlers',
  'check',
  'cli',
  'describe',
  'editor',
  'pack',
  'preview',
  'reading',
  'samples',
  'shots',
  'testing',
  'tree-page',
  'vite',
];

/** Of these rooms, what a page loads all the same. */
const inPage = new Set(['testing/page.js', 'testing/mount.js', 'testing/plain.js']);

rmSync(dist(''), { recursive: true, force: true });
run('npx', ['tsc', '-p', 'tsconfig.build.json']);
await build({
  entryPoints: Object.fromEntries(Object.entries(entries).map(([name, path]) => [name, dist(path)])),
  outdir: dist('node'),
  bundle: true,
  splitting: true,
  format: 'esm',
  platform: 'node',
  target: 'node20',
  packages: 'external',
  chunkNames: 'shared-[hash]',
  logLevel: 'warning',
  plugins: [standingIn(inNode)],
});
// One module for pages without a build: with the words of problems, since nobody else would tell them there.
await build({
  entryPoints: [dist('browser.js')],
  outfile: dist('browser.js'),
  allowOverwrite: true,
  bundle: true,
  minify: true,
  format: 'esm',
  platform: 'browser',
  target: 'es2022',
  logLevel: 'warning',
  legalComments: 'none',
  plugins: [
    standingIn({
      '#dev': inNode['#dev'],
      '#look': inNode['#look'],
      './source-maps.js': inNode['./source-maps.js'],
    }),
  ],
});
for (const room of nodeOnly)
  for (const file of readdirSync(dist(room), { recursive: true, encoding: 'utf8' }))
    if (file.endsWith('.js') && !inPage.has(join(room, file))) rmSync(dist(join(room, file)));
// The page of the preview, and what runs in its stage: modules of their own, since the preview needs no build.
const { build: bundle } = await import('vite');
const { default: lattice } = await import(dist('node/vite.js'));
await bundle({
  root,
  configFile: false,
  logLevel: 'error',
  publicDir: false,
  plugins: [lattice()],
  build: {
    outDir: dist('preview'),
    emptyOutDir: false,
    lib: { entry: join(root, 'src/preview/page/main.ts'), formats: ['es'], fileName: () => 'page.js' },
  },
});
await build({
  entryPoints: [join(root, 'src/preview/stage/main.ts')],
  outfile: dist('preview/stage.js'),
  bundle: true,
  minify: true,
  format: 'esm',
  target: 'es2022',
  logLevel: 'warning',
});
// What `lattice new --project` writes.
cpSync(join(root, 'examples/start'), dist('start'), { recursive: true });
chmodSync(dist('node/cli.js'), 0o755);
writeFileSync(dist('built'), `${new Date().toISOString()}\n`);
