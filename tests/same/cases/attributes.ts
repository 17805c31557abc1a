import { calc, eachOf, el, given, phrase, trusted } from 'zesty-lattice';
import type { Case } from '../case.js';

/** Every rule that an attribute can have. */
export const attributes: readonly Case[] = [
  { name: 'attributes', template: () => el.p({ id: 'a', title: 'say "hi" & <b>', lang: 'en' }, 'x') },
  { name: 'an attribute of a prop', template: ({ props }) => el.p({ title: props.text }, 'x') },
  {
    name: 'an attribute of the state',
    template: ({ state }) => el.p({ title: state.text, 'data-n': state.count }),
  },
  {
    name: 'an attribute that may be missing',
    template: ({ state, props }) => el.p({ title: state.maybe, lang: props.maybe }),
  },
  {
    name: 'an attribute of a phrase',
    template: ({ state }) => el.p({ title: phrase`${state.count} "${state.text}"` }),
  },
  {
    name: 'an attribute of a calculation',
    template: ({ state }) => el.p({ title: calc(state.count, (n) => (n > 1 ? `n${n}` : null)) }),
  },
  { name: 'an empty attribute', template: () => el.p({ title: '', 'data-x': '' }) },
  {
    name: 'attributes that are left out',
    template: () => el.p({ title: null, lang: undefined, hidden: false }),
  },
  {
    name: 'a boolean attribute',
    template: () => [el.input({ disabled: true, name: 'a' }), el.details({ open: true })],
  },
  {
    name: 'a boolean attribute of the state',
    template: ({ state }) => [el.input({ required: state.flag }), el.p({ hidden: state.flag })],
  },
  {
    name: 'a boolean attribute of a prop',
    template: ({ props }) => el.button({ disabled: props.flag }, 'x'),
  },
  {
    name: 'a number',
    template: () =>
      [el.td({ colspan: 2 }), el.input({ tabindex: -1, maxlength: 0 })].map((one) =>
        el.table(el.tbody(el.tr(el.td(one === undefined ? '' : 'x')))),
      ),
  },
  {
    name: 'an attribute with words for yes and no',
    template: ({ state }) =>
      el.p({ 'aria-hidden': state.flag, contenteditable: state.flag, draggable: false, spellcheck: true }),
  },
  {
    name: 'aria attributes of text',
    template: ({ state }) => el.p({ 'aria-label': state.text, 'aria-level': state.count }),
  },
  {
    name: 'a class of zero',
    template: ({ state }) => [
      el.p({ class: ['n', calc(state.count, (count) => count - count)] as never }),
      el.p({ class: calc(state.count, (count) => count - count) as never }),
    ],
  },
  { name: 'hidden until found', template: () => el.p({ hidden: 'until-found' }) },
  {
    name: 'data attributes',
    template: ({ state }) =>
      el.p({ 'data-a': true, 'data-b': false, 'data-c': state.flag, 'data-d': state.text }),
  },

  { name: 'a class', template: () => el.p({ class: 'a b' }) },
  { name: 'a class of a value', template: ({ state }) => el.p({ class: state.text }) },
  { name: 'a class of a value that may be missing', template: ({ state }) => el.p({ class: state.maybe }) },
  {
    name: 'a list of classes',
    template: ({ props, state }) =>
      el.p({ class: ['a', props.text, { on: state.flag, always: true, never: false }] }),
  },
  {
    name: 'classes by condition alone',
    template: ({ state }) => el.p({ class: { on: state.flag, many: calc(state.count, (n) => n > 1) } }),
  },
  {
    name: 'classes in lists in lists',
    template: ({ state }) => el.p({ class: ['a', ['b', [state.text, { c: state.flag }]], null, false] }),
  },
  {
    name: 'no class at all',
    template: ({ state }) => [el.p({ class: '' }), el.p({ class: [] }), el.p({ class: { on: state.maybe } })],
  },
  {
    name: 'a class of a phrase',
    template: ({ state }) => el.p({ class: ['size', phrase`n-${state.count}`] }),
  },
  {
    name: 'a class that comes after a value',
    template: ({ state }) => el.p({ class: [{ on: state.flag }, 'tail'] }),
  },

  { name: 'a style', template: () => el.p({ style: { color: 'red', '--tone': '3', 'margin-top': 0 } }) },
  { name: 'a style as text', template: () => el.p({ style: 'color: red; margin: 0' }) },
  {
    name: 'a style of values',
    template: ({ state }) =>
      el.p({ style: { '--n': state.count, color: calc(state.flag, (on) => (on ? 'red' : null)) } }),
  },
  {
    name: 'a style that may come to nothing',
    template: ({ state }) => el.p({ style: { color: state.maybe } }),
  },
  { name: 'a style with a URL', template: () => el.p({ style: { 'background-image': 'url("/a b.png")' } }) },

  { name: 'a URL', template: ({ props }) => [el.a({ href: props.url }, 'x'), el.a({ href: '/fixed' }, 'y')] },
  {
    name: 'a URL of a phrase',
    template: ({ state }) => el.a({ href: phrase`/varieties?n=${state.count}` }, 'x'),
  },
  {
    name: 'URLs of pictures',
    template: ({ props }) =>
      el.picture(el.source({ srcset: phrase`${props.url} 2x` }), el.img({ src: '/a.png', alt: '' })),
  },
  {
    name: 'the action of a form',
    template: ({ props }) => el.form({ action: props.url }, el.button({ formaction: props.url }, 'go')),
  },
  {
    name: 'an attribute with a URL in capitals',
    template: ({ props }) => el.a({ HREF: props.url } as never, 'x'),
  },
  {
    name: 'an action in capitals',
    template: ({ props }) => el.form(el.button({ FORMACTION: props.url } as never, 'go')),
  },
  {
    name: 'attributes in capitals',
    template: ({ props }) => el.p({ TITLE: props.text, Lang: 'en', 'DATA-X': props.count } as never),
  },
  { name: 'a document', template: () => el.iframe({ srcdoc: trusted('<p>"x"</p>'), title: 'x' }) },
  {
    name: 'a document that changes',
    template: ({ state }) =>
      el.iframe({ srcdoc: trusted(calc(state.count, (n) => `<p>${n}</p>`)), title: 'x' }),
  },

  {
    name: 'SVG',
    template: ({ state }) =>
      el.svg(
        { viewBox: '0 0 9 9', width: 9 },
        el.g(el.circle({ r: state.count, cx: 3 }), el.path({ d: 'M0 0' })),
      ),
  },
  {
    name: 'SVG with HTML in it',
    template: ({ props }) => el.svg(el.foreignObject(el.div({ title: props.text }, props.text))),
  },
  {
    name: 'SVG under a condition',
    template: ({ state }) =>
      el.svg(el.g(given(state.flag, el.circle({ r: state.count }), el.rect({ width: 2 })))),
  },
  {
    name: 'SVG in rows',
    template: ({ state }) =>
      el.svg(eachOf(state.items, (item) => el.text({ x: item.id }, item.name), { key: 'id' })),
  },
  {
    name: 'SVG that animates',
    template: ({ state }) =>
      el.svg(el.a({ href: '/x' }, el.animate({ attributeName: 'href', to: state.text }))),
  },
  {
    name: 'SVG that animates to a URL',
    template: ({ props }) =>
      el.svg(
        el.a(
          { href: '/x' },
          el.animate({ attributeName: 'href', to: props.url }),
          el.set({ attributeName: 'href', TO: props.url } as never),
        ),
      ),
  },
  {
    name: 'SVG with camel-case names',
    template: ({ state }) =>
      el.svg(
        { viewBox: phrase`0 0 ${state.count} 9`, preserveAspectRatio: 'none' },
        el.linearGradient({ id: 'g', gradientUnits: 'userSpaceOnUse' }, el.stop({ offset: 0 })),
      ),
  },
  { name: 'a title in SVG', template: ({ state }) => el.svg(el.title(state.text), el.circle({ r: 1 })) },

  {
    name: 'an element whose tag is calculated',
    template: ({ state }) => el.of(state.tag, { title: state.text }, 'x', state.count),
  },
  {
    name: 'an element whose tag is a prop',
    template: ({ props }) => el.of(props.tag, { class: ['a', props.text] }, el.b(props.text)),
  },
  {
    name: 'an element whose tag is text',
    template: ({ props }) => el.of('blockquote', { cite: props.url }, 'x'),
  },
  {
    name: 'an element whose tag is text in capitals',
    template: ({ props }) => el.of('ARTICLE', { TITLE: props.text } as never, 'x'),
  },
  {
    name: 'an element of any tag with a URL',
    template: ({ state, props }) =>
      el.of(state.tag, { href: props.url, to: props.url, content: props.text } as never, 'x'),
  },
  { name: 'an element of any tag without content', template: ({ state }) => el.of(state.tag) },
  {
    name: 'elements of any tag in one another',
    template: ({ state, props }) => el.of(state.tag, el.of(props.tag, state.text)),
    props: { tag: 'span' },
    steps: [{ state: { tag: 'div' } }, { props: { tag: 'b' } }, { state: { text: 'new' } }],
  },
  {
    name: 'a custom element from elsewhere',
    template: ({ state }) => el.of('orchard-map', { zoom: state.count, title: state.text }, el.b('x')),
  },
];
