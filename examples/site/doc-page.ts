import { calc, component, el, given, phrase, prop, trusted } from 'zesty-lattice';
import { DocSearch } from './components/doc-search.js';
import { FrontPage } from './components/front-page.js';
import { PageContents } from './components/page-contents.js';
import { SiteNav } from './components/site-nav.js';
import { pageGroup, pageLink, pageSection } from './components/types.js';

/** The lattice of the name: four diamonds that share their corners. */
const mark = el.svg(
  { viewBox: '0 0 32 32', width: 26, height: 26, 'aria-hidden': 'true' },
  el.path({
    d: 'M16 2 23 9 16 16 9 9Z M9 9 16 16 9 23 2 16Z M23 9 30 16 23 23 16 16Z M16 16 23 23 16 30 9 23Z',
  }),
);

/** A page of the docs: `npm run site` writes one for each row. */
export default component('doc-page', {
  description: 'A page of the docs of Zesty Lattice.',
  props: {
    at: prop.text().describe('The name of its file.'),
    title: prop.text(),
    heading: prop.text().fallback('').describe('Where its text has none.'),
    description: prop.text(),
    html: prop.text().describe('Its text, as the build makes it of Markdown.'),
    sections: prop.list(pageSection),
    nav: prop.list(pageGroup),
    previous: pageLink.optional(),
    next: pageLink.optional(),
  },
  template: ({ props }) => {
    const isHome = calc(props.at, (at) => at === 'index');
    const nav = SiteNav({ groups: props.nav, here: phrase`${props.at}.html` });
    return [
      el.a({ class: 'skip', href: '#text' }, 'To the text'),
      el.header(
        { class: 'bar' },
        el.a({ class: 'home', href: 'index.html' }, mark, ' Zesty Lattice'),
        DocSearch({ index: 'search.json' }),
      ),
      el.div(
        { class: ['page', { wide: isHome }] },
        given(isHome, null, el.nav({ class: 'side', 'aria-label': 'All pages' }, nav)),
        el.details(
          { class: 'folded' },
          el.summary('All pages'),
          el.nav({ 'aria-label': 'All pages, folded' }, nav),
        ),
        el.main(
          { id: 'text' },
          given(
            isHome,
            FrontPage({ sample: props.html }),
            el.article(
              { class: 'prose' },
              given(props.heading, (heading) => el.h1(heading)),
              trusted(props.html),
            ),
          ),
          given(
            isHome,
            null,
            el.nav(
              { class: 'around', 'aria-label': 'Before and after' },
              given(props.previous, (page) =>
                el.a({ href: page.href, rel: 'prev' }, el.small('Before'), page.title),
              ),
              given(props.next, (page) =>
                el.a({ class: 'next', href: page.href, rel: 'next' }, el.small('Next'), page.title),
              ),
            ),
          ),
        ),
        given(
          calc(props.sections, (sections) => sections.length > 0),
          el.aside(
            { class: 'contents', 'aria-label': 'Contents' },
            PageContents({ sections: props.sections }),
          ),
        ),
      ),
      el.footer(
        { class: 'end' },
        'Made with Zesty Lattice: these pages are components, written by ',
        el.code('lattice batch'),
        '. MIT licence.',
      ),
      el.script({ type: 'module', src: 'site.js' }),
    ];
  },
});
