// npm run site: the site of the docs, made with this library. Reads the reference out of the sources with TypeDoc, makes a
// row of each page, writes the pages with lattice batch and the search with lattice pack, and follows every link.
import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { parse } from 'parse5';
import { register } from 'tsx/esm/api';
import { build, install, root, run } from './setup.mjs';

const [site, work, api] = ['out/site', 'out/site-rows', 'out/site-api'];
const start = performance.now();

// Without the reference it takes a fifth of the time.
const isShort = process.argv.includes('--guides');
// A test that runs beside others has all of this, and must not build it anew.
if (!process.argv.includes('--as-built')) {
  install();
  build();
}
for (const folder of [site, work]) rmSync(join(root, folder), { recursive: true, force: true });
mkdirSync(join(root, site), { recursive: true });
if (!isShort) reference();
register();
const { writeRows } = await import(pathToFileURL(join(root, 'examples/site/rows.ts')).href);
writeRows(join(root, work), join(root, site), isShort);
cpSync(join(root, 'docs/screenshots'), join(root, site, 'pictures'), { recursive: true });
cpSync(join(root, 'examples/site/favicon.ico'), join(root, site, 'favicon.ico'));
const lattice = (...args) => run('node', ['packages/tools/dist/node/cli.js', ...args]);
const page = ['examples/site/doc-page.ts', '--data', `${work}/pages.ndjson`, '--name', '{at}.html'];
lattice('batch', ...page, '--form', 'elements', '--css', 'examples/site/site.css', '--out', site);
lattice('pack', 'examples/site/live.ts', '--out', `${site}/site.js`, '--no-sizes');

const { links, broken, pages } = followed(join(root, site));
for (const one of broken) console.log(`broken  ${one}`);
const seconds = ((performance.now() - start) / 1000).toFixed(1);
console.log(
  `${pages} pages, ${links} links followed, ${broken.length} broken, ${seconds} s: open ${site}/index.html from a server`,
);
if (broken.length > 0) process.exitCode = 1;

/** Reads the reference out of the sources with TypeDoc, which is installed where it is not yet. */
function reference() {
  const tools = join(root, 'examples/site/api');
  const time = (path) => (existsSync(path) ? statSync(path).mtimeMs : 0);
  if (time(join(tools, 'node_modules/.package-lock.json')) < time(join(tools, 'package-lock.json'))) {
    console.log('Installing TypeDoc …');
    run('npm', ['ci', '--prefix', tools, '--no-audit', '--no-fund', '--loglevel=error']);
  }
  run('node', [
    join(tools, 'node_modules/typedoc/bin/typedoc'),
    '--options',
    join(tools, 'typedoc.json'),
    '--out',
    join(root, api),
  ]);
}

/** Follows the links and pictures of all pages of a folder, those to other sites apart. */
function followed(folder) {
  const files = readdirSync(folder).filter((name) => name.endsWith('.html'));
  const ids = new Map();
  const found = [];
  for (const file of files) {
    const own = new Set();
    ids.set(file, own);
    const open = [parse(readFileSync(join(folder, file), 'utf8'))];
    for (let node = open.pop(); node; node = open.pop()) {
      open.push(...(node.childNodes ?? []), ...(node.content ? [node.content] : []));
      for (const { name, value } of node.attrs ?? []) {
        if (name === 'id' || (name === 'name' && node.tagName === 'a')) own.add(value);
        if (name === 'href' || name === 'src' || name === 'data-index') found.push([file, value]);
      }
    }
  }
  const broken = found.filter(([file, address]) => {
    if (/^(?:https?:|data:)/.test(address)) return false;
    const [path, hash] = address.split('#');
    const to = path === '' ? file : path;
    if (!existsSync(resolve(folder, to))) return true;
    return hash !== undefined && hash !== '' && ids.has(to) && !ids.get(to).has(decodeURIComponent(hash));
  });
  return { pages: files.length, links: found.length, broken: broken.map((pair) => pair.join(' → ')) };
}
