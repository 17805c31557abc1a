import { expect, test } from 'vitest';
import { component, el, event, prop, resolve, slot } from 'zesty-lattice';
import { elementsManifest } from 'zesty-lattice-tools/describe';

const Sign = component('stall-sign', {
  props: {
    row: prop.number().optional().describe('The row.').deprecated('Pass place.'),
    place: prop.text().fallback(''),
  },
  slots: {
    default: slot(),
    badge: slot().deprecated('Fill mark.').describe('A badge.'),
    mark: slot.with(prop.record({ rows: prop.number() })),
  },
  events: { rung: event().describe('When it is rung.').deprecated('Listen to called.'), called: event() },
  state: () => ({ n: 0 }),
  template: ({ props, slots, state }) =>
    el.p(
      { part: 'all' },
      el.b({ part: 'place deep' }, props.row, props.place, state.n),
      slots.default(),
      slots.badge(),
      slots.mark({ rows: 1 }),
    ),
});
const OldSign = component('old-sign', { deprecated: 'Use stall-sign.', template: () => el.p('x') });

test('uses of what is deprecated are reported, each with what to do instead', () => {
  const said = (template: () => unknown): readonly string[] =>
    resolve(component('sign-page', { handlers: { hear: () => undefined }, template: template as never }))
      .problems.filter(({ code }) => code === 'deprecated-used')
      .map(({ hint, message, severity }) => `${severity}: ${message} ${hint}`);
  expect(said(() => Sign({ place: 'x' }, 'y'))).toEqual([]);
  expect(said(() => Sign({ row: 4 }, { badge: 'x' }))).toEqual([
    'warning: The prop "row" of stall-sign should no longer be used. Pass place.',
    'warning: The slot "badge" of stall-sign should no longer be used. Fill mark.',
  ]);
  expect(said(() => OldSign({}))).toEqual([
    'warning: The component old-sign should no longer be used. Use stall-sign.',
  ]);
  const inText = component('sign-text', {
    uses: [Sign],
    handlers: { hear: () => undefined },
    state: () => ({ n: 0 }),
    template: '<stall-sign row="4" handles="rung: hear"></stall-sign>{{ n }}',
  });
  expect(resolve(inText).problems.map(({ code, message }) => `${code} ${message.split(' of ')[0]}`)).toEqual([
    'deprecated-used The prop "row"',
    'deprecated-used The event "rung"',
  ]);
});

test('the manifest says so, which parts all elements have, and what a slot passes', () => {
  const { modules } = elementsManifest([{ path: './sign.js', exports: { OldSign, Sign } }]);
  const [old, sign] = (modules[0] as unknown as { declarations: Record<string, never>[] }).declarations;
  expect(old).toMatchObject({ deprecated: 'Use stall-sign.' });
  expect(sign).toMatchObject({
    attributes: [{ name: 'row', deprecated: 'Pass place.', description: 'The row.' }, { name: 'place' }],
    members: [{ name: 'row', deprecated: 'Pass place.' }, { name: 'place' }],
    events: [
      { name: 'rung', deprecated: 'Listen to called.', description: 'When it is rung.' },
      { name: 'called' },
    ],
    slots: [
      { name: '' },
      { name: 'badge', deprecated: 'Fill mark.', description: 'A badge.' },
      { name: 'mark', description: 'Passes { readonly rows: number }.' },
    ],
    cssParts: [{ name: 'all' }, { name: 'place' }, { name: 'deep' }],
  });
});

test('a definition that says nothing of what to use instead is refused', () => {
  expect(() => component('x-y', { deprecated: true as never, template: () => el.p('x') })).toThrow(
    'a text that says what to use instead',
  );
});
