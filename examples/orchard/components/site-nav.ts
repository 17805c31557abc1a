import { component, eachOf, el, prop } from 'zesty-lattice';
import type { Link } from '../types.js';

export const SiteNav = component('site-nav', {
  description: 'Links to the parts of the page.',
  props: { label: prop.text().fallback('On this page'), links: prop.list<Link>() },
  styles: `
    ul { display: flex; flex-wrap: wrap; gap: .25rem 1.25rem; list-style: none; margin: 0; padding: 0 }
    a { color: inherit; text-decoration: none; padding: .3rem 0; border-bottom: 2px solid transparent }
    a:hover { border-color: currentColor }
    a:focus-visible { outline: 3px solid var(--focus); outline-offset: 3px; border-radius: .2rem }
  `,
  template: ({ props }) =>
    el.nav(
      { 'aria-label': props.label },
      el.ul(eachOf(props.links, (link) => el.li(el.a({ href: link.href }, link.label)))),
    ),
});
