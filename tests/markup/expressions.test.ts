import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { component, LatticeError, prop } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { onlyProblem } from '../support/problems.js';
import { runsOf } from '../support/runs.js';
import { soundExpression } from './random-expressions.js';

const helpers = {
  shout: (word: string) => word.toUpperCase(),
  both: (a: unknown, b: unknown) => `${a}&${b}`,
  symbol: () => Symbol.for('hidden'),
  heir: () => new Heir(),
  fails: () => {
    throw new Error('no fruit');
  },
};
class Heir {
  get secret(): string {
    return 'read';
  }
}
const values = {
  title: 'Dunlight',
  crates: 4,
  rare: true,
  none: undefined,
  item: {
    [Symbol.for('hidden')]: 'hidden',
    name: 'x',
    'sow-in': 'March',
    deep: { er: [1, 2, 3] },
    call: () => 'called',
  },
  items: ['a', 'b'],
  day: new Date(0),
};
const props = {
  title: prop.text(),
  crates: prop.number(),
  rare: prop.flag(),
  none: prop.text().optional(),
  item: prop.schema(anything()),
  items: prop.list<string>(),
  day: prop.date(),
};

/** A schema that takes anything as it is (https://standardschema.dev). */
function anything() {
  return {
    '~standard': { version: 1, vendor: 'test', validate: (value: unknown) => ({ value }) },
  } as const;
}

function shown(expression: string): string {
  const Part = component('expression-part', {
    props,
    helpers,
    template: `<i title="{{ ${expression} }}"></i>`,
  });
  return renderHtml(Part, values as never)
    .replace(/^<i title="|^<i|"?><\/i>$/g, '')
    .trim();
}

describe('an expression comes to', () => {
  test.each([
    // What binds tighter, and from which side.
    ['1 + 2 * 3', '7'],
    ['(1 + 2) * 3', '9'],
    ['10 - 2 - 3', '5'],
    ['16 / 4 / 2', '2'],
    ['7 % 4 + 1', '4'],
    ['-2 + 3', '1'],
    ['- -2', '2'],
    ['1 + 1 == 2 and 2 < 3 ? 1 : 2', '1'],
    ['1 < 2 == rare ? 1 : 2', '1'],
    ['not rare or crates > 3 ? 1 : 2', '1'],
    ['false or true and false ? 1 : 2', '2'],
    ['false and true or true ? 1 : 2', '1'],
    ["none ?? 'a' + 'b'", 'ab'],
    ['rare ? 1 : false ? 2 : 3', '1'],
    ['false ? 1 : rare ? 2 : 3', '2'],
    // Literals.
    ['3.5', '3.5'],
    ['.5', '0.5'],
    ['1e3', '1000'],
    [`'it\\'s'`, "it's"],
    [`"a\\n"`, 'a'],
    ["'{{ }}'", '{{ }}'],
    ["'</i>'", '&lt;/i&gt;'],
    ['[1, 2, 3].length', '3'],
    ["['a', 'b'][1]", 'b'],
    // Names, fields and helpers.
    ['title', 'Dunlight'],
    ['props.title', 'Dunlight'],
    ['title.length', '8'],
    ['item.deep.er[1]', '2'],
    ["item['sow-in']", 'March'],
    ['items[crates - 3]', 'b'],
    ['shout(item.name)', 'X'],
    ['both(1 + 1, shout(title))', '2&amp;DUNLIGHT'],
    // Signs of habit, and signs as HTML spells them.
    ['crates > 3 && rare ? 1 : 2', '1'],
    ['!rare || crates != 4 ? 1 : 2', '2'],
    ['crates &lt; 5 &amp;&amp; crates &gt; 3 ? 1 : 2', '1'],
    // Missing values have missing fields, and compare with nothing.
    ['none.a.b', ''],
    ['none < 3 ? 1 : 2', '2'],
    ['none == null ? 1 : 2', '1'],
    ["'4' == crates ? 1 : 2", '2'],
    ["'a' + none + 1", 'a1'],
    ["'b' > 'a' ? 1 : 2", '1'],
    ['day >= day ? 1 : 2', '1'],
  ])('%s → %s', (expression, wanted) => {
    expect(shown(expression)).toBe(wanted);
  });

  test('nothing that stays behind when its helper is handed nothing', () => {
    let now = 0;
    const Clock = component('clock-part', {
      helpers: { now: () => ++now },
      template: '<i>{{ now() + 1 }}</i>',
    });
    expect([renderHtml(Clock), renderHtml(Clock)]).toEqual(['<i>2</i>', '<i>3</i>']);
  });
});

test.each([
  ['crates + none', '+ expects numbers, but received a missing value'],
  ['title * 2', '* expects numbers, but received the text "Dunlight"'],
  ['-title', '- expects numbers'],
  ["item + 'x'", '+ joins texts and numbers, but received a record'],
  ['fails() + 1', 'no fruit'],
])('%s is a problem when it is worked out, with its own words: %s', (expression, words) => {
  const { code, message } = onlyProblem(() => shown(expression));
  expect(code).toBe('value-failed');
  expect(message).toContain(words);
});

describe('an expression reaches plain data and its helpers, and nothing else', () => {
  test.each([
    'title.constructor',
    "title['constructor']",
    'item.constructor.constructor',
    'item.__proto__',
    "item['__proto__']",
    "item['__pro' + 'to__'].polluted",
    'item.prototype',
    'items.constructor',
    'items.map',
    'items.__proto__.concat',
    'title.toString',
    'title.at',
    'item.hasOwnProperty',
    'item.toString',
    'item.__defineGetter__',
    'item.__lookupGetter__',
    "item['__lookupSetter__']",
    'item.valueOf',
    'item.call',
    'crates.constructor',
    'crates.toFixed',
    'rare.constructor',
    'day.getTime',
    'day.constructor',
    'item.deep.er.constructor',
    'item[items]',
    'item[item]',
    'item[none]',
    '[].constructor',
    "''.constructor",
    '(1).constructor',
    'item.deep.constructor.name',
    'item[symbol()]',
    'symbol().description',
    'heir().secret',
  ])('%s is missing', (expression) => {
    expect(shown(`(${expression}) ?? 'missing'`)).toBe('missing');
  });

  test.each([
    ['title.constructor("return 1")()', 'expression-invalid'],
    ['(rare ? shout : both)(1)', 'expression-invalid'],
    ['shout(1)(2)', 'expression-invalid'],
    ['item.call()', 'expression-invalid'],
    ['items.map(shout)', 'expression-invalid'],
    ['constructor("x")', 'name-unknown'],
    ['toString()', 'name-unknown'],
    ['__proto__', 'name-unknown'],
    ['hasOwnProperty', 'name-unknown'],
    ['globalThis', 'name-unknown'],
    ['process.env', 'name-unknown'],
    ['document', 'name-unknown'],
    ['this', 'name-unknown'],
    ['eval("1")', 'name-unknown'],
    ['Function("1")', 'name-unknown'],
    ['import("fs")', 'name-unknown'],
    ['new Date()', 'expression-invalid'],
    ['() => 1', 'expression-invalid'],
    ['title = 1', 'expression-invalid'],
    ['crates++', 'expression-invalid'],
    ['`x`', 'expression-invalid'],
    ['delete item.name', 'expression-invalid'],
  ])('%s is a problem, %s', (expression, code) => {
    expect(onlyProblem(() => shown(expression)).code).toBe(code);
  });

  test('names that every object has are not taken for props or helpers', () => {
    const Part = component('bare-part', { template: '<i>{{ constructor }}{{ valueOf }}</i>' });
    expect(() => renderHtml(Part)).toThrow(LatticeError);
  });
});

test('whatever stands in an interpolation, nothing is thrown but problems', () => {
  const token = fc.constantFrom(
    'title',
    'crates',
    'rare',
    'none',
    'item',
    'items',
    'shout',
    'nope',
    '(',
    ')',
    '[',
    ']',
    '.',
    ',',
    '?',
    ':',
    '+',
    '-',
    '*',
    '/',
    '%',
    '==',
    '!=',
    '<',
    '<=',
    '>',
    '>=',
    'and',
    'or',
    'not',
    '??',
    "'x'",
    '"',
    "'",
    '1',
    '.5',
    '1e9',
    'null',
    'true',
    '{',
    '}',
    '`',
    ';',
    '=',
    '\\',
    '\n',
    ' ',
    '&lt;',
    '&',
    '__proto__',
    'constructor',
    'uid',
    '$',
    '_',
  );
  const text = (): fc.Arbitrary<string> =>
    fc.oneof(
      { weight: 4, arbitrary: fc.array(token, { maxLength: 14 }).map((words) => words.join(' ')) },
      { weight: 2, arbitrary: fc.array(token, { maxLength: 8 }).map((words) => words.join('')) },
      fc.string({ unit: 'binary', maxLength: 24 }),
      fc.constantFrom(
        '('.repeat(5000),
        `${'-'.repeat(5000)}1`,
        `1${'+1'.repeat(5000)}`,
        `a${'.a'.repeat(3000)}`,
        'a?b:'.repeat(900),
      ),
    );
  let sound = 0;
  fc.assert(
    fc.property(fc.oneof(soundExpression, text()), (expression) => {
      try {
        shown(expression);
        sound += 1;
      } catch (thrown) {
        if (!(thrown instanceof LatticeError)) throw thrown;
        for (const { message, hint } of thrown.problems)
          expect(message.length * hint.length).toBeGreaterThan(0);
      }
    }),
    runsOf('holes', 4000),
  );
  expect(sound).toBeGreaterThan(30);
});
