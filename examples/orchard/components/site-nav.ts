import { component, eachOf, el, prop } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';
import type { Link } from '../types.js';

export const SiteNav = component('site-nav', {
  description: 'Links to the parts of the page.',
  props: { label: prop.text().fallback('On this page'), links: prop.list<Link>() },
  styles: markupFile(import.meta.url, './site-nav.css'),
  template: ({ props }) =>
    el.nav(
      { 'aria-label': props.label },
      el.ul(eachOf(props.links, (link) => el.li(el.a({ href: link.href }, link.label)))),
    ),
});
