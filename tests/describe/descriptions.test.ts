import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import markdown from 'markdown-it';
import { afterAll, expect, test } from 'vitest';
import { lattice, root } from '../cli/lattice.js';
import { hostile } from '../support/hostile.js';
import { parsed, tagsIn } from '../support/parsing.js';

const folder = mkdtempSync(join(root, 'tests/describe/hostile-'));
afterAll(() => rmSync(folder, { recursive: true }));

const about = `Uses \`<b>\` for ${hostile.join(' ')} [x](javascript:alert(1)) ![x](x) \`\`<img src=x>`;

test('what descriptions say is text in reference pages, and their code is code', () => {
  writeFileSync(
    join(folder, 'tree-sign.ts'),
    `import { component, el, event, prop, slot } from 'zesty-lattice';
const about = ${JSON.stringify(about)};
export const TreeSign = component('tree-sign', {
  description: about,
  props: { name: prop.text().fallback(about).describe(about), kind: prop.choice(['\`<img>', 'b|c']).fallback('\`<img>') },
  slots: { default: slot().describe(about) },
  events: { seen: event().describe(about) },
  template: ({ props, slots }) => el.p(props.name, props.kind, slots.default()),
});
`,
  );
  const { code, err } = lattice('describe', folder, '--out', join(folder, 'out'));
  expect({ code, err }).toEqual({ code: 0, err: '' });
  const page = readFileSync(join(folder, 'out/reference/tree-sign.md'), 'utf8');
  // Whatever shows it lets HTML through.
  const html = markdown({ html: true }).render(page);
  const tags = new Set(tagsIn(parsed(html)));
  expect([...tags].sort()).toEqual(['code', 'h1', 'h2', 'p', 'table', 'tbody', 'td', 'th', 'thead', 'tr']);
  expect(html).toContain('<code>&lt;b&gt;</code>');
  expect(html).toContain('`&lt;img&gt;');
});
