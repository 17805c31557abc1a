import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { build, type Plugin } from 'vite';
import { root } from '../cli/lattice.js';
import type { App } from './generate.js';

/** What a process reported of an app that it rendered. */
export interface Rendered {
  readonly differences: readonly { readonly form: string; readonly what: string; readonly turn: number }[];
  readonly failure?: string;
  readonly errors?: readonly string[];
  readonly isMailed?: boolean;
  readonly markup?: string;
  /** The pages of the rows of a batch, for those that are written so, too. */
  readonly pages?: readonly string[];
  readonly elements: string;
  /** Its elements between the tags of providers. */
  readonly stage: string;
}

export function writeApps(folder: string, apps: readonly App[]): void {
  for (const app of apps) writeFileSync(join(folder, `app-${app.seed}.mjs`), app.code);
}

/** Renders all apps in processes of their own, 500 in each, with the library as it is built. */
export function rendered(
  folder: string,
  apps: readonly App[],
  ...flags: readonly string[]
): Readonly<Record<string, Rendered>> {
  const all: Record<string, Rendered> = {};
  for (let at = 0; at < apps.length; at += 500) {
    const seeds = apps.slice(at, at + 500).map(({ seed }) => String(seed));
    const text = execFileSync('node', [...flags, 'tests/apps/text.mjs', folder, ...seeds], {
      cwd: root,
      encoding: 'utf8',
      maxBuffer: 2 ** 30,
      env: { ...process.env, NODE_ENV: '', TURNS: flags.length > 0 ? '2' : '12' },
    });
    Object.assign(all, JSON.parse(text));
  }
  return all;
}

/** Builds a script that puts a copy of the library with these apps at the end of `window.copies`. */
export async function builtApps(folder: string, apps: readonly App[], ahead: boolean): Promise<string> {
  const entry = join(folder, `entry-${ahead}.js`);
  const lines = apps.map((app) => `import * as app${app.seed} from './app-${app.seed}.mjs';`);
  const all = apps.map((app) => `${app.seed}: app${app.seed}.components${app.seed}`);
  // A build plans what a module registers by name.
  const registers = apps.map(({ seed }) => `register(app${seed}.Page${seed}, app${seed}.Stand${seed});`);
  writeFileSync(
    entry,
    `${lines.join('\n')}\nimport { play } from '../play.ts';\nimport { register } from 'zesty-lattice/elements';\n(window.copies ??= []).push({ play, register, apps: { ${all.join(', ')} } });\nwindow.never = () => { ${registers.join(' ')} };\n`,
  );
  const { default: lattice } = (await import(join(root, 'packages/tools/dist/node/vite.js'))) as {
    default: (options: object) => Plugin[];
  };
  const result = await build({
    root,
    configFile: false,
    logLevel: 'error',
    plugins: [lattice({ ahead }).filter(({ name }) => name !== 'zesty-lattice:checking')],
    build: {
      write: false,
      minify: ahead,
      target: 'es2022',
      lib: { entry, formats: ['es'], fileName: 'apps' },
    },
  });
  const [output] = Array.isArray(result) ? result : [result];
  if (!output || !('output' in output)) throw new Error('Nothing was built.');
  return output.output[0].code;
}

interface Difference {
  readonly after: string;
  readonly hydrated: string;
  readonly made: string;
}

/** The first lines that differ, with what is around them. */
function firstDifference({ after, hydrated, made }: Difference): string {
  const [one, other] = [hydrated.split('\n'), made.split('\n')];
  const at = one.findIndex((line, index) => line !== other[index]);
  const from = Math.max(0, at - 2);
  return [
    `after ${after}`,
    'hydrated:',
    ...one.slice(from, at + 3),
    'made anew:',
    ...other.slice(from, at + 3),
  ].join('\n');
}

/** What came of playing apps in a page. */
export interface PlayedApps {
  readonly wrong: readonly object[];
  readonly actions: number;
  /** How many times a control was compared with its state. */
  readonly looked: number;
  /** How many apps stood between providers, and with a second copy of the library. */
  readonly staged: number;
  readonly mixed: number;
}

/** Plays apps in a page that has two copies of the library with them. */
export async function playAll(
  evaluate: (expression: string) => Promise<unknown>,
  apps: readonly App[],
  renderings: Readonly<Record<string, Rendered>>,
): Promise<PlayedApps> {
  const wrong: object[] = [];
  const counts = { actions: 0, looked: 0, staged: 0, mixed: 0 };
  for (const { beside, seed, tag } of apps) {
    const isStaged = seed % 2 === 0;
    const isMixed = seed % 5 === 0;
    const { elements = '', stage = '' } = renderings[seed] ?? {};
    const html = isStaged ? stage : elements;
    const scene = { tag, seed, html, hasTyped: seed % 3 > 0, ...(isStaged && { beside }) };
    counts.staged += isStaged ? 1 : 0;
    counts.mixed += isMixed ? 1 : 0;
    const done = (await evaluate(`(() => {
      const [{ play, apps }, { apps: others, register }] = window.copies;
      const other = ${isMixed} ? { register, components: others[${seed}] } : undefined;
      return play({ ...${JSON.stringify(scene)}, components: apps[${seed}], other });
    })()`)) as {
      actions: number;
      looked: number;
      differences: readonly Difference[];
      said: readonly string[];
    };
    counts.actions += done.actions;
    counts.looked += done.looked;
    if (done.differences.length > 0 || done.said.length > 0)
      wrong.push({ seed, differs: done.differences.map(firstDifference), said: done.said.slice(0, 3) });
  }
  return { ...counts, wrong };
}
