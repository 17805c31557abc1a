// npm run problems: the words of every problem, to be read in one go: with facts of the orchard in the place of what a message
// is about, and in HTML text's own words where these differ.
import { pathToFileURL } from 'node:url';
import { register } from 'tsx/esm/api';
import { install, root } from './setup.mjs';

install();
register();
const { words } = await import(pathToFileURL(`${root}packages/lattice/src/problem/words.ts`).href);

/** What a fact of a name says; what is not here is shown by its name. */
const facts = {
  component: 'stall-sign',
  name: 'stall-sign',
  prop: 'title',
  slot: 'badge',
  tag: 'p',
  outer: 'div',
  attribute: 'title',
  text: 'loud',
  id: 'gate',
  times: 'twice',
  places: ['fair-page › stall-sign[1]', 'fair-page › stall-sign[2]'],
  handler: 'add',
  field: 'items',
  list: 'props.stalls',
  key: '"north"',
  file: 'stall-sign.html',
  path: './stall-sign.html',
  module: 'stall-sign.ts',
  where: 'fair-page › stall-sign',
  expected: 'text',
  written: 'count',
  is: 'a number',
  got: 'the text "North"',
  place: 'in <ul>',
  reason: 'no such file or directory',
  most: 5000,
  left: 120,
  before: '</div>',
  after: '<h1>',
  better: '<h2>',
  quote: '"',
  sign: '"\\u00a0"',
  child: 'summary',
  link: 'https://html.spec.whatwg.org/#the-details-element',
  expression: 'name ===',
  what: 'prop',
  how: 'used as text',
  event: undefined,
  method: undefined,
  always: true,
  hands: true,
  read: false,
  repeats: false,
  isVoid: false,
  isList: true,
  by: '',
};
const sample = new Proxy(facts, {
  get: (known, name) => (name in known ? known[name] : `‹${String(name)}›`),
});

const codes = Object.keys(words).sort();
for (const code of codes) {
  const { severity, say } = words[code];
  const [message, hint] = say(sample, false);
  const [, inText] = say(sample, true);
  console.log(`${severity.padEnd(8)}${code}\n        ${message}\n        → ${hint}`);
  if (inText !== hint) console.log(`        in HTML text → ${inText}`);
  console.log();
}
console.log(
  `${codes.length} problems. ‹fault› and ‹hint› stand for words that come with the case: docs/problems.md has one each.`,
);
