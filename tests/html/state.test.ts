import { expect, test } from 'vitest';
import { component, el, given, phrase, prop } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';

const Form = component('first-state', {
  props: { name: prop.text() },
  state: ({ name }) => ({ name, on: true, size: 'm', kilos: 3, note: '\n<b>' }),
  handlers: { clear: () => ({ name: '' }) },
  template: ({ state, handlers }) => [
    el.input({ bind: state.name, name: 'a' }),
    el.input({ type: 'number', bind: state.kilos }),
    el.input({ type: 'checkbox', bind: state.on }),
    ['s', 'm'].map((value) => el.input({ type: 'radio', value, bind: state.size })),
    el.textarea({ bind: state.note }),
    given(state.on, phrase`${state.name} ${state.kilos}`),
    el.button({ on: { click: handlers.clear() } }, 'Clear'),
  ],
});

test('HTML text shows the first state, in form controls too, and no script', () => {
  expect(renderHtml(Form({ name: 'Il"se' }))).toBe(
    '<input name="a" value="Il&quot;se"><input type="number" value="3"><input type="checkbox" checked>' +
      '<input type="radio" value="s"><input type="radio" value="m" checked><textarea>\n\n&lt;b&gt;</textarea>' +
      'Il"se 3<button>Clear</button>',
  );
});

test('each use has a state of its own', () => {
  const Page = component('two-states', { template: () => [Form({ name: 'a' }), Form({ name: 'b' })] });
  expect(renderHtml(Page)).toMatch(/value="a".*a 3.*value="b".*b 3/s);
});
