import { expect, test } from 'vitest';
import { calc, component, eachOf, el, given, phrase, prop, resolve, slot } from 'zesty-lattice';
import { renderHtml, renderPage } from 'zesty-lattice/html';

const VarietyCard = component('variety-card', {
  description: 'One citrus variety on the stall.',
  props: {
    title: prop.text(),
    season: prop.choice(['early', 'late']).fallback('early'),
    crates: prop.number().fallback(0),
    rare: prop.flag(),
  },
  slots: { default: slot(), badge: slot(), actions: slot() },
  styles: `h3 { margin: 0 } .sold-out { opacity: .6 }`,
  template: ({ props, slots }) =>
    el.article(
      { class: ['variety', props.season, { 'sold-out': calc(props.crates, (n) => n === 0) }] },
      el.header(slots.badge(el.small('no badge yet')), el.h3(props.title)),
      slots.default(),
      given(props.rare, el.p('Only a few trees'), el.p(phrase`${props.crates} crates left`)),
      given(slots.actions.filled, el.footer(slots.actions())),
    ),
});
const List = component('variety-list', {
  props: { items: prop.list<{ name: string; n: number }>() },
  template: ({ props }) =>
    el.ul(
      eachOf(props.items, (v) => el.li(VarietyCard({ title: v.name, crates: v.n }, { badge: el.b(v.name) }))),
    ),
});

test('the design example', () => {
  console.log(renderHtml(VarietyCard({ title: 'Dunlight' }, el.p('Thin skin, sharp.'))));
  console.log(
    renderHtml(
      VarietyCard({ title: 'Saltbell', crates: 4 }, { badge: el.b('New'), default: [el.p('Sweet.')] }),
    ),
  );
  console.log(
    renderHtml(List, {
      items: [
        { name: 'A&B', n: 2 },
        { name: 'C', n: 0 },
      ],
    }),
  );
  console.log(renderPage(List({ items: [] }), { title: 'x' }));
  console.log(JSON.stringify(resolve(List, { items: [{ name: 'A&B', n: 2 }] }).toJSON(), null, 1));
  try {
    renderHtml(List, { items: [{ name: 3, n: 'x' }] as never });
  } catch (e) {
    console.log(String(e));
  }
  const u = VarietyCard({ titel: 3 } as never, { bdge: el.b('x') } as never);
  try {
    renderHtml(u);
  } catch (e) {
    console.log(String(e));
  }
  expect(1).toBe(1);
});
