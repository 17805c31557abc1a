import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import hljs from 'highlight.js';
import MarkdownIt from 'markdown-it';
import anchor from 'markdown-it-anchor';
import { PNG } from 'pngjs';
import { apiPage } from './pages.js';

export interface Section {
  readonly id: string;
  readonly text: string;
  readonly level: number;
}

export interface Written {
  readonly title: string;
  /** Its first sentence, for those who search. */
  readonly description: string;
  readonly html: string;
  readonly sections: readonly Section[];
  /** The text below each heading, to be searched. */
  readonly parts: readonly { readonly id: string; readonly heading: string; readonly text: string }[];
}

type Token = ReturnType<InstanceType<typeof MarkdownIt>['parse']>[number];

/** A heading's id, as code hosts make it: links in the docs go to the same ids there and here. */
const slugOf = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .replace(/[^\p{L}\p{N}\s_-]/gu, '')
    .replace(/\s/g, '-');

/** A page in Markdown as HTML, its links turned to the site's own pages. */
export function written(markdown: string, isReference: boolean): Written {
  const reader = new MarkdownIt({
    // The reference has anchors of its own; in the docs a tag is text.
    html: isReference,
    highlight: (code, language) => highlighted(code, language),
  });
  reader.use(anchor, { slugify: slugOf, uniqueSlugStartIndex: 1, tabIndex: false });
  reader.renderer.rules.table_open = () =>
    '<div class="table" tabindex="0" role="group" aria-label="Table"><table>\n';
  reader.renderer.rules.table_close = () => '</table></div>\n';
  const tokens = reader.parse(markdown, {});
  for (const token of tokens) for (const inner of token.children ?? []) turned(inner, isReference);
  // A cell that heads nothing is no heading.
  for (const [index, token] of tokens.entries())
    if (token.type === 'th_open' && tokens[index + 1]?.content === '')
      for (const one of [token, tokens[index + 2]]) if (one) one.tag = 'td';
  const { parts, sections } = sectionsOf(tokens);
  const [first] = parts;
  const html = reader.renderer.render(tokens, reader.options, {});
  return {
    title: first?.heading ?? '',
    description: first?.text.match(/^.+?[.!?](?= |$)/)?.[0] ?? '',
    html,
    sections,
    parts,
  };
}

function highlighted(code: string, language: string): string {
  const [name = ''] = language.split(' ');
  const known = hljs.getLanguage(name);
  const inside = known ? hljs.highlight(code, { language: name }).value : escaped(code);
  return `<pre tabindex="0"><code>${inside}</code></pre>`;
}

const escaped = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');

/** Links to pages of the site go there; what is in the repository alone is named without a link. */
function turned(token: Token, isReference: boolean): void {
  if (token.type === 'image') {
    const file = /([\w-]+\.png)$/.exec(String(token.attrGet('src') ?? ''))?.[1];
    const path = join('docs/screenshots', file ?? '');
    if (file === undefined || !existsSync(path))
      throw new Error(`There is no picture ${token.attrGet('src')}.`);
    const { height, width } = PNG.sync.read(readFileSync(path));
    for (const [name, value] of [
      ['src', `pictures/${file}`],
      ['width', width],
      ['height', height],
      ['loading', 'lazy'],
    ] as const)
      token.attrSet(name, String(value));
  }
  if (token.type !== 'link_open') return;
  const href = String(token.attrGet('href') ?? '');
  const to = addressOf(href, isReference);
  if (to !== undefined) return token.attrSet('href', to);
  token.attrs = [['title', `In the repository: ${href.replace(/^(?:\.\.\/)+/, '')}`]];
}

function addressOf(href: string, isReference: boolean): string | undefined {
  if (/^(?:https?:|#)/.test(href)) return href;
  const [path = '', hash] = href.split('#');
  const end = hash === undefined ? '' : `#${hash}`;
  if (path.endsWith('.png')) return `pictures/${path.replace(/^.*\//, '')}`;
  const name = /^(?:\.\.\/|docs\/)?([\w.-]+)\.md$/.exec(path)?.[1];
  if (name === undefined) return undefined;
  if (isReference) return `${apiPage(name)}.html${end}`;
  const others: Readonly<Record<string, string>> = {
    README: 'index',
    CONTRIBUTING: 'contributing',
    CHANGELOG: 'changes',
  };
  return `${others[name] ?? name}.html${end}`;
}

function sectionsOf(tokens: readonly Token[]): Pick<Written, 'parts' | 'sections'> {
  const sections: Section[] = [];
  const parts: { id: string; heading: string; text: string }[] = [];
  for (const [index, token] of tokens.entries()) {
    const isHeading = tokens[index - 1]?.type === 'heading_open';
    if (isHeading) {
      const open = tokens[index - 1] as Token;
      const level = Number(open.tag.slice(1));
      const [id, heading] = [String(open.attrGet('id') ?? ''), textOf(token)];
      if (level === 2 || level === 3) sections.push({ id, text: heading, level });
      // In the reference what is deeper is a part of a name: its parameters, its example.
      if (level <= 3) parts.push({ id: level === 1 ? '' : id, heading, text: '' });
    } else if (token.type === 'inline' || token.type === 'fence') {
      const last = parts.at(-1);
      if (last)
        last.text += `${last.text === '' ? '' : ' '}${token.type === 'fence' ? token.content : textOf(token)}`;
    }
  }
  return { sections, parts };
}

function textOf({ children }: Token): string {
  return (children ?? [])
    .map((one) =>
      one.type === 'text' || one.type === 'code_inline' ? one.content : one.type === 'softbreak' ? ' ' : '',
    )
    .join('');
}
