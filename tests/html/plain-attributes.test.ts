import { expect, test } from 'vitest';
import { component, el, prop, slot, trusted } from 'zesty-lattice';
import { type RenderOptions, renderHtml } from 'zesty-lattice/html';
import { inRun } from '../support/runs.js';

// What is put together inline is written by a short way: it has to be what a template's own attributes come to.

const Wrap = component('inline-wrap', {
  slots: { default: slot() },
  template: ({ slots }) => el.main(slots.default()),
});

const cyclic: unknown[] = ['a'];
cyclic.push(cyclic);
const values: readonly unknown[] = [
  ...[
    '',
    'text',
    'a "b" <c> & \u00a0d',
    'javascript:alert(1)',
    'https://grove.example/?a=1&b="2"',
    '/stalls',
  ],
  ...[
    'data:text/html,x',
    'data:image/png;base64,x',
    'JaVa\tScript:x',
    'a:b',
    'a 1x, javascript:b 2x',
    '0;url=javascript:x',
  ],
  ...[0, -0, 1.5, 1e21, Number.NaN, 7n, true, false, null, undefined],
  ...[
    {},
    { odd: true, even: false, '': true, "it's": 1 },
    ['a', '', 'b', ['c', { d: 1, e: 0 }], 3, null, false, undefined],
  ],
  ...[cyclic, [], [[]], { color: 'red', width: '3px', '--tone': '#fff', margin: 0, padding: null, top: '' }],
  ...[
    { color: 'red; top: 0' },
    { color: 'url(javascript:x)' },
    { color: 'url("a.png")' },
    { marginTop: 1 },
    { 'margin-top': true },
  ],
  ...[
    { font: '1px "A B", serif', width: 'calc(1px + (2 * 3px))', height: 'calc(1px' },
    { 'a b': 1 },
    { COLOR: 'red' },
  ],
  ...['color: red; top: 1px', 'a-b', new Date(0), () => 'called', el.b('x'), trusted('<i>'), Symbol.for('x')],
];
const names = [
  ...[
    'class',
    'style',
    'title',
    'hidden',
    'href',
    'src',
    'srcset',
    'srcdoc',
    'aria-pressed',
    'draggable',
    'value',
  ],
  ...[
    'data-n',
    'ID',
    'Title',
    'onclick',
    'on',
    'json',
    'properties',
    'leaving',
    'bind',
    'node',
    'a b',
    'a=b',
    'xlink:href',
  ],
  ...['content', 'http-equiv', 'action', 'poster', 'ping', 'key', 'viewBox'],
];

const shown = (make: () => string): string => {
  try {
    return make();
  } catch (thrown) {
    return `thrown: ${(thrown as Error).message.split('\n')[0]}`;
  }
};

test.each(names)('%s is written inline as in a template, whatever its value is', (name) => {
  for (const tag of inRun(['a', 'img', 'input', 'meta', 'script', 'video'] as const, (one) => one.length < 4))
    for (const value of values) {
      const attributes = { title: 'first', [name]: value, lang: 'en' };
      const made = () => el.of(tag, attributes as never);
      // Once alone, and once beside what is for the planner: an attribute that is an expression.
      const Planned = component('planned-one', { template: () => el.main(made()) });
      const inline = shown(() => renderHtml(Wrap({}, made())));
      expect(
        inline.replace(/^(thrown: \S+ \S+: ).*/s, '$1'),
        `${tag} ${name} ${String(Object.prototype.toString.call(value))}`,
      ).toBe(shown(() => renderHtml(Planned())).replace(/^(thrown: \S+ \S+: ).*/s, '$1'));
    }
});

test.each(
  names.filter((name) => !/^(?:on|onclick|json|properties|leaving|bind|node|key|srcdoc|a b|a=b)$/.test(name)),
)('%s has in code and without it what a constant of the same value has', (name) => {
  const isList = name === 'class' || name === 'style';
  for (const tag of ['a', 'img', 'script', 'meta'] as const)
    for (const value of values) {
      // What an expression cannot hold, or a constant cannot be.
      if (
        typeof value === 'function' ||
        typeof value === 'symbol' ||
        (typeof value === 'object' && value !== null)
      )
        continue;
      const attributesOf = (one: unknown) =>
        name === 'class'
          ? { class: ['fixed', one] }
          : name === 'style'
            ? { style: { '--tone': one, color: 'red' } }
            : { [name]: one };
      const Constant = component('constant-one', {
        template: () => el.main(el.of(tag, attributesOf(value) as never), el.b(), el.i()),
      });
      const Given = component('given-one', {
        props: { of: prop.record<{ readonly it: unknown }>() },
        // Once, and beside other places where the same value is shown, which share what is known of it.
        template: ({ props }) =>
          el.main(
            el.of(tag, attributesOf(props.of.it) as never),
            el.b(isList ? undefined : { title: props.of.it as never, lang: props.of.it as never }),
            el.i({ 'aria-label': props.of.it as never }),
          ),
      });
      const first = (html: string): string =>
        /^<main><[^>]*(?:"[^"]*"[^>]*)*>|^thrown: \S+ \S+: /.exec(html)?.[0] ?? html;
      const expected = first(shown(() => renderHtml(Constant())));
      for (const how of ['instructions', 'code'])
        for (let time = 0; time < 2; time++)
          expect(
            first(shown(() => renderHtml(Given, { of: { it: value } }, { how } as RenderOptions))),
            `${tag} ${name} ${String(value)} ${how}`,
          ).toBe(expected);
    }
});
