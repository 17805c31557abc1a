// Builds packages/*/dist: with tsc a file a module, so that a page's bundler leaves out all that a page does not use, and
// from these a bundle for Node in dist/node, since Node takes longer to find two hundred small files than to run them.
import {
  chmodSync,
  copyFileSync,
  cpSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';
import { root, run } from './setup.mjs';
import { standIn, standIns } from './stand-ins.mjs';

const inLibrary = (path) => join(root, 'packages/lattice/dist', path);
const inTools = (path) => join(root, 'packages/tools/dist', path);

/** What Node loads of the library: its entry points, those of the tools among them, and what is loaded when it is first needed. */
const library = {
  index: 'index.js',
  html: 'html/index.js',
  mail: 'mail/index.js',
  elements: 'elements/index.js',
  markup: 'markup/index.js',
  'markup-reader': 'markup/node-reader.js',
  'css-reader': 'styles/css.js',
};

/** What Node loads of the tools: entry points, the command, and what is loaded when it is first needed. */
const tools = {
  adopt: 'adopt/index.js',
  check: 'check/index.js',
  describe: 'describe/index.js',
  testing: 'testing/index.js',
  vite: 'vite/index.js',
  bundlers: 'bundlers/index.js',
  cli: 'cli/main.js',
  'cli-run': 'cli/run.js',
  'batch-worker': 'batch/worker.js',
  'module-hooks': 'check/module-hooks.js',
  'project-reader': 'reading/reader.js',
};

/** Files that others stand for in Node: each says why. */
const inNode = {
  ...Object.fromEntries(standIns.map((name) => [name, inLibrary(`${standIn(name, 'node')}.js`)])),
  '#markup': inLibrary('markup/lazy.js'),
  './css.js': inLibrary('styles/css-lazy.js'),
  '../styles/css.js': inLibrary('styles/css-lazy.js'),
  './source-maps.js': inLibrary('problem/source-maps-none.js'),
  './is-dev.js': inLibrary('problem/is-dev-asked.js'),
};

/** Has files stand for others. */
function standingIn(files) {
  return {
    name: 'standing-in',
    setup: ({ onResolve }) =>
      onResolve({ filter: /^#|\/(?:css|source-maps|is-dev)\.js$/ }, ({ path }) =>
        path in files ? { path: files[path] } : undefined,
      ),
  };
}

/** Bundles entry points for Node, what they share in files of its own. */
function forNode(entries, from, options = {}) {
  return build({
    entryPoints: Object.fromEntries(Object.entries(entries).map(([name, path]) => [name, from(path)])),
    outdir: from('node'),
    bundle: true,
    splitting: true,
    format: 'esm',
    platform: 'node',
    target: 'node20',
    chunkNames: 'shared-[hash]',
    logLevel: 'warning',
    ...options,
  });
}

/** What the packages ask for whose code stands in ours. */
const licences = new Set();

/** Puts the code of packages into a module that names them. */
async function forEverywhere(path, options = {}) {
  const { metafile } = await build({
    entryPoints: [inLibrary(path)],
    outfile: inLibrary(path),
    allowOverwrite: true,
    bundle: true,
    format: 'esm',
    platform: 'browser',
    target: 'es2022',
    logLevel: 'warning',
    metafile: true,
    ...options,
  });
  noteLicences(metafile);
}

/** Keeps the licences of the packages whose code stands in what was built. */
function noteLicences(metafile) {
  for (const input of Object.keys(metafile.inputs)) {
    const [, inside] = /node_modules\/((?:@[^/]+\/)?[^/]+)\//.exec(input) ?? [];
    if (!inside) continue;
    const folder = join(root, 'node_modules', inside);
    const name = readdirSync(folder).find((file) => /^licen[cs]e/i.test(file));
    if (name) licences.add(`${inside}\n\n${readFileSync(join(folder, name), 'utf8').trim()}\n`);
  }
}

const filesIn = (folder) => readdirSync(folder, { recursive: true, encoding: 'utf8' });

rmSync(inLibrary(''), { recursive: true, force: true });
rmSync(inTools(''), { recursive: true, force: true });
run('npx', ['tsc', '-p', 'packages/lattice']);
const internal = filesIn(inLibrary('internal')).filter((name) => name.endsWith('.js'));
for (const name of internal) library[`internal/${name.replace(/\.js$/, '')}`] = `internal/${name}`;
// Parsers that ask for modules of Node, which they do not need for what is asked of them here: a bundler that is told to
// assume neither Node nor a browser could not resolve them.
await forEverywhere('markup/syntax/tag-parser.js', {
  alias: { 'node:stream': join(root, 'scripts/plain-stream.mjs') },
  external: ['parse5'],
});
await forEverywhere('styles/css.js', { minify: true });
const { dependencies, peerDependencies } = JSON.parse(
  readFileSync(join(root, 'packages/lattice/package.json'), 'utf8'),
);
// The parser of HTML stands in the bundle: finding its two dozen files takes longer than reading a page.
const { metafile } = await forNode(library, inLibrary, {
  plugins: [standingIn(inNode)],
  metafile: true,
  external: Object.keys({ ...dependencies, ...peerDependencies }).filter((name) => name !== 'parse5'),
});
noteLicences(metafile);
writeFileSync(inLibrary('third-party.txt'), [...licences].sort().join('\n\n'));
// One module for pages without a build: with the words of problems, since nobody else would tell them there.
await build({
  entryPoints: [inLibrary('browser.js')],
  outfile: inLibrary('browser.js'),
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
      '#watch': inNode['#watch'],
      './source-maps.js': inNode['./source-maps.js'],
    }),
  ],
});
for (const name of ['LICENSE', 'CHANGELOG.md', 'CONTRIBUTING.md'])
  copyFileSync(join(root, name), join(root, 'packages/lattice', name));
// Pictures stay in the repository.
const withoutPictures = (text) =>
  text.replace(/!\[[^\]]*\]\([^)]*\)/g, '').replace(/\[([^\]]*)\]\([^)]*\.png\)/g, '$1');
const readme = readFileSync(join(root, 'README.md'), 'utf8');
writeFileSync(join(root, 'packages/lattice/README.md'), withoutPictures(readme));
copyFileSync(join(root, 'LICENSE'), join(root, 'packages/tools/LICENSE'));
const docs = join(root, 'packages/lattice/docs');
rmSync(docs, { recursive: true, force: true });
mkdirSync(docs);
for (const name of readdirSync(join(root, 'docs')))
  if (name.endsWith('.md'))
    writeFileSync(join(docs, name), withoutPictures(readFileSync(join(root, 'docs', name), 'utf8')));

run('npx', ['tsc', '-p', 'packages/tools']);
await forNode(tools, inTools, { packages: 'external' });
/** What a page loads of the tools: of all else the bundle and the types are left. */
const inPage = /^(?:inspect\/|testing\/(?:page|mount|plain)\.js$)/;
for (const file of filesIn(inTools(''))) {
  if (file.startsWith('node/') || !file.endsWith('.js') || inPage.test(file)) continue;
  rmSync(inTools(file));
}
// The page of the preview, and what runs in its stage: modules of their own, since the preview needs no build.
const { build: bundle } = await import('vite');
const { default: lattice } = await import(inTools('node/vite.js'));
await bundle({
  root,
  configFile: false,
  logLevel: 'error',
  publicDir: false,
  plugins: [lattice()],
  build: {
    outDir: inTools('preview'),
    emptyOutDir: false,
    lib: {
      entry: join(root, 'packages/tools/src/preview/page/main.ts'),
      formats: ['es'],
      fileName: () => 'page.js',
    },
  },
});
await build({
  entryPoints: [join(root, 'packages/tools/src/preview/stage/main.ts')],
  outfile: inTools('preview/stage.js'),
  bundle: true,
  minify: true,
  format: 'esm',
  target: 'es2022',
  logLevel: 'warning',
});
// What `lattice new --project` writes.
cpSync(join(root, 'examples/start'), inTools('start'), { recursive: true });
chmodSync(inTools('node/cli.js'), 0o755);
writeFileSync(inTools('built'), `${new Date().toISOString()}\n`);
