import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';
import { expect, test } from 'vitest';

const root = fileURLToPath(new URL('../..', import.meta.url));
const manifests = ['lattice', 'tools'].map((folder) => ({
  folder: `${root}/packages/${folder}`,
  manifest: JSON.parse(readFileSync(`${root}/packages/${folder}/package.json`, 'utf8')),
}));
const node = (code: string): string =>
  execFileSync('node', ['--input-type=module', '-e', code], { cwd: root, encoding: 'utf8' });

/** What each door exports as values, and nothing more. */
const doors: Record<string, string> = {
  'zesty-lattice':
    'ComponentTree LatticeError calc component definition eachOf el event given isSame node phrase preset prop resolve share slot trusted uid whenLoaded',
  'zesty-lattice-tools/check': 'check jsonReport sarifReport textReport',
  'zesty-lattice/browser':
    'LatticeError calc component definition eachOf el elementClass event given isSame node phrase preset prop register share slot trusted uid whenLoaded',
  'zesty-lattice/elements': 'elementClass register registerWhen',
  'zesty-lattice/internal/runtime':
    'Block acting always anyControl anyRow anyRule aria attribute bind calculated changing checked choiceRule chosen classOf classes compare compared consuming containing dateRule dated define documentHtml each entered failing featured fieldFeature fieldMembers files fillerMembers fillerWatch filling flagRule focusing followed formSafe functionRule gathering given giving going guarded handed inlineStyle innerScope isFilled isFull isSomething itemPlace json later leaving lending life listRule listen listenFor loading marked masks methods named naming numberOf numberRule outerAttribute outputs ownField ownerOf picked plain plainText plus property providing putText readText ready receiving recordRule reflecting restyled retrying rowPath safe same schemaRule scrolled sending sharing sheet showing slotWatch states styled styledNodes styledSvgNodes styles svgNodes takingFunctions testedRule text textRule urlRule usesRule view wearing worded written',
  'zesty-lattice/markup': 'catalog markupFile renderDocument',
  'zesty-lattice-tools/adopt': 'adopt',
  'zesty-lattice-tools/describe': 'editorData elementsManifest propsSchema tagTypes',
  'zesty-lattice-tools/inspect': 'inspect',
  'zesty-lattice-tools/testing': 'mount nextEvent plainHtml plainHtmlAsync readableHtml samplesOf',
  'zesty-lattice-tools/vite': 'default lattice',
  'zesty-lattice-tools/bundlers': 'esbuild rollup webpack',
  'zesty-lattice/internal/hot': 'awaitElements followPage note',
  'zesty-lattice/internal/page-texts': 'reading',
  'zesty-lattice/mail': 'mail renderMail renderMailAsync',
  'zesty-lattice/html':
    'escapeAttribute escapeText loadPool renderBytes renderHtml renderHtmlAsync renderPage renderPageBytes streamHtml',
};

test('an error of one copy of the library is one to the other, as where a bundler and Node find different files', () => {
  const reported = node(`
    const [one, other] = await Promise.all(['./packages/lattice/dist/index.js', './packages/lattice/dist/node/index.js'].map((path) => import(path)));
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
  expect(reported.trim()).toBe('call-invalid\ntrue false false');
});

test('Node finds one file; bundlers find modules, which they can follow, for whatever they build', async () => {
  const loaded = node("console.log(import.meta.resolve('zesty-lattice'))").trim();
  expect(relative(root, fileURLToPath(loaded))).toBe('packages/lattice/dist/node/index.js');
  for (const platform of ['node', 'browser', 'neutral'] as const) {
    const { metafile } = await build({
      stdin: { contents: "export { el } from 'zesty-lattice';", resolveDir: root },
      bundle: true,
      write: false,
      metafile: true,
      format: 'esm',
      platform,
      mainFields: ['module', 'main'],
      packages: 'bundle',
      // Not as the sources of this repository stand for them.
      tsconfigRaw: {},
      conditions: ['module', 'import'],
      logLevel: 'error',
    });
    const inputs = Object.keys(metafile.inputs).filter((path) => path.includes('packages/lattice/dist'));
    expect(inputs).toContain('packages/lattice/dist/index.js');
    expect(inputs.filter((path) => path.startsWith('packages/lattice/dist/node/'))).toEqual([]);
  }
});

test('each built door opens, to just its names', () => {
  const exported = node(
    `const all = {};
    for (const door of ${JSON.stringify(Object.keys(doors))}) all[door] = Object.keys(await import(door)).sort().join(' ');
    console.log(JSON.stringify(all));`,
  );
  expect(JSON.parse(exported)).toEqual(doors);
});

test('nothing but the doors can be imported', () => {
  const open = manifests.flatMap(({ manifest }) =>
    Object.keys(manifest.exports).map((key) => key.replace('.', manifest.name)),
  );
  const others = [
    'zesty-lattice/internal/*',
    'zesty-lattice-tools/command',
    ...manifests.map(({ manifest }) => `${manifest.name}/package.json`),
  ];
  expect(open.sort()).toEqual([...Object.keys(doors), ...others].sort());
  const attempt = `import('zesty-lattice/dist/index.js').then(() => console.log('open'), (e) => console.log(e.code))`;
  expect(node(attempt).trim()).toBe('ERR_PACKAGE_PATH_NOT_EXPORTED');
});

test('what the tools alone import says that it is internal', () => {
  const folder = `${root}/packages/lattice/src/internal`;
  const files = readdirSync(folder);
  expect(files.length).toBeGreaterThan(5);
  for (const file of files)
    expect(readFileSync(`${folder}/${file}`, 'utf8')).toMatch(/^\/\/ .*No part of the public interface/);
  const names = node(`import * as door from 'zesty-lattice/internal/plan'; console.log('planOf' in door)`);
  expect(names.trim()).toBe('true');
});

test('every door has its types, and the built doors render', () => {
  for (const { folder, manifest } of manifests)
    for (const entry of Object.values<{ types?: string }>(manifest.exports))
      if (entry.types && !entry.types.includes('*'))
        expect(readFileSync(`${folder}/${entry.types}`, 'utf8')).toContain('export');
  const html =
    node(`import { component, el } from 'zesty-lattice'; import { renderHtml } from 'zesty-lattice/html';
    console.log(renderHtml(component('a-b', { template: () => el.p('hi') })))`);
  expect(html.trim()).toBe('<p>hi</p>');
});
