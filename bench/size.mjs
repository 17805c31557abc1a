// npm run size: what a page has to load, in production form, and what each part of the library weighs in it.
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { build as bundle } from 'vite';
import { build, install, root } from '../scripts/setup.mjs';

install();
build();
// The plugin is the built one, as users have it.
const { lattice } = await import('zesty-lattice-tools/vite');

async function output(entry, minify, ahead) {
  const { output } = await bundle({
    configFile: false,
    root,
    logLevel: 'warn',
    plugins: [lattice({ ahead })],
    // The built package, resolved as a user's bundler resolves it for production.
    resolve: { conditions: ['production', 'module', 'browser'] },
    build: {
      write: false,
      minify,
      target: 'es2022',
      rollupOptions: { input: entry, output: { format: 'es' } },
    },
  });
  return output.find((one) => one.isEntry);
}

/** The part of the library that a module belongs to. */
function roomOf(id) {
  if (/dist\/elements\/runtime\//.test(id)) return 'elements in the page';
  const room = /dist\/(\w+)\//.exec(id)?.[1];
  return room ?? (id.includes('node_modules') ? 'packages' : 'the example itself');
}

const kb = (bytes) => `${(bytes / 1024).toFixed(2)} KB`;
for (const [name, entry, ahead] of [
  ['counter', 'bench/counter.ts', true],
  ['counter, its template as HTML text', 'bench/counter-text.ts', true],
  ['sortable list', 'bench/sortable-list.ts', true],
  ['open day example', 'examples/open-day/main.ts', true],
  ['counter, planned in the page', 'bench/counter.ts', false],
  ['counter, its template as HTML text that the page reads', 'bench/counter-text.ts', false],
  ['sortable list, planned in the page', 'bench/sortable-list.ts', false],
  ['open day example, planned in the page', 'examples/open-day/main.ts', false],
]) {
  const plain = await output(entry, false, ahead);
  const { code } = await output(entry, 'oxc', ahead);
  const [gzip, brotli] = [gzipSync(code, { level: 9 }).length, brotliCompressSync(code).length];
  console.log(
    `${name}: plain ${kb(plain.code.length)}, minified ${kb(code.length)}, gzip ${kb(gzip)}, brotli ${kb(brotli)}`,
  );
  const rooms = new Map();
  for (const [id, { renderedLength }] of Object.entries(plain.modules)) {
    const room = roomOf(id);
    rooms.set(room, (rooms.get(room) ?? 0) + renderedLength);
  }
  const parts = [...rooms].sort((a, b) => b[1] - a[1]).map(([room, size]) => `${room} ${kb(size)}`);
  console.log(`  of the plain form: ${parts.join(', ')}\n`);
  if (process.argv.includes('--files')) {
    for (const [id, { renderedLength }] of Object.entries(plain.modules).sort(
      (a, b) => b[1].renderedLength - a[1].renderedLength,
    )) {
      if (renderedLength > 0) console.log(`    ${kb(renderedLength).padStart(9)}  ${id.replace(root, '')}`);
    }
  }
}
