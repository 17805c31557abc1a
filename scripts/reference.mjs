// Writes docs/reference.md: every public name of every entry point, with the first sentence of its doc comment.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

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
    'Types without a sentence are there for the declarations of others; nobody has to name them.',
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

if (process.argv[1] === fileURLToPath(import.meta.url))
  writeFileSync(join(root, 'docs/reference.md'), reference());
