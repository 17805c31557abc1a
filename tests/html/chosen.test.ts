import { describe, expect, test } from 'vitest';
import { component, eachOf, el, given, prop, slot } from 'zesty-lattice';
import { renderBytes, renderHtml, renderHtmlAsync, streamHtml } from 'zesty-lattice/html';

const Options = component('shift-options', {
  props: { all: prop.list(prop.text()) },
  template: ({ props }) => eachOf(props.all, (one) => el.option({ value: one }, one)),
});
const Fixed = component('fixed-options', {
  template: () => [el.option('noon'), el.option({ value: 'x' }, 'X')],
});
const Picker = component('shift-picker', {
  props: { more: prop.flag() },
  slots: { default: slot() },
  state: () => ({ shift: 'noon', tools: ['b', 'x'] as readonly string[] }),
  template: ({ props, slots, state }) => [
    el.select(
      { bind: state.shift },
      el.option('morning'),
      slots.default(el.option('noon')),
      given(props.more, Options({ all: ['a', 'noon'] })),
      el.optgroup({ label: 'g' }, Fixed()),
    ),
    el.select({ bind: state.tools, multiple: true }, Options({ all: ['a', 'b'] }), Fixed()),
    el.select(Options({ all: ['noon'] }), Fixed()),
    el.datalist(Fixed()),
  ],
});
const Page = component('picker-page', {
  props: { name: prop.text() },
  template: ({ props }) => Picker({ more: true }, [el.option(props.name), el.option('noon')]),
});

const fixed = (noon: boolean, x: boolean): string =>
  `<option${noon ? ' selected' : ''}>noon</option><option value="x"${x ? ' selected' : ''}>X</option>`;
const wanted = [
  '<select><option>morning</option><option>q</option><option selected>noon</option>',
  '<option value="a">a</option><option value="noon" selected>noon</option>',
  `<optgroup label="g">${fixed(true, false)}</optgroup></select>`,
  `<select multiple><option value="a">a</option><option value="b" selected>b</option>${fixed(false, true)}</select>`,
  `<select><option value="noon">noon</option>${fixed(false, false)}</select>`,
  `<datalist>${fixed(false, false)}</datalist>`,
].join('');

describe('options that come from components and slots', () => {
  test('are chosen by the select that they stand in, in every rendering', async () => {
    for (let turn = 0; turn < 12; turn++) {
      expect(renderHtml(Page, { name: 'q' })).toBe(wanted);
      expect(new TextDecoder().decode(renderBytes(Page, { name: 'q' }))).toBe(wanted);
    }
    expect(renderHtml(Picker({ more: true }, [el.option('q'), el.option('noon')]))).toBe(wanted);
    expect(await renderHtmlAsync(Page, { name: 'q' })).toBe(wanted);
    expect(await new Response(streamHtml(Page, { name: 'q' })).text()).toBe(wanted);
  });

  test('are in a declared shadow root as well', () => {
    const html = renderHtml(Picker({ more: true }), { form: 'elements' });
    expect(html).toContain('<option value="noon" selected>noon</option>');
    expect(html).toContain(`<optgroup label="g">${fixed(true, false)}</optgroup>`);
  });
});
