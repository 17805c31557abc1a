import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { expect, test } from 'vitest';
import type { MarkupNode } from '../../packages/lattice/src/markup/syntax/nodes.js';
import { Places } from '../../packages/lattice/src/markup/syntax/place.js';
import { readMarkup } from '../../packages/lattice/src/markup/syntax/read-node.js';
import { useBrowser } from '../support/browser.js';
import { bundle } from '../support/bundle.js';

const browser = useBrowser();
const folder = fileURLToPath(new URL('../../examples/orchard/in-html/', import.meta.url));
const texts = [
  ...readdirSync(folder)
    .filter((name) => name.endsWith('.html'))
    .map((name) => readFileSync(folder + name, 'utf8')),
  '<p>a{{ b }}c {{ "<i>" }} &lt;&amp;&eacute; \u{1F34A}</p><!-- {{ x }} --><br>',
  `<p title="{{ a > 1 ? "x" : '}' }}" data-x='{{ y }}' hidden class=z>t</p>`,
  '<table><tr><td>{{ a }}<td>b<tr><td>c</table>',
  '<table><tbody><template each-of="rows" as="row"><tr><td>{{ row }}</td></tr></template></tbody></table>',
  '<select><template each-of="all" as="one"><option value="{{ one }}">{{ one }}</option></template></select>',
  '<svg viewBox="0 0 {{ w }} 9"><template given="a"><path d="M0 0"/></template><foreignObject><p>x</p></foreignObject></svg>',
  '<ul><li>a<li>b</ul><dl><dt>a<dd>b</dl><p>a<p>b',
  '<textarea>\n{{ a }}</textarea><pre>\n x</pre><title>{{ a }}</title><script>if (a < b) "</p>"</script><style>p > b { }</style>',
  '<tr><td>{{ a }}</td></tr>',
  '<option>a</option><slot name="x">y</slot><x-y z="{{ q }}"></x-y>',
];

/** What a parser read, without what only one of them knows: places, and whether an attribute is its name alone. */
function plain(nodes: readonly MarkupNode[]): unknown {
  return nodes.map((node) =>
    node.kind === 'element'
      ? [node.tag, node.attributes.map(({ name, value }) => [name, value]), plain(node.children)]
      : [node.kind, node.text],
  );
}

test('a page’s own parser reads every template text as Node does', async () => {
  const page = await browser.page('<!doctype html><title>Readers</title>');
  await page.addScriptTag({
    content: await bundle(new URL('./page-reader.ts', import.meta.url)),
    type: 'module',
  });
  await page.waitForFunction('window.read');
  expect(texts.length).toBeGreaterThan(25);
  for (const text of texts) {
    const { nodes, findings } = readMarkup(text, new Places(text, 'text'));
    expect(findings).toEqual([]);
    const read = (await page.evaluate(
      (one) => (window as unknown as { read(text: string): MarkupNode[] }).read(one),
      text,
    )) as MarkupNode[];
    expect(plain(read)).toEqual(plain(nodes));
  }
});
