import { describe, expect, test } from 'vitest';
import { calc, component, el, preset, prop, resolve, slot, trusted } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';

const TextLine = component('text-line', {
  props: { tag: prop.tag(['p', 'h2', 'label', 'a']), tone: prop.choice(['plain', 'loud']).fallback('plain') },
  slots: { default: slot() },
  accepts: 'tag',
  template: ({ props, slots, accepted }) =>
    el.of(props.tag, { class: ['line', props.tone], ...accepted }, slots.default()),
});
const loose = TextLine as (...args: unknown[]) => ReturnType<typeof TextLine>;

describe('a component that renders as one of several elements', () => {
  test('is the first when none is chosen, and takes that one’s attributes', () => {
    expect(renderHtml(TextLine({ id: 'a', hidden: true }, 'x'))).toBe(
      '<p class="line plain" id="a" hidden>x</p>',
    );
  });

  test('takes the attributes of the one chosen, its own props winning', () => {
    expect(renderHtml(TextLine({ tag: 'label', for: 'grower', tone: 'loud' }, 'Grower'))).toBe(
      '<label class="line loud" for="grower">Grower</label>',
    );
    expect(
      renderHtml(TextLine({ tag: 'a', href: '/x', class: { wide: true }, style: { color: 'red' } })),
    ).toBe('<a class="line plain wide" href="/x" style="color: red"></a>');
  });

  test('reads what is given where it is written, in templates and folded into them', () => {
    const Page = component('line-page', {
      props: { id: prop.text(), tag: prop.tag(['h2', 'p']) },
      template: ({ props }) => [
        TextLine({ tag: props.tag, id: props.id, title: calc(props.id, (id) => `${id}!`) }, 'a'),
        TextLine({ tag: 'p', id: 'still' }, 'b'),
      ],
    });
    expect(renderHtml(Page, { id: 'x', tag: 'p' })).toBe(
      '<p class="line plain" id="x" title="x!">a</p><p class="line plain" id="still">b</p>',
    );
  });

  test('says of an attribute that the chosen element does not have, and of a tag outside its set', () => {
    const wrong = resolve(loose({ tag: 'h2', for: 'x' })).problems;
    expect(wrong).toMatchObject([
      { code: 'attribute-unknown', where: 'text-line', message: '<h2> has no attribute "for".' },
      { code: 'reference-dangling', where: 'text-line' },
    ]);
    expect(resolve(loose({ tag: 'script' })).problems[0]?.code).toBe('prop-invalid');
    expect(() => renderHtml(loose({ tag: 'a', href: 'javascript:x' }))).toThrow('attribute-unsafe');
    expect(() => renderHtml(loose({ onclick: 'x()' }))).toThrow('attribute-unsafe');
  });
});

test('a document among the accepted attributes has to be trusted, as everywhere', () => {
  const Frame = component('frame-line', {
    props: { tag: prop.tag(['iframe']) },
    accepts: 'tag',
    template: ({ accepted }) => el.iframe({ title: 'x', ...accepted }),
  });
  expect(() => renderHtml(Frame({ srcdoc: '<script>x</script>' as never }))).toThrow('attribute-unsafe');
  expect(renderHtml(Frame({ srcdoc: trusted('<p>') }))).toBe(
    '<iframe title="x" srcdoc="&lt;p&gt;"></iframe>',
  );
});

describe('a preset', () => {
  const press = preset(el.button, {
    type: 'button',
    class: 'press',
    style: { color: 'red' },
    title: 'Press',
  });
  const html = (content: unknown): string =>
    renderHtml(component('preset-page', { template: () => content as never }));

  test('fills in attributes', () => {
    expect(html(press('Go'))).toBe(
      '<button type="button" class="press" style="color: red" title="Press">Go</button>',
    );
    expect(html(press())).toContain('</button>');
  });

  test('joins classes, merges styles by property, lets all else win, and takes away by null', () => {
    expect(
      html(
        press(
          {
            class: ['wide', { off: false }],
            style: { color: 'blue', margin: 0 },
            type: 'submit',
            title: null,
          },
          'Go',
        ),
      ),
    ).toBe('<button type="submit" class="press wide" style="color: blue; margin: 0">Go</button>');
  });

  test('can be made of a preset, of a void element and of a component', () => {
    const loud = preset(press, { class: 'loud' });
    expect(html(loud({ class: 'wide' }, 'Go'))).toContain('class="press loud wide"');
    expect(html(preset(el.input, { type: 'email' })({ name: 'mail' }))).toBe(
      '<input type="email" name="mail">',
    );
    const Loud = preset(
      preset(
        component('note-line', {
          props: { text: prop.text(), tone: prop.text() },
          template: ({ props }) => el.p({ class: props.tone }, props.text),
        }),
        { tone: 'loud' },
      ),
      { text: 'Hi' },
    );
    expect(renderHtml(Loud({}))).toBe('<p class="loud">Hi</p>');
    expect(renderHtml(Loud({ tone: 'low' }))).toBe('<p class="low">Hi</p>');
  });
});

test('style values that would be dropped by a browser are written as they are', () => {
  const Part = component('gap-part', {
    template: () => el.p({ style: { margin: 0, padding: null, '--x': '1px' } }),
  });
  expect(renderHtml(Part)).toBe('<p style="margin: 0; --x: 1px"></p>');
});
