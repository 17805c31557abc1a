import { expect, test } from 'vitest';
import { component, prop, resolve } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import 'zesty-lattice/markup';

// The names that start a path stand for what they say, unless something nearer has the name.

const rows = [{ name: 'A' }, { name: 'B' }];

test.each([
  ['props', '<i>{{ props.text }}</i>', '<i>t</i>'],
  ['state', '<i>{{ state.seen }}</i>', '<i>7</i>'],
  [
    'an item that is called as one of these',
    '<i><template each-of="rows" as="props">{{ props.name }}</template></i>',
    '<i>AB</i>',
  ],
  ['a prop that is called as one of these', '<i>{{ slots.name }}</i>', '<i>own</i>'],
  ['a field of the state that is called as one of these', '<i>{{ shared.name }}</i>', '<i>field</i>'],
  ['whether a slot is filled', '<i>{{ props.text + props.slots.name }}</i>', '<i>town</i>'],
])('%s', (_name, template, wanted) => {
  const One = component('named-one', {
    props: {
      text: prop.text(),
      rows: prop.list<{ name: string }>(),
      slots: prop.record({ name: prop.text() }),
    },
    state: () => ({ seen: 7, shared: { name: 'field' } }),
    template,
  });
  expect(renderHtml(One({ text: 't', rows, slots: { name: 'own' } }))).toBe(wanted);
});

test('a failed load is called fault where nobody names it', () => {
  const Log = component('fault-log', {
    load: async () => 'x',
    template: '<template loaded>ok</template><template failed><p>{{ fault.message }}</p></template>',
  });
  expect(resolve(Log).problems.filter(({ severity }) => severity === 'error')).toEqual([]);
  const Wrong = component('fault-wrong', {
    load: async () => 'x',
    template: '<template loaded>ok</template><template failed><p>{{ error.message }}</p></template>',
  });
  expect(
    resolve(Wrong)
      .problems.map(({ message }) => message)
      .join(),
  ).toContain('error');
});

test.each([
  ['<p>a</p>\n<style>b { c: {{ text }} }</style>', 2, 15],
  ['<script>\n{{ text }}</script>', 2, 1],
])('what may not stand in code is reported where it stands: %s', (template, line, column) => {
  const Code = component('code-place', { props: { text: prop.text() }, template });
  const found = resolve(Code).problems.find(({ code }) => code === 'interpolation-misplaced');
  expect(found?.source).toMatchObject({ line, column });
});
