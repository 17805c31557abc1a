// npm run size: what a page has to load, in production form, and what each part of the library weighs in it.
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { build as bundle } from 'vite';
import { build, install, root } from '../scripts/setup.mjs';

install();
build();

async function output(entry, minify) {
  const { output } = await bundle({
    configFile: false,
    root,
    logLevel: 'error',
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

const kb = (bytes) => `${(bytes / 1024).toFixed(2)} KB`;
for (const [name, entry] of [
  ['counter', 'bench/counter.ts'],
  ['counter, its template as HTML text', 'bench/counter-text.ts'],
  ['sortable list', 'bench/rows.ts'],
  ['open day example', 'examples/open-day/main.ts'],
]) {
  let plain;
  try {
    plain = await output(entry, false);
  } catch (thrown) {
    if (/Could not resolve entry|Cannot resolve entry/.test(String(thrown))) continue;
    throw thrown;
  }
  const { code } = await output(entry, 'oxc');
  const [gzip, brotli] = [gzipSync(code, { level: 9 }).length, brotliCompressSync(code).length];
  console.log(
    `${name}: plain ${kb(plain.code.length)}, minified ${kb(code.length)}, gzip ${kb(gzip)}, brotli ${kb(brotli)}`,
  );
  const rooms = new Map();
  for (const [id, { renderedLength }] of Object.entries(plain.modules)) {
    const room =
      /dist\/(\w+)\//.exec(id)?.[1] ?? (id.includes('node_modules') ? 'packages' : 'the example itself');
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
