import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, test } from 'vitest';
import { lattice, latticeOf, latticeProcess, root } from './lattice.js';

const folder = mkdtempSync(join(tmpdir(), 'lattice-terminal-'));
afterAll(() => rmSync(folder, { recursive: true }));
const write = (name: string, text: string): string => {
  writeFileSync(join(folder, name), text);
  return join(folder, name);
};

/** Clears a screen, sets a window's title, goes back to the start of the line, turns what follows round. */
const steering = '\x1b[2J\x1b]0;x\x07\r\x9b1m\u202e';
/** Whatever steers a terminal but for colours, which the command itself writes. */
const steers = /\x1b(?!\[\d*(?:;\d+)*m)|[\x00-\x08\x0b\x0c\x0e-\x1a\x1c-\x1f\x7f-\x9f\u202e]|\r(?!\n)/;

const signs = write(
  'signs.mjs',
  `import { component, el, prop } from '${root}packages/lattice/dist/node/index.js';
export const TreeSign = component('tree-sign', { props: { name: prop.text(), rows: prop.number().fallback(1) }, template: ({ props }) => el.p({ title: props.name }, props.rows) });
export const SignPage = component('sign-page', { template: () => TreeSign({ name: ${JSON.stringify(steering)}, rows: ${JSON.stringify(`x${steering}`)} }) });
export const FinePage = component('fine-page', { template: () => TreeSign({ name: ${JSON.stringify(steering)} }) });
`,
);

test.each([
  [
    'check',
    write(
      'page.html',
      `<!doctype html><html lang="en"><title>x</title><p class="${steering}"><x${steering}>`,
    ),
  ],
  ['tree', signs, '-c', 'fine-page'],
  ['render', signs, '-c', 'sign-page'],
  ['render', signs, '-c', 'tree-sign', '--props', JSON.stringify({ [steering]: 1, name: 'x' })],
  ['render', join(folder, `no${steering}.mjs`)],
  [
    'batch',
    signs,
    '-c',
    'tree-sign',
    '--data',
    write('rows.json', JSON.stringify([{ id: steering, name: steering, rows: `x${steering}` }])),
    '--out',
    join(folder, 'out'),
    '--name',
    '{id}.html',
  ],
])('lattice %s %s shows control characters and does not write them', (...args) => {
  const { err, out } = lattice(...args);
  expect(err + out).toMatch(/\\x1b|\\u001b/);
  expect(err + out).not.toMatch(steers);
});

test('a terminal gets them shown, a file as they are', () => {
  const args = ['render', signs, '-c', 'tree-sign', '--props', JSON.stringify({ name: '\x1b[2J' })];
  expect(lattice(...args)).toMatchObject({ err: '', out: expect.stringContaining('\x1b[2J') });
  const command = ['node', 'packages/tools/dist/node/cli.js', ...args].map((one) => `'${one}'`).join(' ');
  const shown = execFileSync('script', ['-qec', command, '/dev/null'], { cwd: root, encoding: 'utf8' });
  expect(shown).toContain('\\x1b[2J');
  expect(shown).not.toMatch(steers);
});

test.each([
  'describe examples/orchard/components',
  'tree examples/orchard/fair-page.ts --json',
  'check examples/orchard --format sarif',
])('%s ends without a word where its reader has left', (command) => {
  const piped = `node packages/tools/dist/node/cli.js ${command} | true; exit "${'$'}{PIPESTATUS[0]}"`;
  const { status, stderr } = spawnSync('bash', ['-c', piped], { cwd: root, encoding: 'utf8' });
  expect(stderr).toBe('');
  expect(status).toBe(0);
});

test('check reads a text from standard input, with the components of other paths', () => {
  const wrong = '<variety-crad name="Dunlight"></variety-crad>';
  const { code, out } = latticeOf(wrong, 'check', '-', 'examples/orchard/components');
  expect(code).toBe(1);
  expect(out).toMatch(/at stdin\.html:1:1/);
  expect(out).toContain('variety-card');
  const alone = latticeOf(
    '<!doctype html>\n<html lang="en"><title>x</title><p id="a" id="b">',
    'check',
    '-',
    '--format',
    'json',
  );
  expect(alone.code).toBe(1);
  expect(JSON.parse(alone.out).problems).toMatchObject([
    { code: 'attribute-doubled', source: { file: `${root}stdin.html`, line: 2 } },
  ]);
  expect(latticeOf('<p>Fine</p>', 'check', '-')).toMatchObject({ code: 0, err: '' });
});

test('a pattern in quotes is the files that a shell would have named', () => {
  const byShell = latticeProcess('check', 'examples/orchard/components/price-tag.ts', '--format', 'json');
  const quoted = latticeProcess('check', 'examples/orchard/components/price-*.ts', '--format', 'json');
  expect(JSON.parse(quoted.out).files).toEqual(JSON.parse(byShell.out).files);
  expect(latticeProcess('check', 'examples/orchard/no-such-*.ts')).toMatchObject({
    code: 2,
    err: 'lattice: No file fits examples/orchard/no-such-*.ts.\n',
  });
});

test('help for a command that there is not says so, and which may be meant', () => {
  const { code, err, out } = latticeProcess('help', 'chekc');
  expect(code).toBe(2);
  expect(err).toContain("unknown command 'chekc'");
  expect(err).toContain('check');
  expect(out).toBe('');
  expect(latticeProcess('help', 'check')).toMatchObject({ code: 0, err: '' });
});
