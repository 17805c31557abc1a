import { relative } from 'node:path';
import MagicString from 'magic-string';
import type { Plugin, ResolvedConfig } from 'vite';
import { isCode, isOfInterest, ModuleCode } from '../ahead/module.js';
import type { Placed } from '../ahead/names.js';
import { componentPackages, isOwnModule } from '../ahead/packages.js';
import { isRegistering, type Resolve, registering } from '../ahead/registering.js';
import { loosen, writeInto } from '../ahead/rewriting.js';
import { suffix, Writing } from '../ahead/writing.js';
import { componentsIn } from '../component/index.js';
import { NotWritten } from '../elements/code/index.js';
import { NodeLoading } from './loading.js';
import { readCode } from './read-code.js';

/**
 * Plans elements as a page is built: where a module registers components, it gets them with their templates made ready
 * as code, and the page loads just what that code calls. What cannot be written as code is told, and the page plans
 * its elements itself, as it does while developing.
 */
export function planning(): Plugin {
  let config: ResolvedConfig;
  let loading: NodeLoading;
  let writing: Writing;
  let packages: readonly string[] = [];
  const told = new Set<string>();

  return {
    name: 'zesty-lattice:planning',
    apply: 'build',

    configResolved(resolved) {
      config = resolved;
    },

    buildStart() {
      if (this.environment.config.consumer !== 'client') return;
      packages = componentPackages(config.root);
      loading = new NodeLoading(config, packages);
      writing = new Writing(loading);
    },

    generateBundle(_options, bundle) {
      const modules = Object.values(bundle).flatMap((one) =>
        one.type === 'chunk' ? Object.entries(one.modules) : [],
      );
      const kept = new Set(modules.flatMap(([id, { renderedLength }]) => (renderedLength > 0 ? [id] : [])));
      const twice = [...kept].filter((id) => kept.has(id + suffix)).map((id) => relative(config.root, id));
      if (twice.length > 0)
        config.logger.warn(
          `lattice: in the page twice, once with components written out and once as they are: ${twice.join(', ')}. What such a module keeps outside of its components is kept twice, too.`,
        );
    },

    async closeBundle() {
      await loading?.close();
    },

    async transform(code, id) {
      if (this.environment.config.consumer !== 'client' || !isOwnModule(id, packages)) return undefined;
      const isWrittenForm = id.endsWith(suffix);
      if (!isWrittenForm && !isOfInterest(code)) return undefined;
      const tree = readCode(this, code);
      if (!tree) return undefined;
      const module = new ModuleCode(code, tree);
      const changed = new MagicString(code);
      const file = id.replace(/\?.*$/, '');
      const resolve: Resolve = async (source, importer) => {
        const found = await this.resolve(source, importer);
        return found && !found.external && isOwnModule(found.id, packages) ? found.id : undefined;
      };
      let written: ReadonlySet<number> = new Set();
      if (isWrittenForm) {
        // While a build watches its files, this module may be the first to come again.
        await loading.load(file);
        written = writeInto(changed, module, loading.componentsOf(file), writing, true);
        await reroute(changed, module, file, resolve);
      } else {
        try {
          const plan = await registering({ module, file, resolve, loading, writing });
          if (plan) {
            for (const { start, end } of plan.dropped) changed.remove(start, end);
            if (plan.cores.size > 0) written = writeInto(changed, module, plan.cores, writing, false);
            changed.prepend(plan.imports);
          }
        } catch (thrown) {
          if (!(thrown instanceof NotWritten)) throw thrown;
          if (!told.has(id))
            config.logger.info(
              `lattice: what ${relative(config.root, file)} registers is planned in the page, since ${thrown.message}`,
            );
          told.add(id);
        }
      }
      loosen(changed, module, written);
      // What stands in this module was drawn from others: their changes are its own.
      if (isWrittenForm || isRegistering(module)) for (const one of loading.files) this.addWatchFile(one);
      if (!changed.hasChanged()) return undefined;
      return { code: changed.toString(), map: changed.generateMap({ hires: 'boundary' }) };
    },
  };

  /** Takes what a module gets from others that make components in their written form, too. */
  async function reroute(
    changed: MagicString,
    module: ModuleCode,
    file: string,
    resolve: Resolve,
  ): Promise<void> {
    for (const node of module.program.body) {
      if (!('source' in node) || !node.source || typeof node.source.value !== 'string') continue;
      const found = await resolve(node.source.value, file);
      if (found === undefined || !isCode(found)) continue;
      const exported = await loading.load(found).catch(() => ({}));
      if (componentsIn(exported).size === 0) continue;
      const { start, end } = node.source as Placed<typeof node.source>;
      changed.overwrite(start, end, JSON.stringify(found + suffix));
    }
  }
}
