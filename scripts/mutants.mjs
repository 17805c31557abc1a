// Breaks single lines of the sources and runs the tests of their rooms: what survives is seen by no test.
//
//   npm run mutants -- --sample 200 --seed 1          a sample of all rooms
//   npm run mutants -- --only template/escape         all of one file
//   npm run mutants -- --again list.txt               those that an earlier run printed, one in a line
//
// What cannot be seen by any test is listed in scripts/mutants.json, each with its reason.
import { fork } from 'node:child_process';
import { once } from 'node:events';
import { cpSync, mkdirSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { parse } from '@babel/parser';
import { root } from './setup.mjs';

const { values } = parseArgs({
  options: {
    sample: { type: 'string', default: '200' },
    seed: { type: 'string', default: String(Date.now() % 100_000) },
    only: { type: 'string' },
    again: { type: 'string' },
    list: { type: 'boolean', default: false },
  },
});

/** The tests of each room, the quickest to fail first. */
const rooms = {
  'lattice/src/problem': ['tests/template', 'tests/problems', 'tests/define', 'tests/tree'],
  'lattice/src/template': ['tests/template', 'tests/define', 'tests/html', 'tests/tree'],
  'lattice/src/component': ['tests/define', 'tests/problems'],
  'lattice/src/plan': ['tests/plan', 'tests/define', 'tests/tree', 'tests/html'],
  'lattice/src/code': ['tests/html', 'tests/markup'],
  'lattice/src/styles': ['tests/styles', 'tests/html', 'tests/mail'],
  'lattice/src/tree': ['tests/tree', 'tests/problems', 'tests/define'],
  'lattice/src/html': ['tests/html', 'tests/define', 'tests/loading', 'tests/mail'],
  'lattice/src/markup': ['tests/markup', 'tests/problems', 'tests/tree'],
  'tools/src/adopt': ['tests/markup'],
};

/** What a room's own tests do not see, another's may: all are run before a mutant counts as unseen. */
const everyRoom = [
  'template',
  'define',
  'plan',
  'tree',
  'styles',
  'html',
  'problems',
  'mail',
  'loading',
  'markup',
  'same',
  'recorded',
].map((name) => `tests/${name}`);
const testsFor = (file) => [...new Set([...rooms[roomOf(file)], ...everyRoom])];

/** Files whose lines do what docs/security.md promises: none of their mutants may survive. */
const promised =
  /template\/escape|problem\/script-url|template\/trusted|template\/attributes\/(?:text|tables|url)/;

const known = JSON.parse(readFileSync(join(root, 'scripts/mutants.json'), 'utf8'));

/** Every way to break a file, each with its place. */
function mutantsOf(file) {
  const text = readFileSync(join(root, 'packages', file), 'utf8');
  const tree = parse(text, { sourceType: 'module', plugins: ['typescript'] });
  const lines = text.split('\n');
  const found = [];
  const add = (what, { start, end, loc }, replacement) => {
    const before = text.slice(start, end);
    if (before !== replacement) {
      const { line } = loc.start;
      found.push({ file, what, start, end, replacement, before, line, text: lines[line - 1].trim() });
    }
  };
  const visit = (node, parent, key) => {
    if (!node || typeof node.type !== 'string') return;
    // Types are for the compiler, which sees them by itself.
    if (
      node.exportKind === 'type' ||
      (/^TS|^(?:Import|ExportAll)/.test(node.type) &&
        !/^TS(?:As|NonNull|Satisfies)Expression$/.test(node.type))
    )
      return;
    breakNode(node, parent, key, add, text);
    for (const [name, value] of Object.entries(node)) {
      if (name === 'loc' || name === 'typeAnnotation' || name === 'typeParameters' || name === 'returnType')
        continue;
      if (Array.isArray(value)) for (const one of value) visit(one, node, name);
      else if (value && typeof value === 'object') visit(value, node, name);
    }
  };
  visit(tree.program, undefined, '');
  return found;
}

const other = {
  '<': '<=',
  '<=': '<',
  '>': '>=',
  '>=': '>',
  '===': '!==',
  '!==': '===',
  '&&': '||',
  '||': '&&',
  '+': '-',
  '-': '+',
  '??': '&&',
};

function breakNode(node, parent, key, add, text) {
  const of = ({ start, end }) => text.slice(start, end);
  switch (node.type) {
    case 'IfStatement':
    case 'ConditionalExpression':
    case 'WhileStatement':
      add('condition', node.test, `!(${of(node.test)})`);
      return;
    case 'BinaryExpression':
    case 'LogicalExpression': {
      const operator = other[node.operator];
      // Texts are put together, never taken apart.
      const isText = node.operator === '+' && /Literal/.test(node.left.type + node.right.type);
      if (operator && !isText) add(node.operator, node, `(${of(node.left)} ${operator} ${of(node.right)})`);
      return;
    }
    case 'NumericLiteral':
      add('number', node, `${node.value + 1}`);
      return;
    case 'BooleanLiteral':
      add('boolean', node, `${!node.value}`);
      return;
    case 'StringLiteral':
      // A finding's words are for people: their tests are in tests/problems.
      if (parent?.type === 'ObjectProperty' && key === 'key') return;
      if (node.value.length > 24) return;
      add('text', node, node.value === '' ? "'!'" : "''");
      return;
    case 'ExpressionStatement':
      if (node.expression.type === 'CallExpression') add('call left out', node, ';');
      return;
    case 'ReturnStatement':
      if (node.argument && node.argument.type !== 'Identifier')
        add('return', node.argument, 'undefined as never');
      return;
    case 'CallExpression': {
      const [first, second] = node.arguments;
      if (first?.type === 'Identifier' && second?.type === 'Identifier')
        add('order', { start: first.start, end: second.end, loc: first.loc }, `${of(second)}, ${of(first)}`);
      return;
    }
    case 'UnaryExpression':
      if (node.operator === '!') add('not', node, of(node.argument));
      return;
  }
}

/** Numbers from 0 to 1, the same for the same seed. */
function dice(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let x = Math.imul(state ^ (state >>> 15), 1 | state);
    x = (x + Math.imul(x ^ (x >>> 7), 61 | x)) ^ x;
    return ((x ^ (x >>> 14)) >>> 0) / 2 ** 32;
  };
}

const roomOf = (file) => Object.keys(rooms).find((room) => file.startsWith(`${room}/`));
const files = Object.keys(rooms)
  .flatMap((room) =>
    readdirSync(join(root, 'packages', room), { recursive: true, encoding: 'utf8' }).map(
      (name) => `${room}/${name}`,
    ),
  )
  .filter((file) => file.endsWith('.ts') && (!values.only || file.includes(values.only)));
const all = files.flatMap(mutantsOf);
const isKnown = ({ before, file, text, what }) =>
  known.some((one) => one.file === file && one.what === what && one.before === before && one.line === text);
const random = dice(Number(values.seed));
/** Those that an earlier run named. */
const named = values.again
  ? [...readFileSync(values.again, 'utf8').matchAll(/(\S+\.ts):(\d+) +([^:\n]+?)(?::.*)?$/gm)]
  : [];
const isNamed = ({ file, line, what }) =>
  named.some(
    ([, path, number, kind]) => path.endsWith(file) && Number(number) === line && kind.trim() === what,
  );
const chosen = values.again
  ? all.filter(isNamed)
  : values.only
    ? all
    : all
        .map((one) => [random(), one])
        .sort(([a], [b]) => a - b)
        .slice(0, Number(values.sample))
        .map(([, one]) => one);

/** A copy of what the tests of rooms read, so that several are broken at once. */
function copyFor(number) {
  const folder = join(root, `out/mutants/${number}`);
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  for (const name of [
    'packages',
    'tests',
    'scripts',
    'examples',
    'docs',
    'vitest.config.ts',
    'tsconfig.json',
    'package.json',
  ])
    cpSync(join(root, name), join(folder, name), {
      recursive: true,
      filter: (path) => !/\/(?:dist|node_modules|out-[^/]*|screenshots)$/.test(path),
    });
  symlinkSync(join(root, 'node_modules'), join(folder, 'node_modules'));
  return folder;
}

/** A process that runs tests in a copy, and is started again where a mutant never ends. */
class Runner {
  constructor(number) {
    this.folder = copyFor(number);
  }

  async #started() {
    this.child = fork(join(root, 'scripts/mutants-runner.mjs'), {
      cwd: this.folder,
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
      detached: true,
    });
    this.ended = once(this.child, 'exit').then(() => [true]);
    await once(this.child, 'message');
  }

  /** Returns whether tests fail with a file's text in place of its own. What never ends is seen, too. */
  async fails(file, text, tests, within = 150_000) {
    if (!this.child) await this.#started();
    const path = join(this.folder, 'packages', file);
    const { child } = this;
    const before = readFileSync(path, 'utf8');
    let timer;
    const late = new Promise((done) => {
      timer = setTimeout(() => done([true]), within);
    });
    const asked = new AbortController();
    child.send({ file: path, text, tests });
    const [isSeen] = await Promise.race([
      once(child, 'message', asked).catch(() => [true]),
      this.ended,
      late,
    ]);
    asked.abort();
    clearTimeout(timer);
    if (isSeen && (child.exitCode !== null || readFileSync(path, 'utf8') === text)) {
      this.stop();
      writeFileSync(path, before);
    }
    return isSeen;
  }

  /** Starts again with a copy of its own that nothing was broken in. */
  renew() {
    this.stop();
    for (const name of ['lattice', 'tools'])
      cpSync(join(root, 'packages', name, 'src'), join(this.folder, 'packages', name, 'src'), {
        recursive: true,
      });
  }

  stop() {
    if (this.child?.exitCode === null) process.kill(-this.child.pid, 'SIGKILL');
    this.child = undefined;
  }
}

/** Whether the tests of a mutant's room fail. */
function isSeen({ end, file, replacement, start }, runner) {
  // As it was when all began: somebody may be working on it.
  const text = readFileSync(join(runner.folder, 'packages', file), 'utf8');
  return runner.fails(file, text.slice(0, start) + replacement + text.slice(end), testsFor(file));
}

console.log(
  `${all.length} ways to break ${files.length} files; ${chosen.length} are tried, seed ${values.seed}`,
);
const survived = [];
const runners = [];
const stopAll = () => {
  for (const runner of runners) runner.stop();
};
for (const signal of ['SIGINT', 'SIGTERM'])
  process.once(signal, () => {
    stopAll();
    process.exit(1);
  });
let tried = 0;
const note = (mutant, seen) => {
  tried++;
  if (!seen) survived.push(mutant);
  if (tried % 20 === 0) console.log(`${tried} tried, ${survived.length} survived`);
  if (values.list && !seen) console.log(`  ${mutant.file}:${mutant.line} ${mutant.what}`);
};
/** Whether the tests of a room pass in a runner's copy with nothing broken. */
const passes = async (runner) =>
  !files[0] ||
  !(await runner.fails(
    files[0],
    readFileSync(join(runner.folder, 'packages', files[0]), 'utf8'),
    rooms[roomOf(files[0])],
    180_000,
  ));
const queue = [...chosen];
await Promise.all(
  Array.from({ length: availableParallelism() }, async (_, number) => {
    const runner = new Runner(number);
    runners.push(runner);
    const [first] = files;
    if (
      number === 0 &&
      first &&
      (await runner.fails(first, readFileSync(join(root, 'packages', first), 'utf8'), ['tests'], 400_000))
    )
      throw new Error('The tests fail with nothing broken.');
    /** What was seen since the tests were last known to pass with nothing broken. */
    let unsure = [];
    for (let mutant = queue.pop(); mutant || unsure.length > 0; mutant = queue.pop()) {
      if (mutant && isKnown(mutant)) continue;
      if (mutant && !(await isSeen(mutant, runner))) {
        note(mutant, false);
        continue;
      }
      if (mutant) unsure.push(mutant);
      if (unsure.length < 10 && mutant) continue;
      // A runner that was left broken would count every mutant as seen: those are tried again.
      if (await passes(runner)) for (const one of unsure) note(one, true);
      else {
        console.log(`A runner fails with nothing broken; ${unsure.length} are tried again.`);
        runner.renew();
        if (!(await passes(runner))) throw new Error('The tests fail with nothing broken.');
        queue.push(...unsure);
      }
      unsure = [];
    }
  }),
);
stopAll();
survived.sort((a, b) => a.file.localeCompare(b.file) || a.line - b.line);
for (const { before, file, line, replacement, what } of survived)
  console.log(
    `packages/${file}:${line}  ${what}: ${before.slice(0, 60)} → ${replacement.slice(0, 60)}`.replaceAll(
      '\n',
      ' ',
    ),
  );
const rate = tried === 0 ? 1 : 1 - survived.length / tried;
console.log(`${tried - survived.length} of ${tried} were seen (${(rate * 100).toFixed(1)} %)`);
const broken = survived.filter(({ file }) => promised.test(file));
if (broken.length > 0) console.log(`${broken.length} of them are in what docs/security.md promises.`);
process.exitCode = rate < 0.9 || broken.length > 0 ? 1 : 0;
