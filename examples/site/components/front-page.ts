import { component, el, prop, trusted } from 'zesty-lattice';

const reasons: readonly (readonly [string, string, string])[] = [
  [
    'The template runs once',
    'It receives expressions instead of values and returns data. HTML text, elements, the tree and its problems all come from that data.',
    'start.html',
  ],
  [
    'Mistakes are found before a page is served',
    'Missing props, unknown slots, doubled ids, elements that a parser would move: reported together, with path, line and a hint.',
    'check.html',
  ],
  [
    'One component, every output',
    'Plain HTML, a stream, a mail, a custom element that hydrates: one set of tests compares them all.',
    'render.html',
  ],
  [
    'Small scripts',
    'A build compiles templates before the page loads. A counter with all that it needs is 3.2 KB.',
    'elements.html',
  ],
];

export const FrontPage = component('front-page', {
  description: 'The first page of the site.',
  props: { sample: prop.text().describe('The first component, as HTML.') },
  styles: `
    .hero { display: grid; gap: 2rem; align-items: start; padding-block: clamp(1.5rem, 5vw, 4rem) 2.5rem }
    .hero > * { min-inline-size: 0 }
    h1 { margin: 0; font: 600 clamp(2.1rem, 6vw, 3.6rem)/1.05 var(--display); letter-spacing: -.01em; text-wrap: balance }
    .lead { margin: 1.2rem 0 1.8rem; font-size: 1.15rem; color: var(--quiet); max-inline-size: 36rem }
    .ways { display: flex; flex-wrap: wrap; gap: .75rem }
    .ways a { padding: .6rem 1.1rem; border: 1px solid var(--line); border-radius: .5rem; color: inherit; text-decoration: none; font-weight: 600 }
    .ways a:first-child { border-color: var(--accent); background: var(--accent); color: var(--on-accent) }
    .ways a:hover { text-decoration: underline }
    .reasons { display: grid; grid-template-columns: repeat(auto-fit, minmax(min(100%, 15rem), 1fr)); gap: 1.75rem; padding: 0; margin: 1rem 0 0; list-style: none }
    .reasons h2 { margin: 0 0 .35rem; font: 600 1.2rem/1.25 var(--display) }
    .reasons p { margin: 0; color: var(--quiet) }
    .reasons a { color: inherit }
    @media (min-width: 70rem) { .hero { grid-template-columns: 1fr 1.05fr; gap: 3rem } }
  `,
  template: ({ props }) => [
    el.div(
      { class: 'hero' },
      el.div(
        el.h1('Components, resolved before they are shown'),
        el.p(
          { class: 'lead' },
          'Typed props, default and named slots, nested to any depth: rendered to HTML text or to standard custom elements. A TypeScript library for Node.js and the browser.',
        ),
        el.p(
          { class: 'ways' },
          el.a({ href: 'start.html' }, 'Ten minutes'),
          el.a({ href: 'guide.html' }, 'All guides'),
        ),
      ),
      el.div({ class: 'prose' }, trusted(props.sample)),
    ),
    el.ul(
      { class: 'reasons', role: 'list' },
      reasons.map(([title, text, href]) => el.li(el.h2(el.a({ href }, title)), el.p(text))),
    ),
  ],
});
