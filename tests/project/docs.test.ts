import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { check } from 'zesty-lattice-tools/check';
import { lattice, root } from '../cli/lattice.js';

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(root, 'out-docs-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const read = (path: string): string => readFileSync(join(root, path), 'utf8');
const block = (path: string, kind: string, from = ''): string => {
  const text = read(path);
  return new RegExp(`\`\`\`${kind}\n([\\s\\S]*?)\n\`\`\``).exec(text.slice(text.indexOf(from)))?.[1] ?? '';
};

test('the README’s first component renders what it says, in at most 30 lines', async () => {
  const code = block('README.md', 'ts', '## A component');
  expect(code.split('\n').length).toBeLessThanOrEqual(30);
  writeFileSync(
    join(folder, 'first.ts'),
    `${code.replace('renderHtml(Var', 'export const html = renderHtml(Var')}\n`,
  );
  const { html } = (await import(join(folder, 'first.ts'))) as { html: string };
  expect(html).toContain('<h3 data-in="variety-card">Dunlight</h3></header><p>Thin skin, sharp.</p>');
  expect((await check([join(folder, 'first.ts')])).problems).toEqual([]);
});

test('the example of docs/html.md has no problems, and renders', () => {
  const files = {
    'variety-card.ts': block('docs/html.md', 'ts'),
    'variety-card.html': block('docs/html.md', 'html'),
    'variety-card.css': 'h3 { margin: 0 }',
    'season-tag.ts': `import { component, el, prop } from 'zesty-lattice';
export const SeasonTag = component('season-tag', { props: { season: prop.text() }, template: ({ props }) => el.span(props.season) });
`,
    'card.json':
      '{ "title": "Dunlight", "season": "early", "crates": 0, "tastings": [{ "time": "10:30", "cents": 250 }] }',
  };
  for (const [name, text] of Object.entries(files)) writeFileSync(join(folder, name), text);
  const { code, out, err } = lattice(
    'render',
    join(folder, 'variety-card.ts'),
    '--props',
    join(folder, 'card.json'),
  );
  expect([code, err]).toEqual([0, '']);
  expect(out).toContain('class="variety early sold-out"');
  expect(out).toMatch(/<li[^>]*>10:30: € 2\.50<\/li>/);
  expect(out).toMatch(/<p[^>]*>Sold out<\/p>/);
});

test('every link in the docs points to something that is there, and every picture is linked', () => {
  const pages = [
    'README.md',
    ...readdirSync(join(root, 'docs'))
      .filter((name) => name.endsWith('.md'))
      .map((name) => `docs/${name}`),
  ];
  const broken = pages.flatMap((page) =>
    [...read(page).matchAll(/\]\(([^)#\s]+)(#[^)]*)?\)/g)]
      .map(([, path = '']) => path)
      .filter((path) => !/^https?:/.test(path) && !existsSync(join(root, dirname(page), path)))
      .map((path) => `${page}: ${path}`),
  );
  expect(broken).toEqual([]);
  const text = pages.map(read).join();
  const pictures = readdirSync(join(root, 'docs/screenshots'));
  expect(pictures.filter((name) => !text.includes(`screenshots/${name}`))).toEqual([]);
  expect(pictures.length).toBeLessThan(20);
});
