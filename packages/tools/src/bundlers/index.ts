import { resolve as resolvePath } from 'node:path';
import remapping from '@jridgewell/remapping';
import type { Plugin as EsbuildPlugin } from 'esbuild';
import MagicString, { type SourceMap } from 'magic-string';
import pc from 'picocolors';
import { createUnplugin } from 'unplugin';
import type { ComponentCore } from 'zesty-lattice/internal/component';
import type { Problem } from 'zesty-lattice/internal/problem';
import { keepLines } from 'zesty-lattice/internal/template';
import { isOfInterest, ModuleCode } from '../ahead/module.js';
import { isLibraryModule, isOwnModule } from '../ahead/packages.js';
import { handThrough } from '../ahead/reading.js';
import { type PlannedElement, plannedTable, writtenElements } from '../ahead/table.js';
import { Writing } from '../ahead/writing.js';
import { writtenModule } from '../ahead/written-module.js';
import { moduleProblems } from '../check/components.js';
import { wrongPair } from '../check/package-info.js';
import { eachOnce, failure, problemBlocks } from '../check/report/text.js';
import { BundledLoading, plainCode, treeOf } from './loading.js';
import { forProduction, isForProduction } from './production.js';
import { withTexts } from './with-texts.js';

/** Options of the plugins for other bundlers. */
export interface BundlerOptions {
  /**
   * Plans elements at build time, so that a page loads only the functions that their templates need (default: `true`).
   */
  readonly ahead?: boolean;
  /**
   * `'always'`: a build fails where the browser would have to plan an element itself, and names the reason (default: it is
   * reported).
   */
  readonly planned?: 'always';
  /** The folder of the project's `package.json` (default: the current folder). */
  readonly root?: string;
}

/** A plugin as a bundler takes it: each knows more of it than its name. */
interface NamedPlugin {
  readonly name: string;
}

const plugin = createUnplugin<BundlerOptions | undefined>((options = {}) => {
  const wrong = wrongPair();
  if (wrong) throw new Error(wrong);
  const root = resolvePath(options.root ?? '.');
  let loading: BundledLoading;
  let isProduction = false;
  let writing: Writing;
  const dropped = new Map<string, readonly PlannedElement[]>();
  const planned = new Map<string, ReadonlySet<ComponentCore>>();
  const problems = new Map<string, readonly Problem[]>();

  return {
    name: 'zesty-lattice',

    buildStart() {
      keepLines();
      loading = new BundledLoading(root);
      writing = new Writing(loading);
      dropped.clear();
      planned.clear();
      problems.clear();
    },

    esbuild: {
      config(options) {
        isProduction = isForProduction(options);
        // The library's files for production, which others take where they build for it.
        if (isProduction) options.conditions = [...(options.conditions ?? ['module']), 'production'];
      },
    },

    transformInclude: (id) =>
      /\.[cm]?[jt]sx?$/.test(id) &&
      (isOwnModule(id, loading.packages) || (isProduction && isLibraryModule(id))),

    async transform(written, id) {
      if (isLibraryModule(id)) {
        const changed = forProduction(written);
        return changed && { code: changed.toString(), map: joined([mapOf(changed, id)]) };
      }
      if (!isOfInterest(written)) return undefined;
      const plain = await plainCode(written, id);
      const texts = withTexts(plain.code, treeOf(plain.code), id);
      for (const file of texts.files) this.addWatchFile(file);
      const read = new MagicString(texts.code);
      handThrough(read, new ModuleCode(texts.code, treeOf(texts.code)));
      const text = read.toString();
      const found = await moduleProblems(() => loading.made(id));
      problems.set(
        id,
        found.map((problem) => loading.written(problem)),
      );
      const steps = [mapOf(read, id), texts.map, plain.map];
      if (options.ahead === false) return { code: text, map: joined(steps) };
      const made = await writtenModule({
        code: text,
        tree: treeOf(text),
        file: id,
        // A bundler of this kind does not say which modules it starts from: what they export besides is never asked for.
        isEntry: () => false,
        loading,
        writing,
        resolve: (source, importer) => loading.resolve(source, importer),
      });
      dropped.set(
        id,
        made.dropped.map(({ what, why }) => ({ what, why, bytes: undefined, file: id })),
      );
      planned.set(id, made.planned);
      if (made.isDrawn) for (const one of loading.files) this.addWatchFile(one);
      return { code: made.changed.toString(), map: joined([mapOf(made.changed, id), ...steps]) };
    },

    async buildEnd() {
      await loading.close();
      const cores = new Set([...planned.values()].flatMap((one) => [...one]));
      const byPage = [...dropped.values()].flat();
      const elements = [...byPage, ...(await writtenElements(cores, writing, loading))];
      const all = eachOnce([...problems.values()].flat());
      const errors = all.filter(({ severity }) => severity === 'error');
      const warnings = all.filter(({ severity }) => severity !== 'error');
      if (warnings.length > 0) warn(`\n${problemBlocks(warnings, pc).join('\n\n')}`);
      if (errors.length > 0) throw new Error(failure(errors));
      if (elements.length === 0) return;
      const table = plannedTable(elements, root);
      if (byPage.length > 0 && options.planned === 'always') throw new Error(table);
      warn(table);
    },
  };
});

const mapOf = (changed: MagicString, source: string): SourceMap =>
  changed.generateMap({ source, hires: 'boundary' });

/** One map out of those of several steps, the last step first. */
function joined(maps: readonly (SourceMap | string | undefined)[]): never {
  const all = maps.filter((map) => map !== undefined).map(String);
  // A plain record: each bundler's types have a map of their own.
  return JSON.parse(remapping(all, () => null).toString()) as never;
}

function warn(text: string): void {
  process.stderr.write(`zesty-lattice: ${text}\n`);
}

/**
 * The plugin for esbuild. Files named with `markupFile` become text, elements are written as the page is built, errors
 * in components fail the build.
 *
 * @example await build({ entryPoints: ['main.ts'], bundle: true, plugins: [lattice.esbuild()] });
 */
export const esbuild = plugin.esbuild as (options?: BundlerOptions) => EsbuildPlugin;

/**
 * The plugin for Rollup, and for what takes its plugins; it stands behind those that take types away.
 *
 * @example export default { input: 'main.js', plugins: [nodeResolve(), lattice.rollup()] };
 */
export const rollup = plugin.rollup as (options?: BundlerOptions) => NamedPlugin;

/**
 * The plugin for webpack.
 *
 * @example export default { entry: './main.js', plugins: [lattice.webpack()] };
 */
export const webpack = plugin.webpack as (options?: BundlerOptions) => { apply(compiler: never): void };
