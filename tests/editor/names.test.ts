import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type {
  CompletionItem,
  DocumentHighlight,
  DocumentLink,
  DocumentSymbol,
  FoldingRange,
  Hover,
  LinkedEditingRanges,
  Location,
  Range,
  SelectionRange,
  SemanticTokens,
  SignatureHelp,
  TextEdit,
  WorkspaceSymbol,
} from 'vscode-languageserver-protocol/node';
import { TextDocument } from 'vscode-languageserver-textdocument';
import { root } from '../cli/lattice.js';
import { Editor } from './client.js';

const folder = mkdtempSync(join(root, 'tests/editor/out-names-'));
const file = (name: string): string => join(folder, name);

const card = `<article class="card">
  <h3>{{ title }}</h3>
  <template each-of="tools" as="tool" key="name" index="row">
    <p>{{ tool.name }}</p>
  </template>
  <season-tag season="{{ props.season }}"><b slot="mark">x</b></season-tag>
  <button type="button" handles="click: count(1, 2)">{{ seen }} {{ upper(title) + 'a' }}</button>
  <slot name="badge"></slot>
</article>
`;
const module = `import { component, event, prop, slot } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';

export const SeasonTag = component('season-tag', {
  props: { season: prop.choice(['early', 'late']).fallback('early') },
  slots: { mark: slot() },
  template: \`<b>{{ season }}</b><slot name="mark"></slot>\`,
});

export const GroveCard = component('grove-card', {
  props: {
    title: prop.text(),
    season: prop.choice(['early', 'late']).fallback('early'),
    tools: prop.list(prop.record({ name: prop.text() })).fallback([]),
  },
  slots: { badge: slot() },
  state: () => ({ seen: 0 }),
  events: { counted: event() },
  handlers: { count: ({ state }, step: number, twice = 2) => ({ seen: state.seen + step * twice }) },
  helpers: { upper: (text: string) => text.toUpperCase(), lower(text: string, most = 9) { return text.slice(0, most); } },
  uses: [SeasonTag],
  template: markupFile(import.meta.url, './grove-card.html'),
});
`;
const fair = `import { component } from 'zesty-lattice';
import { GroveCard, SeasonTag as Tag } from './grove-card.js';
export const rules = new URL('./page.css', import.meta.url);
export const FairPage = component('fair-page', {
  template: () => [GroveCard({ title: 'a' }), Tag({}, { mark: 'b' })],
});
`;
const page = `<!doctype html>
<html lang="en">
  <head><title>x</title><link rel="stylesheet" href="page.css"></head>
  <body>
    <season-tag season="late"></season-tag>
    <a href="other.html#there">x</a> <a href="gone.html">y</a>
  </body>
</html>
`;

let editor: Editor;
beforeAll(async () => {
  mkdirSync(folder, { recursive: true });
  const files = {
    'grove-card.html': card,
    'grove-card.ts': module,
    'fair.ts': fair,
    'page.html': page,
    'page.css': '',
    'other.html': page,
  };
  for (const [name, text] of Object.entries(files)) writeFileSync(file(name), text);
  editor = new Editor();
  await editor.start({ folders: [folder], options: { html: true } });
  const isRead = async (): Promise<boolean> =>
    (await editor.completions(file('page.html'), page.replace('<body>', '<body><|'))).includes('season-tag');
  while (!(await isRead())) await new Promise((done) => setTimeout(done, 50));
  for (const [name, text] of Object.entries(files))
    if (!name.endsWith('.css')) await editor.write(file(name), text);
}, 30_000);
afterAll(async () => {
  await editor.stop();
  rmSync(folder, { recursive: true });
});

const texts: Readonly<Record<string, string>> = {
  'grove-card.html': card,
  'grove-card.ts': module,
  'fair.ts': fair,
  'page.html': page,
};
const wordAt = (name: string, { start, end }: Range): string =>
  (texts[name]?.split('\n')[start.line] ?? '').slice(start.character, end.character);

/** What is found at the sign `|`: file, line and the word there. */
async function references(name: string, text: string, includeDeclaration = true): Promise<readonly string[]> {
  const found = await editor.at<Location[]>('textDocument/references', file(name), text, {
    context: { includeDeclaration },
  });
  return found.map(({ range, uri }) => {
    const of = uri.split('/').at(-1) ?? '';
    return `${of}:${range.start.line + 1} ${wordAt(of, range) || 'season-tag'}`;
  });
}

describe('what is named', () => {
  test('a component is used at its tags and in code', async () => {
    const all = [
      'fair.ts:2 SeasonTag',
      'fair.ts:2 Tag',
      'fair.ts:5 Tag',
      'grove-card.html:6 season-tag',
      'grove-card.ts:4 SeasonTag',
      'grove-card.ts:4 season-tag',
      'grove-card.ts:21 SeasonTag',
      'other.html:5 season-tag',
      'page.html:5 season-tag',
    ];
    expect(await references('page.html', page.replace('<season-tag', '<season|-tag'))).toEqual(all);
    expect(await references('grove-card.ts', module.replace("'season-tag'", "'season|-tag'"))).toEqual(all);
    expect(await references('page.html', page.replace('<season-tag', '<season|-tag'), false)).not.toContain(
      'grove-card.ts:4 season-tag',
    );
  });

  test.each([
    [
      'a prop',
      '{{ title',
      '{{ ti|tle',
      ['fair.ts:5 title', 'grove-card.html:2 title', 'grove-card.html:7 title', 'grove-card.ts:12 title'],
    ],
    [
      'a state',
      '{{ seen',
      '{{ se|en',
      ['grove-card.html:7 seen', 'grove-card.ts:17 seen', 'grove-card.ts:19 seen'],
    ],
    ['a helper', 'upper(', 'up|per(', ['grove-card.html:7 upper', 'grove-card.ts:20 upper']],
    ['a handler', 'count(', 'cou|nt(', ['grove-card.html:7 count', 'grove-card.ts:19 count']],
    [
      'a slot of its own',
      'name="badge"',
      'name="bad|ge"',
      ['grove-card.html:8 badge', 'grove-card.ts:16 badge'],
    ],
    [
      'a slot that is filled',
      'slot="mark"',
      'slot="ma|rk"',
      ['fair.ts:5 mark', 'grove-card.html:6 mark', 'grove-card.ts:6 mark', 'grove-card.ts:7 mark'],
    ],
  ])('%s', async (_what, word, asked, all) => {
    expect(await references('grove-card.html', card.replace(word, asked))).toEqual(all);
  });

  test('components are found by name in all the workspace', async () => {
    const found = async (query: string): Promise<readonly string[]> =>
      (await editor.request<WorkspaceSymbol[]>('workspace/symbol', { query })).map(({ name }) => name);
    expect(await found('')).toEqual(['fair-page', 'grove-card', 'season-tag']);
    expect(await found('Card')).toEqual(['grove-card']);
  });

  test.each([
    ['click: count(|', 'count(step, twice = 2)', 0],
    ['click: count(1, |', 'count(step, twice = 2)', 1],
    ['click: count(upper(|', 'upper(text)', 0],
    ['click: count(upper(title), |', 'count(step, twice = 2)', 1],
  ])('a call says what it takes: %s', async (written, label, at) => {
    const text = card.replace(/click: count[^"]*/, written);
    const found = await editor.at<SignatureHelp | null>(
      'textDocument/signatureHelp',
      file('grove-card.html'),
      text,
    );
    expect(found?.signatures[0]?.label).toBe(label);
    expect(found?.activeParameter).toBe(at);
  });

  test('a method that helps, in an expression, and nothing outside of one', async () => {
    const asked = async (text: string): Promise<string | undefined> =>
      (await editor.at<SignatureHelp | null>('textDocument/signatureHelp', file('grove-card.html'), text))
        ?.signatures[0]?.label;
    expect(await asked(card.replace('upper(title)', 'lower(title, |'))).toBe('lower(text, most = 9)');
    expect(await asked(card.replace('</h3>', '</h3>upper(|'))).toBeUndefined();
    expect(await asked(card.replace('{{ title }}', '{{ (|'))).toBeUndefined();
    await editor.write(file('grove-card.html'), card);
  });

  test('each word of an expression is what it is', async () => {
    const { data } = await editor.ask<SemanticTokens>(
      'textDocument/semanticTokens/full',
      file('grove-card.html'),
    );
    const types = ['variable', 'property', 'function', 'keyword', 'string', 'number', 'operator'];
    const lines = card.split('\n');
    let [line, start] = [0, 0];
    const found: string[] = [];
    for (let at = 0; at < data.length; at += 5) {
      const [down = 0, right = 0, length = 0, type = 0] = data.slice(at, at + 4);
      [line, start] = down > 0 ? [line + down, right] : [line, start + right];
      found.push(`${lines[line]?.slice(start, start + length)} ${types[type]}`);
    }
    expect(found).toEqual(
      expect.arrayContaining([
        'title variable',
        'tools variable',
        'name property',
        'upper function',
        "'a' string",
        '+ operator',
        '1 number',
        'season property',
      ]),
    );
    expect(found[0]).toBe('title variable');
  });

  test.each([
    ['{{ props.|', ['title', 'season', 'tools']],
    ['{{ slots.|', ['badge']],
    ['{{ slots.badge.|', ['filled']],
    ['{{ state.|', ['seen']],
    ['{{ |', ['props', 'slots', 'state', 'title']],
    ['<template each-of="tools" as="t" index="place">{{ |', ['place', 't']],
    ['<template |', ['index', 'loading', 'loaded', 'failed']],
  ])('completes %s', async (text, words) => {
    expect(await editor.completions(file('grove-card.html'), card + text)).toEqual(
      expect.arrayContaining(words),
    );
    await editor.write(file('grove-card.html'), card);
  });

  test('a word that is chosen takes the place of what was begun, hyphens as well', async () => {
    const edit = async (text: string, label: string): Promise<string> => {
      const whole = text.replace('|', '');
      const items = await editor.at<CompletionItem[]>(
        'textDocument/completion',
        file('grove-card.html'),
        text,
      );
      const chosen = items.find((one) => one.label === label)?.textEdit as TextEdit;
      return TextDocument.applyEdits(TextDocument.create('a', 'html', 1, whole), [chosen]);
    };
    expect(await edit('<season-t|', 'season-tag')).toBe('<season-tag');
    expect(await edit('<season-tag sea|', 'season')).toBe('<season-tag season');
    expect(await edit('<season-tag season="ea|"></season-tag>', 'early')).toBe(
      '<season-tag season="early"></season-tag>',
    );
    expect(await edit('<p>{{ tit| + 1 }}</p>', 'title')).toBe('<p>{{ title + 1 }}</p>');
    expect(await edit('<button handles="click: cou|"></button>', 'count')).toBe(
      '<button handles="click: count"></button>',
    );
    await editor.write(file('grove-card.html'), card);
  });
});

describe('what an editor of HTML does', () => {
  test('outlines, in modules as well', async () => {
    const names = async (name: string): Promise<readonly string[]> =>
      (await editor.ask<DocumentSymbol[]>('textDocument/documentSymbol', file(name))).map((one) => one.name);
    expect(await names('grove-card.html')).toEqual(['article.card']);
    expect(await names('grove-card.ts')).toEqual(['b', 'slot']);
    expect(await names('fair.ts')).toEqual([]);
  });

  test('marks and changes tags that meet, together', async () => {
    const text = card.replace('<article', '<art|icle');
    const marked = await editor.at<DocumentHighlight[]>(
      'textDocument/documentHighlight',
      file('grove-card.html'),
      text,
    );
    expect(marked.map(({ range }) => [range.start.line, wordAt('grove-card.html', range)])).toEqual([
      [0, 'article'],
      [8, 'article'],
    ]);
    const linked = await editor.at<LinkedEditingRanges>(
      'textDocument/linkedEditingRange',
      file('grove-card.html'),
      card.replace('<season-tag', '<season-|tag'),
    );
    expect(linked.ranges.map((range) => wordAt('grove-card.html', range))).toEqual([
      'season-tag',
      'season-tag',
    ]);
    const inModule = await editor.at<LinkedEditingRanges>(
      'textDocument/linkedEditingRange',
      file('grove-card.ts'),
      module.replace('<b>{{', '<|b>{{'),
    );
    expect(inModule.ranges.map((range) => wordAt('grove-card.ts', range))).toEqual(['b', 'b']);
  });

  test('folds, and selects step by step', async () => {
    const folds = await editor.ask<FoldingRange[]>('textDocument/foldingRange', file('grove-card.html'));
    expect(folds.map(({ endLine, startLine }) => [startLine, endLine])).toEqual(
      expect.arrayContaining([
        [0, 7],
        [2, 3],
      ]),
    );
    const [selected] = await editor.ask<SelectionRange[]>(
      'textDocument/selectionRange',
      file('grove-card.html'),
      { positions: [{ line: 1, character: 10 }] },
    );
    let steps = 0;
    for (let one: SelectionRange | undefined = selected; one; one = one.parent) steps++;
    expect(steps).toBeGreaterThan(3);
  });

  test('links to files, where they are', async () => {
    const links = async (name: string): Promise<readonly string[]> =>
      (await editor.ask<DocumentLink[]>('textDocument/documentLink', file(name))).map(
        ({ target }) => target?.split('/').at(-1) ?? '',
      );
    expect(await links('page.html')).toEqual(['page.css', 'other.html']);
    expect(await links('grove-card.ts')).toEqual(['grove-card.html']);
    expect(await links('fair.ts')).toEqual(['grove-card.ts', 'page.css']);
  });

  test('knows HTML’s own tags and attributes, if it is asked to', async () => {
    const at = (text: string): Promise<readonly string[]> =>
      editor.completions(file('grove-card.html'), text);
    expect(await at('<|')).toEqual(expect.arrayContaining(['season-tag', 'article', 'button']));
    expect(await at('<button |></button>')).toEqual(expect.arrayContaining(['type', 'disabled']));
    expect(
      (await editor.at<Hover | null>('textDocument/hover', file('grove-card.html'), '<artic|le></article>'))
        ?.contents,
    ).toBeTruthy();
    expect(await at('<p>{{ |')).not.toContain('article');
    await editor.write(file('grove-card.html'), card);
  });
});

describe('formatting', () => {
  const format = async (text: string): Promise<string> => {
    await editor.write(file('grove-card.html'), text);
    const edits = await editor.ask<TextEdit[]>('textDocument/formatting', file('grove-card.html'), {
      options: { tabSize: 2, insertSpaces: true },
    });
    return TextDocument.applyEdits(TextDocument.create('a', 'html', 1, text), edits);
  };

  test.each([
    ['what stands right', card, card],
    [
      'indentation',
      '<ul>\n<li>\n<b>x</b>\n</li>\n      </ul>',
      '<ul>\n  <li>\n    <b>x</b>\n  </li>\n</ul>\n',
    ],
    ['words that touch', '<p>a<b>b</b>\n<i>c</i>d</p>', '<p>a<b>b</b>\n  <i>c</i>d</p>\n'],
    ['attributes', '<a   href="x"\t class="y" >z</a >', '<a href="x" class="y">z</a>\n'],
    ['attributes in lines', '<a\nhref="x"\nclass="y"\n>z</a>', '<a\n  href="x"\n  class="y">z</a>\n'],
    [
      'text as it is written',
      '<div>\n<pre>\n a\n   b</pre>\n<textarea>\n x</textarea></div>',
      '<div>\n  <pre>\n a\n   b</pre>\n  <textarea>\n x</textarea></div>\n',
    ],
    ['expressions', '<p>\n{{ a <b\n ? 1 : 2 }}</p>', '<p>\n{{ a <b\n ? 1 : 2 }}</p>'],
    ['tags that are not closed', '<ul>\n<li>a\n<li>b\n</ul>', '<ul>\n<li>a\n<li>b\n</ul>'],
    ['ends of lines', '<ul>\r\n<li>a</li>\r\n</ul>\r\n', '<ul>\r\n  <li>a</li>\r\n</ul>\r\n'],
    ['blank lines', '<p>a</p>\n\n\n\n<p>b</p>', '<p>a</p>\n\n<p>b</p>\n'],
  ])('%s', async (_what, text, made) => {
    expect(await format(text)).toBe(made);
    expect(await format(made)).toBe(made);
  });

  /** Where there is white space, and where there is none. */
  const flat = (text: string): string =>
    text
      .replace(/<[^>]*>/g, (tag) => tag.replace(/\s+/g, ' ').replace(/ >$/, '>'))
      .replace(/\s+/g, ' ')
      .trim();

  test('changes no word of the orchard’s texts, nor what touches what', async () => {
    const texts = readdirSync(join(root, 'examples'), { recursive: true, encoding: 'utf8' }).filter((one) =>
      /^(?!.*(?:node_modules|dist|out)).*\.html$/.test(one),
    );
    expect(texts.length).toBeGreaterThan(10);
    for (const name of texts) {
      const text = readFileSync(join(root, 'examples', name), 'utf8');
      const made = await format(text);
      expect(made.replace(/\s+/g, ''), name).toBe(text.replace(/\s+/g, ''));
      expect(flat(made), name).toBe(flat(text));
      expect(await format(made), name).toBe(made);
    }
  });
});
