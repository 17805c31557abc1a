import { type ComponentCore, componentCore } from 'zesty-lattice/internal/component';
import { placementText } from 'zesty-lattice/internal/tree';

/** A module and what it exports, as `import * as priceTag from './price-tag.js'` gives it. */
export interface DescribedModule {
  /** Where others import it from: `./price-tag.js`. */
  readonly path: string;
  readonly exports: Readonly<Record<string, unknown>>;
}

/** A component, and where it is found. */
export interface Described {
  readonly core: ComponentCore;
  readonly exportName: string;
  readonly path: string;
}

/**
 * The components of modules, each once: a module that makes one comes before those that only hand it on.
 */
export function describedIn(modules: readonly DescribedModule[]): readonly Described[] {
  const found = new Map<ComponentCore, Described>();
  for (const { exports, path } of modules)
    for (const [exportName, value] of Object.entries(exports)) {
      const core = componentCore(value);
      if (!core) continue;
      const known = found.get(core);
      if (!known || (!isHome(known) && isHome({ core, path }))) found.set(core, { core, exportName, path });
    }
  return [...found.values()].sort((one, other) => one.core.name.localeCompare(other.core.name));
}

/** Whether a module is the one in which its component is made, as far as its name tells. */
function isHome({ core, path }: Pick<Described, 'core' | 'path'>): boolean {
  const stem = (file: string): string => file.replace(/\.[cm]?[jt]sx?$/, '').replace(/^.*\//, '');
  return core.source !== undefined && stem(core.source.file) === stem(path);
}

/** What a component is, and where it may stand, as sentences; empty where its author says neither. */
export function aboutOf(core: ComponentCore): string {
  return [core.description, placementText(core)].filter(Boolean).join(' ');
}
