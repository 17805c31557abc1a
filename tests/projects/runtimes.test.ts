import { execFileSync } from 'node:child_process';
import { cpSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';
import { glob } from 'tinyglobby';
import { beforeAll, describe, expect, test } from 'vitest';
import { isLong } from '../support/runs.js';
import { installed, Project, patience } from './project.js';
import { programOf, runtimes } from './runtime.js';

const orchard = fileURLToPath(new URL('../../examples/orchard', import.meta.url));

/** A project with the open day as JavaScript, as its authors would have built it for a server. */
async function openDay(): Promise<Project> {
  const project = new Project({
    'package.json': '{ "type": "module", "dependencies": { "zesty-lattice": "*" } }',
    'page.js': `import { readFileSync } from 'node:fs';
import { renderHtmlAsync, renderPage, streamHtml } from 'zesty-lattice/html';
const props = JSON.parse(readFileSync(new URL('./orchard/open-day.json', import.meta.url), 'utf8'));
for (const folder of ['.', './in-html']) {
  const { FairPage } = await import(new URL('./orchard/' + folder + '/fair-page.js', import.meta.url).href);
  for (let time = 0; time < 6; time++) console.log(renderPage(FairPage(props), { title: 'Open day' }));
  console.log(await renderHtmlAsync(FairPage(props), { form: 'elements' }));
  console.log(await new Response(streamHtml(FairPage(props))).text());
}
`,
    'stall.ts': `import { component, el, prop } from 'zesty-lattice';
interface Stall { readonly name: string }
export const StallSign = component('stall-sign', {
  props: { stall: prop.record({ name: prop.text() }) },
  template: ({ props }) => el.p((props.stall as unknown as Stall).name),
});
`,
    'stall.json': '{ "stall": { "name": "East & West" } }',
  });
  cpSync(orchard, join(project.folder, 'orchard'), { recursive: true });
  await build({
    entryPoints: await glob('**/*.ts', { cwd: join(project.folder, 'orchard'), absolute: true }),
    outdir: join(project.folder, 'orchard'),
    format: 'esm',
    logLevel: 'error',
  });
  return project;
}

const digest = (text: string): string => `${text.length} signs\n${text}`;

/** A runtime in a project, without what is set for the tests. */
function run(project: Project, program: string, ...args: readonly string[]): string {
  const { NODE_ENV: _mode, VITEST: _tests, ...env } = process.env;
  return execFileSync(program, args, {
    cwd: project.folder,
    encoding: 'utf8',
    maxBuffer: 2 ** 28,
    env: { ...env, NO_COLOR: '1' },
  });
}

describe.runIf(isLong)('the open day', () => {
  beforeAll(() => void installed(), patience);

  test.for(Object.keys(runtimes) as (keyof typeof runtimes)[])(
    'is the same in %s',
    { timeout: patience },
    async (name) => {
      const project = await openDay();
      const expected = run(project, 'node', 'page.js');
      expect(expected.match(/<!doctype html>/gi)).toHaveLength(12);
      const args = name === 'Deno' ? ['run', `--allow-read=${project.folder}`, 'page.js'] : ['page.js'];
      expect(digest(run(project, programOf(name), ...args))).toBe(digest(expected));
    },
  );

  test.for(['Node 24', 'Bun', 'Deno'] as const)(
    'lattice renders a TypeScript module in %s',
    { timeout: patience },
    async (name) => {
      const project = await openDay();
      const command = 'node_modules/zesty-lattice/bin/lattice.js';
      const args = [command, 'render', 'stall.ts', '--props', 'stall.json'];
      expect(run(project, programOf(name), ...(name === 'Deno' ? ['run', '-A'] : []), ...args)).toContain(
        '<p>East &amp; West</p>',
      );
    },
  );
});
