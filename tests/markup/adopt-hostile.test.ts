import { parse } from '@babel/parser';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { adopt } from 'zesty-lattice-tools/adopt';
import { runsOf } from '../support/runs.js';

type Node = { readonly type: string; readonly [key: string]: unknown };

/** Every node of a module's syntax tree. */
function* nodesIn(value: unknown): Generator<Node> {
  if (Array.isArray(value)) for (const one of value) yield* nodesIn(one);
  else if (typeof value === 'object' && value !== null) {
    if (typeof (value as Node).type === 'string') yield value as Node;
    for (const one of Object.values(value)) yield* nodesIn(one);
  }
}

/** What a module calls, as it is written: all that it can do. */
function calledIn(code: string): readonly string[] {
  const tree = parse(code, { sourceType: 'module', plugins: ['estree'] }).program;
  return [...nodesIn(tree)]
    .filter(({ type }) => /^(?:Call|New|Import|TaggedTemplate|Assignment|Update|Await|Meta)/.test(type))
    .map((node) => {
      const { callee, tag, start, end } = node as unknown as Record<
        'callee' | 'tag',
        { start: number; end: number } | undefined
      > & { start: number; end: number };
      const { start: from, end: to } = callee ?? tag ?? { start, end };
      return `${node.type} ${code.slice(from, to)}`;
    });
}

const harmless =
  /^(?:CallExpression (?:component|slot|trusted|el\.[a-z][a-z0-9]*|prop\.text(?:\(\)\.optional)?|prop\.flag|slots(?:\.\w+|\['(?:[^'\\]|\\.)*'\]))|TaggedTemplateExpression phrase|ImportDeclaration.*|ImportSpecifier.*|ImportExpression never)$/s;
const isHarmless = (called: string): boolean =>
  harmless.test(called) ||
  called === 'CallExpression el.of' ||
  called === 'CallExpression markupFile' ||
  called === 'MetaProperty import.meta';

const hostile = [
  '<p(process.exit(77))>x</p(process.exit(77))>',
  '<div><p(process.exit(77))>x</p(process.exit(77))></div>',
  '<div><a`${process.exit(77)}`>x</a`${process.exit(77)}`></div>',
  '<div><p.constructor("x")>x</p.constructor("x")></div>',
  '<div><__proto__>x</__proto__></div>',
  '<div><of>x</of></div>',
  `<div title="');process.exit(77);('">x</div>`,
  `<div title="\`);process.exit(77);(\`">x</div>`,
  '<div title="${process.exit(77)}" class="a ${process.exit(77)}">x ${process.exit(77)}</div>',
  `<div ');process.exit(77);('="x" __proto__="y" constructor="z">x</div>`,
  `<div><!--');process.exit(77);('--></div>`,
  `<div>\\');process.exit(77);//</div>`,
  '<div>\u2028\u2029\\u0027);process.exit(77)</div>',
  `<div><style>');process.exit(77);('</style></div>`,
  '<div title="a\\">x</div><div title="b\\">y</div>',
  '<div title="`${1}">x</div><div title="\\`${2}">y</div>',
];

describe.each(['builders', 'text'] as const)('as %s', (as) => {
  test.each(hostile)('nothing of what was adopted gets into the code but as text: %s', (html) => {
    const { module } = adopt(html, { name: 'a-part', as });
    expect(calledIn(module).filter((called) => !isHarmless(called))).toEqual([]);
  });

  test('nor of anything else', () => {
    const bit = fc.constantFrom(
      '(',
      ')',
      '`',
      '${',
      '}',
      "'",
      '"',
      '\\',
      '\n',
      '//',
      '/*',
      '*/',
      'process.exit(77)',
      ';',
      '__proto__',
      'a',
      'of',
      '-',
      '.',
      '\u2028',
      '{{',
      '}}',
      '<!--',
      '-->',
    );
    const text = fc.array(bit, { maxLength: 6 }).map((bits) => bits.join(''));
    fc.assert(
      fc.property(text, text, text, text, (tag, name, value, content) => {
        const html = `<div><x${tag} ${name}="${value}">${content}</x${tag}></div><div><x${tag} ${name}="other">more</x${tag}></div>`;
        let made: string;
        try {
          made = adopt(html, { name: 'a-part', as }).module;
        } catch {
          return;
        }
        expect(calledIn(made).filter((called) => !isHarmless(called))).toEqual([]);
      }),
      runsOf(`hostile HTML as ${as}`, 5000),
    );
  });
});

test('a name or a slot that is no name is refused, or quoted', () => {
  for (const name of ['../x', 'a-b/../../c', "a-b');x('", 'a-b\n', 'a-b c'])
    expect(() => adopt('<p>x</p>', { name })).toThrow('name-invalid');
  const { module } = adopt('<p>x</p>', {
    name: 'a-b.c',
    as: 'builders',
    slots: { p: "x');process.exit(77);('" },
  });
  expect(calledIn(module).filter((called) => !isHarmless(called))).toEqual([]);
});
