import { expect, test } from 'vitest';
import { component, el, given, prop, share, slot } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';

const Basket = share<{ readonly crates: number }>('basket');
const Box = component('basket-box', {
  props: { crates: prop.number() },
  slots: { default: slot() },
  provides: ({ props }) => [Basket.provide({ crates: props.crates })],
  template: ({ slots }) => el.div(slots.default()),
});
const Total = component('basket-total', {
  template: () => given(Basket.read(), (basket) => el.b(basket.crates), 'none'),
});
const Middle = component('middle-part', {
  slots: { default: slot() },
  template: ({ slots }) => el.p(Total(), slots.default()),
});

test('shared data reaches whoever is below its provider, in HTML text as well', () => {
  const Page = component('shared-page', {
    props: { n: prop.number() },
    template: ({ props }) => [
      Total(),
      Box({ crates: props.n }, [Middle({}, Total()), Box({ crates: 9 }, Total())]),
      Total(),
    ],
  });
  expect(renderHtml(Page, { n: 3 })).toBe('none<div><p><b>3</b><b>3</b></p><div><b>9</b></div></div>none');
  expect(renderHtml(Page, { n: 4 })).toContain('<b>4</b>');
});

test('shared data reaches content built inline', () => {
  expect(renderHtml(Box({ crates: 2 }, el.i(Total())))).toBe('<div><i><b>2</b></i></div>');
});

test('shared data stands in declared shadow roots', () => {
  const html = renderHtml(Box({ crates: 2 }, Total()), { form: 'elements' });
  expect(html).toContain(
    '<basket-total><template shadowrootmode="open"><!--shared {"basket":"basket-box"}--><!----><!--(--><b>2</b><!--)--></template></basket-total>',
  );
});
