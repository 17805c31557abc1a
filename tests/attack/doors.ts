import { join } from 'node:path';
import { type AnyComponent, component, eachOf, el, prop, slot, type Use } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { catalog, renderDocument } from 'zesty-lattice/markup';
import { adopt } from 'zesty-lattice-tools/adopt';
import { fileOf } from '../../packages/tools/src/batch/names.js';
import { hostile } from '../support/hostile.js';

/** What hostile text is made of; whatever of it runs sets `window.hacked`. */
const pieces = [
  ...hostile,
  'javascript:window.hacked=1',
  'JaVa\tScript:window.hacked=1',
  'data:text/html,<img src=x onerror=window.hacked=1>',
  'data:text/xsl,x',
  'vbscript:x',
  'onclick',
  'onerror=window.hacked=1',
  ' x=',
  '"',
  "'",
  '`',
  '<',
  '>',
  '</',
  '/>',
  '&',
  '&quot;',
  '&#34;',
  '<!--',
  '-->',
  '--!>',
  ']]>',
  '\\',
  '\0',
  '\n',
  '\t',
  ' ',
  '{{',
  '}}',
  '{{ constructor }}',
  '__proto__',
  'constructor.constructor("window.hacked=1")()',
  '<script>',
  '</script>',
  '<svg>',
  '<math>',
  '<style>',
  '</style>',
  '<textarea>',
  '</textarea>',
  '<template>',
  '<iframe srcdoc="',
  'url(',
  ')',
  ';',
  '{',
  '}',
  'expression(window.hacked=1)',
  '-moz-binding:url(x)',
  '@import "x"',
  '<slot>',
  '<attack-box it="',
  'slot="badge"',
  'process.exit(7)',
  '${window.hacked=1}',
  '../',
  '\u2028',
];

/** The same numbers again for the same seed. */
export function randomFrom(first: number): (below: number) => number {
  let seed = first;
  return (below) => {
    seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
    return Math.floor((seed / 2 ** 32) * below);
  };
}

export function hostileText(random: (below: number) => number): string {
  let text = '';
  for (let n = 1 + random(5); n > 0; n--) text += pieces[random(pieces.length)];
  return text;
}

/** One way in: what comes of a text, as HTML; nothing where it was refused. */
export interface Door {
  readonly name: string;
  try(text: string, random: (below: number) => number): string | undefined;
}

const Box = component('attack-box', {
  props: { it: prop.text().fallback('') },
  slots: { default: slot(), badge: slot() },
  template: ({ props, slots }) =>
    el.div(
      el.p(props.it),
      el.textarea({ 'aria-label': 'x' }, props.it),
      el.pre(props.it),
      el.noscript(el.p(props.it)),
      el.select(el.option(props.it)),
      el.svg(el.text(props.it)),
      slots.default(),
      slots.badge(),
    ),
});
const Attributes = component('attack-attributes', {
  props: { it: prop.text() },
  template: ({ props: { it } }) => [
    el.p(
      { title: it, 'data-it': it, class: ['a', it], 'aria-label': it, lang: it, style: { '--tone': it } },
      'x',
    ),
    el.input({ value: it, placeholder: it, name: it, pattern: it }),
    el.meta({ name: it, content: it }),
  ],
});
const Urls = component('attack-urls', {
  props: { it: prop.text() },
  template: ({ props: { it } }) => [
    el.a({ href: it, ping: it }, 'x'),
    el.img({ src: it, srcset: it, alt: '' }),
    el.form({ action: it }, el.button({ formaction: it }, 'x')),
    el.video({ src: it, poster: it }),
    el.svg(el.a({ href: it }, el.text('x')), el.use({ href: it })),
    el.object({ data: it }),
  ],
});
const Styles = component('attack-styles', {
  props: { it: prop.text() },
  template: ({ props: { it } }) => el.p({ style: { color: it, background: it, width: it, '--x': it } }, 'x'),
});
const Json = component('attack-json', {
  props: { it: prop.record<object>() },
  template: ({ props: { it } }) => el.script({ type: 'application/json', json: it }),
});
const Line = component('attack-line', {
  accepts: 'tag',
  props: { tag: prop.tag(['p', 'a', 'label']) },
  template: ({ props, accepted }) => el.of(props.tag, { ...accepted }, 'x'),
});
const Rows = component('attack-rows', {
  props: { all: prop.list<{ readonly id: string; readonly text: string }>() },
  template: ({ props }) => el.ul(eachOf(props.all, (one) => el.li({ id: one.id }, one.text), { key: 'id' })),
});
const known = catalog([Box as unknown as AnyComponent]);

/** A rendering, or nothing where it is refused. What is thrown is reported by a LatticeError, or is a fault of ours. */
function rendered(make: () => string): string | undefined {
  try {
    return make();
  } catch (thrown) {
    if ((thrown as { readonly name?: string }).name === 'LatticeError') return undefined;
    throw thrown;
  }
}

let number = 0;
const use = (one: unknown, props: object): Use => (one as (props: object) => Use)(props);

export const doors: readonly Door[] = [
  { name: 'text', try: (it) => rendered(() => renderHtml(use(Box, { it }))) },
  { name: 'text on the spot', try: (it) => rendered(() => renderHtml(Box({}, el.p({ title: it }, it)))) },
  { name: 'attributes', try: (it) => rendered(() => renderHtml(use(Attributes, { it }))) },
  { name: 'URLs', try: (it) => rendered(() => renderHtml(use(Urls, { it }))) },
  { name: 'styles', try: (it) => rendered(() => renderHtml(use(Styles, { it }))) },
  {
    name: 'names of attributes',
    try: (it) => rendered(() => renderHtml(use(Line, { tag: 'a', [it]: 'window.hacked=1', href: it }))),
  },
  { name: 'JSON', try: (it) => rendered(() => renderHtml(use(Json, { it: { [it]: it, list: [it] } }))) },
  { name: 'rows', try: (it) => rendered(() => renderHtml(use(Rows, { all: [{ id: it, text: it }] }))) },
  {
    name: 'templates',
    try: (it) =>
      rendered(() =>
        renderHtml(use(component(`attack-template-${number++}`, { template: `<p>a</p>${it}` }), {})),
      ),
  },
  {
    name: 'expressions',
    try: (it, random) =>
      rendered(() =>
        renderHtml(
          use(
            component(`attack-expression-${number++}`, {
              props: { it: prop.text() },
              helpers: { same: (value: unknown) => value },
              template: `<p title="{{ ${random(2) === 0 ? it.replaceAll(/[{}]/g, '') : `'${it.replaceAll(/['\\{}"\n]/g, '')}' + it`} }}">{{ same(it) }}</p>`,
            }),
            { it },
          ),
        ),
      ),
  },
  {
    // What runs in a document as it was is its author's: only what is rendered in it is looked at.
    name: 'documents',
    try: (it, random) => {
      const safe = it
        .replaceAll(/window\.hacked=1/g, '0')
        .replaceAll(/on(?=\w+\s*=)/gi, 'of')
        .replaceAll(/(?:java|vb)\s*script:|data:/gi, 'x:')
        .replaceAll(/<(?=iframe|script)/gi, '<b ');
      const parts = [`<attack-box it="${safe.replaceAll('"', '&quot;')}">${safe}</attack-box>`, safe];
      const html = `<!doctype html><title>x</title><main>${random(2) === 0 ? parts.join('') : parts.reverse().join('')}</main>`;
      return rendered(() => renderDocument(html, known).html);
    },
  },
  {
    name: 'pages that are adopted',
    try: (it, random) => {
      const kind = random(2) === 0 ? 'builders' : 'text';
      return rendered(() => {
        const { module } = adopt(`<div class="x"><p title="${it}">${it}</p></div>`, {
          name: 'attack-adopted',
          as: kind,
        });
        // Code that holds the text anywhere but in quotes would not be read as a module.
        return `<pre>${module.replaceAll('&', '&amp;').replaceAll('<', '&lt;')}</pre>`;
      });
    },
  },
  {
    name: 'file names of a batch',
    try: (it) => {
      const folder = join('/', 'pages');
      const file = fileOf(folder, '{id}.html', { id: it }, 1);
      if ('fault' in file) return undefined;
      if (!/^\/pages\/[^/\\\0]+\.html$/.test(file.path)) return '<script>window.hacked=1</script>';
      return '<p>x</p>';
    },
  },
];
