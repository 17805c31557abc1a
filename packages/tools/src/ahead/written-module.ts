import MagicString from 'magic-string';
import { type ComponentCore, componentCore } from 'zesty-lattice/internal/component';
import type { Resolve } from './loading.js';
import type { MarkedLoading } from './marking.js';
import { isCode, ModuleCode } from './module.js';
import { parseFault } from './parses.js';
import { type Dropped, isRegistering, registerWritten } from './registering.js';
import { loosen, writeBeside } from './rewriting.js';
import type { Writing } from './writing.js';

/** A module of a page's build, with what it takes to write elements into it. */
export interface PageModule {
  readonly code: string;
  readonly tree: unknown;
  readonly file: string;
  readonly resolve: Resolve;
  readonly loading: MarkedLoading;
  readonly writing: Writing;
  /** Whether a module is one that the build starts from. */
  readonly isEntry: (file: string) => boolean;
}

/**
 * Writes the elements of a module's components beside them, and has it register those that are written. Gives what it
 * became, what was dropped to the page, and whether other modules were drawn upon.
 */
export async function writtenModule({
  code,
  file,
  isEntry,
  loading,
  resolve,
  tree,
  writing,
}: PageModule): Promise<{
  readonly changed: MagicString;
  readonly dropped: readonly Dropped[];
  /** The components that it registers as they were written out. */
  readonly planned: ReadonlySet<ComponentCore>;
  readonly isDrawn: boolean;
}> {
  const module = new ModuleCode(code, tree);
  const changed = new MagicString(code);
  const isMaking = module.components.length + module.definitions.size + module.authored.length > 0;
  let cores: ReadonlyMap<number, ComponentCore> = new Map();
  // A module that wants a page fails in Node: what it made before that is written, and of all else one sees why.
  const isLoaded = isMaking && (await loading.load(file).then(Boolean, () => false));
  if (isMaking) {
    cores = loading.componentsOf(file);
    if (isLoaded || cores.size > 0) writeBeside(changed, module, cores, writing, !isEntry(file));
  }
  const { dropped, planned } = isRegistering(module)
    ? await registerWritten(changed, { module, file, resolve, loading, writing, isEntry })
    : { dropped: [], planned: new Set<ComponentCore>() };
  const made =
    isLoaded || cores.size > 0 ? await componentsFrom(module, file, resolve, loading) : new Set<string>();
  loosen(changed, module, (local) => made.has(local));
  const fault = changed.hasChanged() ? await parseFault(changed.toString()) : undefined;
  // The module as it was is right: the page plans its components itself.
  if (fault)
    return {
      changed: new MagicString(code),
      dropped: [{ what: 'all of its components', why: fault, at: 0 }],
      planned: new Set(),
      isDrawn: false,
    };
  return { changed, dropped, planned, isDrawn: isMaking || isRegistering(module) };
}

/** The local names of components that a loaded module imports. */
async function componentsFrom(
  module: ModuleCode,
  file: string,
  resolve: Resolve,
  loading: MarkedLoading,
): Promise<ReadonlySet<string>> {
  const names = new Set<string>();
  for (const { source, specifiers } of module.imports) {
    const found = await resolve(String(source.value), file);
    if (found === undefined || !isCode(found)) continue;
    const exported = await loading.load(found).catch((): Readonly<Record<string, unknown>> => ({}));
    for (const { local } of specifiers)
      if (componentCore(exported[module.importOf(local.name)?.name ?? ''])) names.add(local.name);
  }
  return names;
}
