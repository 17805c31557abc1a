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
    'ComponentTree LatticeError calc component definition eachOf el event given phrase preset prop resolve share slot trusted uid whenLoaded',
  'zesty-lattice/check': 'MissingPath SettingsError check jsonReport sarifReport textReport',
  'zesty-lattice/browser':
    'LatticeError calc component definition eachOf el elementClass event given phrase preset prop register share slot trusted uid whenLoaded',
  'zesty-lattice/elements': 'elementClass register',
  'zesty-lattice/runtime':
    'acting always anyRow anyRule attribute bind calculated changing checked choiceRule classOf classes compare comparing consuming containing dateRule define documentHtml each failing fieldFeature fieldMembers fillerMembers fillerWatch filling flagRule formSafe given guarded handed inlineStyle innerScope isFilled isFull isSomething json later leaving lending life listRule listen loading numberOf numberRule outerAttribute ownField ownerOf plain plainText plus property providing readText ready receiving recordRule restyled same schemaRule sharing sheet slotWatch styled styles svgNodes testedRule text textRule urlRule view wearing worded',
  'zesty-lattice/markup': 'adopt catalog markupFile renderDocument',
  'zesty-lattice/describe': 'editorData elementsManifest propsSchema tagTypes',
  'zesty-lattice/inspect': 'inspect',
  'zesty-lattice/testing': 'mount plainHtml readableHtml samplesOf',
  'zesty-lattice/vite': 'default lattice',
  'zesty-lattice/bundlers': 'esbuild rollup webpack',
  'zesty-lattice/vite/page': 'note',
  'zesty-lattice/vite/texts': 'reading',
  'zesty-lattice/mail': 'mail renderMail renderMailAsync',
  'zesty-lattice/html':
    'escapeAttribute escapeText provideCode renderBytes renderHtml renderHtmlAsync renderPage renderPageBytes streamHtml',
};

test('an error of one copy of the library is one to the other, as where a bundler and Node find different files', () => {
  const told = node(`
    const [one, other] = await Promise.all(['./dist/index.js', './dist/node/index.js'].map((path) => import(path)));
    const { component, eachOf, el, LatticeError, resolve } = other;
    if (one.LatticeError === LatticeError) throw new Error('They are one copy.');
    const list = component('two-copies', { template: () => el.ul(one.eachOf('abc', (item) => el.li(item))) });
    console.log(resolve(list).problems.map(({ code }) => code).join());
    try {
      one.component('nohyphen', { template: () => 'x' });
    } catch (thrown) {
      console.log(thrown instanceof LatticeError, new TypeError('x') instanceof LatticeError, null instanceof LatticeError);
    }
  `);
  expect(told.trim()).toBe('call-invalid\ntrue false false');
});

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
