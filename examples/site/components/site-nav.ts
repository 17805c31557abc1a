import { calc, component, eachOf, el, prop } from 'zesty-lattice';
import { pageGroup } from './types.js';

export const SiteNav = component('site-nav', {
  description: 'All pages of the site in groups, the one that is shown marked.',
  props: { groups: prop.list(pageGroup), here: prop.text() },
  styles: `
    h2 { margin: 1.5rem 0 .35rem; font: 600 .75rem/1.4 var(--sans); letter-spacing: .08em; text-transform: uppercase; color: var(--quiet) }
    ul { margin: 0; padding: 0; list-style: none }
    a { display: block; padding: .25rem .75rem; border-inline-start: 2px solid var(--edge); color: inherit; text-decoration: none }
    a:hover { border-color: currentColor }
    a[aria-current] { border-color: var(--accent); color: var(--accent); font-weight: 600 }
  `,
  template: ({ props }) =>
    eachOf(props.groups, (group) => [
      el.h2(group.title),
      el.ul(
        { role: 'list' },
        eachOf(group.pages, (page) =>
          el.li(
            el.a(
              {
                href: page.href,
                'aria-current': calc(page.href, props.here, (href, here) =>
                  href === here ? 'page' : undefined,
                ),
              },
              page.title,
            ),
          ),
        ),
      ),
    ]),
});
