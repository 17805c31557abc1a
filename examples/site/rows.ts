import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import MiniSearch from 'minisearch';
import { written } from './markdown.js';
import { groups, type Listed } from './pages.js';
import { type Found, searchOptions } from './search-options.js';

/**
 * Makes a row of each page of the docs for `lattice batch`, and the index that the pages are searched by.
 *
 * @param work the folder of the rows
 * @param site the folder of the site
 * @param isShort without the reference
 */
export function writeRows(work: string, site: string, isShort = false): void {
  const shown = groups.map(({ pages, title }) => ({
    title,
    pages: pages.filter(({ at }) => !isShort || !at.startsWith('api-')),
  }));
  const all = shown.flatMap(({ pages }) => pages);
  const link = ({ at, title }: Listed): { href: string; title: string } => ({ href: `${at}.html`, title });
  const nav = shown.map(({ pages, title }) => ({ title, pages: pages.map(link) }));

  const found: Found[] = [];
  const rows = all.map((page, index) => {
    const isReference = page.at.startsWith('api-');
    const { description, html, parts, sections, title } = written(
      readFileSync(page.from, 'utf8'),
      isReference,
    );
    const name = isReference ? page.title.replace(/^… ?/, 'zesty-lattice') : title;
    for (const { heading, id, text } of parts)
      found.push({
        id: found.length,
        href: `${page.at}.html${id === '' ? '' : `#${id}`}`,
        page: name,
        heading,
        text,
      });
    const [before, next] = [all[index - 1], all[index + 1]];
    return {
      at: page.at,
      title: `${name} · Zesty Lattice`,
      heading: isReference ? name : '',
      description: description === '' ? `${name}: the reference of Zesty Lattice.` : description,
      html,
      sections: sections.length > 1 ? sections : [],
      nav,
      ...(before && { previous: link(before) }),
      ...(next && { next: link(next) }),
    };
  });
  /** The first component and its first use, as the guide has them. */
  const firstSamples = [...readFileSync('docs/start.md', 'utf8').matchAll(/```ts\n[\s\S]*?```/g)]
    .slice(0, 2)
    .join('\n\n');
  const home = {
    at: 'index',
    title: 'Zesty Lattice: components with typed props and child slots',
    heading: '',
    description:
      'A TypeScript library: components that are resolved as a tree and rendered to HTML text or custom elements.',
    html: written(firstSamples, false).html,
    sections: [],
    nav,
  };

  mkdirSync(work, { recursive: true });
  mkdirSync(site, { recursive: true });
  writeFileSync(
    join(work, 'pages.ndjson'),
    [home, ...rows].map((row) => `${JSON.stringify(row)}\n`).join(''),
  );
  const index = new MiniSearch(searchOptions);
  index.addAll(found);
  writeFileSync(join(site, 'search.json'), JSON.stringify(index));
}
