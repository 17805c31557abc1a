// Writes docs/reference.md, every public name of every entry point with the first sentence of its doc comment, and
// docs/options.md, every option of every public call with its type and its comment.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parse } from '@babel/parser';

const root = fileURLToPath(new URL('..', import.meta.url));
const read = (path) => readFileSync(join(root, path), 'utf8');

/** Entry points, by what is imported. */
const entries = {
  'zesty-lattice': 'lattice/src/index.ts',
  'zesty-lattice/html': 'lattice/src/html/index.ts',
  'zesty-lattice/mail': 'lattice/src/mail/index.ts',
  'zesty-lattice/elements': 'lattice/src/elements/index.ts',
  'zesty-lattice/markup': 'lattice/src/markup/index.ts',
  'zesty-lattice/browser': 'lattice/src/browser.ts',
  ...Object.fromEntries(
    ['adopt', 'bundlers', 'check', 'describe', 'inspect', 'testing', 'vite'].map((name) => [
      `zesty-lattice-tools/${name}`,
      `tools/src/${name}/index.ts`,
    ]),
  ),
};

const declared =
  /(?:\/\*\*((?:(?!\*\/)[\s\S])*)\*\/\s*)?^export (?:declare )?(?:abstract )?(?:async )?(interface|type|function|const|class) (\w+)/gm;

/** What each package declares, by name: whether it is a type, and the first sentence of what is said of it. */
const known = new Map();
for (const part of ['lattice', 'tools'])
  for (const file of readdirSync(join(root, 'packages', part, 'src'), {
    recursive: true,
    encoding: 'utf8',
  })) {
    if (!file.endsWith('.ts')) continue;
    for (const [, comment = '', kind, name] of read(`packages/${part}/src/${file}`).matchAll(declared)) {
      const one = { isType: kind === 'interface' || kind === 'type', says: sentence(comment) };
      const key = `${part} ${name}`;
      if (!known.get(key)?.says) known.set(key, one);
    }
  }

/** The first sentence of a doc comment. */
function sentence(comment) {
  const text = comment
    .replace(/^\s*\* ?/gm, '')
    .replace(/@\w+[\s\S]*/, '')
    .replace(/\s+/g, ' ')
    .trim();
  const [first = ''] = /^.*?[.:](?= |$)/.exec(text) ?? [text];
  return first.replace(/:$/, '.').replaceAll('|', '\\|').replace(/</g, '&lt;');
}

/** The names that a module exports, each with whether it is exported as a type. */
function namesIn(path) {
  const text = read(`packages/${path}`);
  const names = new Map();
  for (const [, areTypes, list] of text.matchAll(/^export (type )?\{([^}]*)\}/gm))
    for (const one of list.split(',').map((part) => part.trim()))
      if (one !== '')
        names.set(
          one
            .replace(/^type /, '')
            .split(' as ')
            .at(-1),
          !!areTypes || one.startsWith('type '),
        );
  for (const [, , kind, name] of text.matchAll(declared)) names.set(name, /interface|type/.test(kind));
  names.delete('default');
  return [...names].map(([name, isType]) => ({ name, isType })).sort((a, b) => (a.name < b.name ? -1 : 1));
}

/** The page, as text. */
export function reference() {
  const lines = [
    '# Reference',
    '',
    'Every public name of every entry point. `node scripts/reference.mjs` writes this page from the sources.',
    '[Options](options.md) has the options of each call. Types "for declarations" appear in inferred types; you do not need',
    'to name them.',
  ];
  for (const [entry, path] of Object.entries(entries)) {
    const part = path.split('/')[0];
    const all = namesIn(path).map((one) => ({ ...known.get(`${part} ${one.name}`), ...one }));
    lines.push('', `## ${entry}`, '', '| | |', '|---|---|');
    for (const { name, says = '' } of all.filter(({ isType }) => !isType))
      lines.push(`| \`${name}\` | ${says} |`);
    const types = all.filter(({ isType }) => isType);
    for (const { name, says } of types.filter((one) => one.says))
      lines.push(`| type \`${name}\` | ${says} |`);
    const bare = types.filter(({ says }) => !says).map(({ name }) => `\`${name}\``);
    if (bare.length > 0) lines.push(`| for declarations | ${bare.join(', ')} |`);
  }
  return `${lines.join('\n')}\n`;
}

/** Records of options, in the order that they are shown: the call, the interface, and its file. */
const optionRecords = [
  ['component(name, { … })', 'Definition', 'lattice/src/component/definition.ts'],
  ['eachOf(list, row, { … })', 'EachOptions', 'lattice/src/template/nodes/each.ts'],
  ['renderHtml, renderBytes', 'RenderOptions', 'lattice/src/html/render.ts'],
  ['renderPage, renderPageBytes', 'PageOptions', 'lattice/src/html/page.ts'],
  ['renderHtmlAsync', 'LateOptions', 'lattice/src/html/late/render.ts'],
  ['streamHtml', 'StreamOptions', 'lattice/src/html/late/render.ts'],
  ['loads: { … }', 'LoadOptions', 'lattice/src/html/late/loads.ts'],
  ['renderDocument', 'DocumentOptions', 'lattice/src/markup/document/render-document.ts'],
  ['catalog', 'CatalogOptions', 'lattice/src/markup/document/catalog.ts'],
  ['register', 'SheetOptions', 'lattice/src/elements/runtime/page-sheets.ts'],
  ['the Vite plugin', 'LatticeOptions', 'tools/src/vite/options.ts'],
  ['the plugins for other bundlers', 'BundlerOptions', 'tools/src/bundlers/index.ts'],
  ['check', 'CheckOptions', 'tools/src/check/check.ts'],
  ['adopt', 'AdoptOptions', 'tools/src/adopt/adopt.ts'],
  ['samplesOf', 'SampleOptions', 'tools/src/testing/samples-of.ts'],
  ['mount', 'MountOptions', 'tools/src/testing/mount.ts'],
];

const plainText = (comment) =>
  comment
    .replace(/^\s*\* ?/gm, '')
    .replace(/@\w+[\s\S]*/, '')
    .replace(/\s+/g, ' ')
    .trim();
const cell = (text) => text.replace(/\s+/g, ' ').trim().replaceAll('|', '\\|');

/** The fields of an interface: name, type and comment of each, in their order. */
function fieldsOf(name, path) {
  const tree = parse(read(`packages/${path}`), { sourceType: 'module', plugins: ['typescript'] });
  const text = read(`packages/${path}`);
  const found = tree.program.body
    .map((node) => node.declaration)
    .find((node) => node?.type === 'TSInterfaceDeclaration' && node.id.name === name);
  if (!found) throw new Error(`There is no interface ${name} in ${path}.`);
  const fields = found.body.body.map((field) => {
    const type = field.typeAnnotation.typeAnnotation;
    const comment = field.leadingComments?.at(-1)?.value ?? '';
    const isFunction = /=>/.test(text.slice(type.start, type.end));
    const written = text.slice(type.start, type.end);
    return {
      name: field.key.name,
      isOptional: field.optional === true,
      type: isFunction && written.length > 110 ? 'function' : written,
      says: plainText(comment.replace(/^\*/, '')),
    };
  });
  const bases = (found.extends ?? []).map((base) =>
    cell(text.slice(base.start, base.end)).replace(/< | >/g, (edge) => edge.trim()),
  );
  return { bases, fields };
}

/** The page of options, as text. */
export function options() {
  const lines = [
    '# Options',
    '',
    'All options of all calls. `node scripts/reference.mjs` writes this page from the sources. An option without "required" is',
    'optional. The options of the commands are in `lattice <command> --help`.',
  ];
  for (const [call, name, path] of optionRecords) {
    const { bases, fields } = fieldsOf(name, path);
    lines.push('', `## ${call}`, '');
    if (bases.length > 0)
      lines.push(`Also the options of ${bases.map((base) => `\`${base}\``).join(', ')}.`, '');
    lines.push('| option | | type |', '|---|---|---|');
    for (const { isOptional, name, says, type } of fields)
      lines.push(`| \`${name}\` | ${cell(`${isOptional ? '' : 'Required. '}${says}`)} | \`${cell(type)}\` |`);
  }
  return `${lines.join('\n')}\n`;
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  writeFileSync(join(root, 'docs/reference.md'), reference());
  writeFileSync(join(root, 'docs/options.md'), options());
}
