import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { expect, test } from 'vitest';

const root = fileURLToPath(new URL('../..', import.meta.url));
const manifest = JSON.parse(readFileSync(`${root}/package.json`, 'utf8'));
const node = (code: string): string =>
  execFileSync('node', ['--input-type=module', '-e', code], { cwd: root, encoding: 'utf8' });

/** What each door exports as values, and nothing more. */
const doors: Record<string, string> = {
  'zesty-lattice':
    'ComponentTree LatticeError calc component definition eachOf el event given phrase preset prop resolve share slot trusted uid',
  'zesty-lattice/check': 'MissingPath SettingsError check jsonReport sarifReport textReport',
  'zesty-lattice/elements': 'elementClass register',
  'zesty-lattice/live':
    'always anyKind attribute bind changing checked choiceKind classOf classes compare consuming containing dateKind define depending documentHtml each fieldMembers fieldPart fillerMembers filling flagKind given handed htmlNodes innerFrame isFilled isFull isSomething leaving life listKind listOf listen numberKind numberOf ownField plain plainText plus property providing ready recordKind same schemaKind sheet slotWatch styled styles svgNodes testedKind text textKind urlKind view worded workedGetter',
  'zesty-lattice/markup': 'adopt catalog markupFile renderDocument',
  'zesty-lattice/vite': 'default lattice',
  'zesty-lattice/vite/page': 'note',
  'zesty-lattice/html': 'escapeAttribute escapeText renderHtml renderPage',
};

test.each(Object.entries(doors))('the built door %s opens, to just its names', (door, names) => {
  const exported = node(
    `import * as door from '${door}'; console.log(Object.keys(door).sort().join(' '))`,
  ).trim();
  expect(exported).toBe(names);
});

test('nothing but the doors can be imported', () => {
  const expected = Object.keys(doors).map((door) => door.replace('zesty-lattice', '.'));
  expect(
    Object.keys(manifest.exports)
      .filter((key) => key !== './package.json')
      .sort(),
  ).toEqual(expected.sort());
  const attempt = `import('zesty-lattice/dist/index.js').then(() => console.log('open'), (e) => console.log(e.code))`;
  expect(node(attempt).trim()).toBe('ERR_PACKAGE_PATH_NOT_EXPORTED');
});

test('every door has its types, and the built doors render', () => {
  for (const entry of Object.values<{ types?: string }>(manifest.exports)) {
    if (typeof entry === 'object') expect(readFileSync(`${root}/${entry.types}`, 'utf8')).toContain('export');
  }
  const html =
    node(`import { component, el } from 'zesty-lattice'; import { renderHtml } from 'zesty-lattice/html';
    console.log(renderHtml(component('a-b', { template: () => el.p('hi') })))`);
  expect(html.trim()).toBe('<p>hi</p>');
});
