// Breaks single lines of the sources and runs the tests of their rooms: what survives is seen by no test. All that are
// chosen stand in the sources as the tests load them, each behind a question whether it is the one that counts now: which
// test files come by it is then known from one run, and nothing on the disk is ever broken.
//
//   npm run mutants -- --sample 200 --seed 1          a sample of all rooms
//   npm run mutants -- --only template/escape         all of one file
//   npm run mutants -- --again list.txt               those that an earlier run printed, one in a line
//
// What cannot be seen by any test is listed in scripts/mutants.json, each with its reason.
import { fork } from 'node:child_process';
import { once } from 'node:events';
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join, relative } from 'node:path';
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

/** The tests of each room, those that know it best first. What they do not see, those of another room may. */
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
  // The name of a property is no value, nor is that of a module.
  if (key === 'source' || (key === 'key' && !parent.computed)) return;
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

/** The text of a file with mutants in it, each where `__broken(its number)` says so. */
function woven(text, mutants) {
  // From the outside in; of one place, as they come.
  const inOrder = [...mutants].sort((a, b) => a.start - b.start || b.end - a.end);
  const write = (start, end, inside) => {
    let out = '';
    let at = start;
    for (let index = 0; index < inside.length; ) {
      const [one, ...rest] = inside.slice(index);
      const within = rest.filter((other) => other.start < one.end);
      out += text.slice(at, one.start) + wrapped(one, write(one.start, one.end, within));
      at = one.end;
      index += 1 + within.length;
    }
    return out + text.slice(at, end);
  };
  return write(0, text.length, inOrder);
}

/** A mutant and what it stands for, of which one is run. */
function wrapped({ id, replacement, what }, original) {
  const isNow = `globalThis.__broken(${id})`;
  if (what === 'call left out') return `{ if (!${isNow}) ${original} }`;
  if (what === 'order') return `...(${isNow} ? [${replacement}] : [${original}])`;
  return `(${isNow} ? (${replacement}) : (${original}))`;
}

/** A process that runs tests, and is started again where a mutant never ends. */
class Runner {
  /** Apart: each test file loads all by itself, so that what one has made does not keep another from coming by. */
  constructor(apart = false) {
    this.apart = apart;
  }

  async #started() {
    this.child = fork(join(root, 'scripts/mutants-runner.mjs'), {
      cwd: root,
      env: { ...process.env, LATTICE_MUTANTS: folder, ...(this.apart && { LATTICE_APART: '1' }) },
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
      detached: true,
    });
    this.ended = once(this.child, 'exit').then(() => [{ failed: true }]);
    await once(this.child, 'message');
  }

  /** What comes of test files, one after the other until one fails. What never ends has failed, too. */
  async run(broken, files, within = 300_000) {
    if (!this.child) await this.#started();
    const { child } = this;
    let timer;
    const late = new Promise((done) => {
      timer = setTimeout(() => done([{ failed: true, isLate: true }]), within);
    });
    const asked = new AbortController();
    child.send({ broken, files });
    const [came] = await Promise.race([once(child, 'message', asked), this.ended, late]);
    asked.abort();
    clearTimeout(timer);
    if (came.isLate || child.exitCode !== null) this.stop();
    return came;
  }

  stop() {
    if (this.child?.exitCode === null) process.kill(-this.child.pid, 'SIGKILL');
    this.child = undefined;
  }
}

const tried = chosen.filter((one) => !isKnown(one)).map((one, id) => ({ ...one, id }));
console.log(
  `${all.length} ways to break ${files.length} files; ${tried.length} are tried, seed ${values.seed}`,
);
const folder = join(root, 'out/mutants');
mkdirSync(folder, { recursive: true });
const texts = {};
for (const file of new Set(tried.map((one) => one.file))) {
  const path = join(root, 'packages', file);
  texts[path] = woven(
    readFileSync(path, 'utf8'),
    tried.filter((one) => one.file === file),
  );
}
writeFileSync(join(folder, 'texts.json'), JSON.stringify(texts));

const runners = [];
const stopAll = () => {
  for (const runner of runners) runner.stop();
};
for (const signal of ['SIGINT', 'SIGTERM'])
  process.once(signal, () => {
    stopAll();
    process.exit(1);
  });

const scout = new Runner(true);
runners.push(scout);
const { failed, reached, times } = await scout.run(-1, undefined, 900_000);
scout.stop();
if (failed) {
  throw new Error('The tests fail with nothing broken.');
}

/** The test files that come by a mutant: its own room's first, the quick ones before the slow ones. */
function filesFor({ file, id }) {
  const own = rooms[roomOf(file)];
  const rank = (path) => {
    const at = own.findIndex((room) => relative(root, path).startsWith(`${room}/`));
    return at < 0 ? own.length : at;
  };
  return Object.keys(reached)
    .filter((path) => reached[path].includes(id))
    .sort((a, b) => rank(a) - rank(b) || times[a] - times[b]);
}

const survived = [];
let count = 0;
const queue = [...tried];
await Promise.all(
  Array.from({ length: availableParallelism() }, async () => {
    const runner = new Runner();
    runners.push(runner);
    for (let mutant = queue.pop(); mutant; mutant = queue.pop()) {
      const paths = filesFor(mutant);
      const isSeen = paths.length > 0 && (await runner.run(mutant.id, paths)).failed;
      if (!isSeen) survived.push({ ...mutant, by: paths.length });
      count++;
      if (count % 20 === 0) console.log(`${count} tried, ${survived.length} survived`);
      if (values.list && !isSeen) console.log(`  ${mutant.file}:${mutant.line} ${mutant.what}`);
    }
  }),
);
// A runner that was left broken would count every mutant as seen.
for (const runner of runners)
  if (runner.child && (await runner.run(-1, Object.keys(reached), 900_000)).failed) {
    stopAll();
    throw new Error('The tests fail with nothing broken, after all were tried.');
  }
stopAll();
survived.sort((a, b) => a.file.localeCompare(b.file) || a.line - b.line);
for (const { before, by, file, line, replacement, what } of survived)
  console.log(
    `packages/${file}:${line}  ${what}: ${before.slice(0, 60)} → ${replacement.slice(0, 60)}${by === 0 ? '  (no test comes by)' : ''}`.replaceAll(
      '\n',
      ' ',
    ),
  );
const rate = count === 0 ? 1 : 1 - survived.length / count;
console.log(`${count - survived.length} of ${count} were seen (${(rate * 100).toFixed(1)} %)`);
const broken = survived.filter(({ file }) => promised.test(file));
if (broken.length > 0) console.log(`${broken.length} of them are in what docs/security.md promises.`);
process.exitCode = rate < 0.9 || broken.length > 0 ? 1 : 0;
