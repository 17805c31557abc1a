import { calc, component, eachOf, el, phrase, prop } from 'zesty-lattice';
import { pageSection } from './types.js';

export const PageContents = component('page-contents', {
  description: 'The sections of a page.',
  props: { sections: prop.list(pageSection) },
  styles: `
    h2 { margin: 0 0 .5rem; font: 600 .75rem/1.4 var(--sans); letter-spacing: .08em; text-transform: uppercase; color: var(--quiet) }
    ul { margin: 0; padding: 0; list-style: none; font-size: .875rem }
    a { display: block; padding: .2rem 0; color: var(--quiet); text-decoration: none; overflow-wrap: anywhere }
    a:hover { color: var(--ink); text-decoration: underline }
    .deeper a { padding-inline-start: .9rem }
  `,
  template: ({ props }) =>
    el.nav(
      { 'aria-label': 'On this page' },
      el.h2('On this page'),
      el.ul(
        { role: 'list' },
        eachOf(props.sections, (section) =>
          el.li(
            { class: { deeper: calc(section.level, (level) => level > 2) } },
            el.a({ href: phrase`#${section.id}` }, section.text),
          ),
        ),
      ),
    ),
});
