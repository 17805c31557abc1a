import type { CallExpression } from 'estree';
import type { Node } from 'estree-walker';
import { type ComponentCore, componentCore, componentsIn } from '../component/index.js';
import { NotWritten } from '../elements/code/index.js';
import type { Loading } from './loading.js';
import { isCode, type ModuleCode } from './module.js';
import type { Placed } from './names.js';
import { suffix, type Writing } from './writing.js';

const door = 'zesty-lattice/elements';
const runtimeDoor = 'zesty-lattice/runtime';

/** Finds the module of the project behind an import, if it is one. */
export type Resolve = (source: string, importer: string) => Promise<string | undefined>;

/** A module that is followed, with what that takes. */
export interface Followed {
  readonly module: ModuleCode;
  readonly file: string;
  readonly resolve: Resolve;
  readonly loading: Loading;
  readonly writing: Writing;
}

/** How a module that registers components is to get them written out. */
export interface Registering {
  /** Imports that go, and what comes in their place. */
  readonly dropped: readonly Placed[];
  readonly imports: string;
  /** The components that the module itself makes, by their number in it. */
  readonly cores: ReadonlyMap<number, ComponentCore>;
}

/** What a module's doors to elements are called in its page's part. */
const live: Readonly<Record<string, string>> = { register: 'define', elementClass: 'classOf' };

/**
 * Follows what a module registers back to where it is made; undefined where it registers nothing.
 *
 * @throws NotWritten where that cannot be followed, or not be written out
 */
export async function registering(followed: Followed): Promise<Registering | undefined> {
  const { module } = followed;
  const declaration = module.imports.find(({ source }) => source.value === door);
  if (!declaration) return undefined;
  const names: string[] = [];
  const args: Placed[] = [];
  for (const specifier of declaration.specifiers) {
    const name =
      specifier.type === 'ImportSpecifier' && 'name' in specifier.imported ? specifier.imported.name : '';
    if (!live[name]) throw new NotWritten('it takes more from the elements’ door than can be followed');
    const { areAll, calls } = module.callsOf(specifier.local.name);
    if (!areAll) throw new NotWritten(`it does more with ${specifier.local.name} than call it`);
    names.push(`${live[name]} as ${specifier.local.name}`);
    for (const call of calls) args.push(...((call as CallExpression).arguments as Placed[]));
  }
  const own = args.filter((arg) => !isImported(module, arg));
  const taken = args.filter((arg) => isImported(module, arg));
  const from = await imported(taken, followed);
  const cores = own.length === 0 ? new Map() : await made(own, followed);
  return {
    dropped: [declaration, ...from.dropped],
    imports: `import { ${names.join(', ')} } from ${JSON.stringify(runtimeDoor)};\n${from.imports}`,
    cores,
  };
}

/** Whether a module takes something from the door of elements. */
export function isRegistering(module: ModuleCode): boolean {
  return module.imports.some(({ source }) => source.value === door);
}

function isImported(module: ModuleCode, arg: Node): boolean {
  return arg.type === 'Identifier' && module.importOf(arg.name) !== undefined;
}

/** Components that come from other modules: all that is imported with them has to be registered, too. */
async function imported(
  args: readonly Placed[],
  { module, file, resolve, loading, writing }: Followed,
): Promise<Pick<Registering, 'dropped' | 'imports'>> {
  const starts = new Set(args.map(({ start }) => start));
  const names = new Set(args.flatMap((arg) => (arg.type === 'Identifier' ? [arg.name] : [])));
  const declarations = new Set([...names].flatMap((name) => module.importOf(name)?.declaration ?? []));
  const lines: string[] = [];
  for (const declaration of declarations) {
    const source = String(declaration.source.value);
    const found = await resolve(source, file);
    if (found === undefined) throw new NotWritten(`${source} is no module of the project`);
    const exported = await loaded(loading, found, source);
    await refuseRegistering(found, resolve, loading);
    const taken = declaration.specifiers.map(({ local: { name: local } }) => {
      const name = module.importOf(local)?.name ?? '';
      const core = componentCore(exported[name]);
      if (!core) throw new NotWritten(`${local} from ${source} is no component; import it by itself`);
      if (module.readsOf(local).some(({ start }) => !starts.has(start)))
        throw new NotWritten(`${local} is used for more than being registered`);
      refuse(core, writing);
      return `${name} as ${local}`;
    });
    lines.push(`import { ${taken.join(', ')} } from ${JSON.stringify(found + suffix)};\n`);
  }
  return { dropped: [...declarations], imports: lines.join('') };
}

/** Components that the module makes itself: for nobody else, and for nothing but to be registered. */
async function made(
  args: readonly Placed[],
  { module, file, resolve, loading, writing }: Followed,
): Promise<ReadonlyMap<number, ComponentCore>> {
  if (module.program.body.some(({ type }) => /^Export/.test(type)))
    throw new NotWritten('it makes components, and exports something; make them in a module of their own');
  const calls = module.components;
  const starts = new Set(args.map(({ start }) => start));
  for (const arg of args) {
    const isOne = calls.some(({ local, node }) =>
      arg.type === 'Identifier' ? arg.name === local : arg.start === node.start,
    );
    if (!isOne) throw new NotWritten('it registers something that cannot be followed');
  }
  await loaded(loading, file, 'it');
  await refuseBelow(module, file, resolve, loading);
  const cores = loading.componentsOf(file);
  for (const [at, { local }] of calls.entries()) {
    const core = cores.get(at);
    if (!core) throw new NotWritten('it makes components that are not made in Node');
    refuse(core, writing);
    const isInside = ({ start }: Placed): boolean =>
      starts.has(start) || calls.some(({ node: one }) => start >= one.start && start < one.end);
    if (local !== undefined && !module.readsOf(local).every(isInside))
      throw new NotWritten(`${local} is used for more than being registered`);
  }
  return cores;
}

/**
 * A module that makes or hands on components and registers some itself would do so with those that are written out,
 * which its own code does not know of.
 */
async function refuseRegistering(
  file: string,
  resolve: Resolve,
  loading: Loading,
  seen = new Set<string>(),
): Promise<void> {
  if (seen.has(file)) return;
  seen.add(file);
  const exported = await loading.load(file).catch(() => ({}));
  const module = loading.module(file);
  if (!module || componentsIn(exported).size === 0) return;
  if (isRegistering(module))
    throw new NotWritten('a module of components registers some itself; do that in a module of its own');
  await refuseBelow(module, file, resolve, loading, seen);
}

/** The same for what a module takes from others. */
async function refuseBelow(
  module: ModuleCode,
  file: string,
  resolve: Resolve,
  loading: Loading,
  seen = new Set<string>(),
): Promise<void> {
  for (const source of module.sources) {
    const found = await resolve(source, file);
    if (found !== undefined && isCode(found)) await refuseRegistering(found, resolve, loading, seen);
  }
}

async function loaded(
  loading: Loading,
  file: string,
  named: string,
): Promise<Readonly<Record<string, unknown>>> {
  try {
    return await loading.load(file);
  } catch (thrown) {
    const reason = thrown instanceof Error ? thrown.message : String(thrown);
    throw new NotWritten(`${named} cannot be loaded in Node: ${reason}`);
  }
}

function refuse(core: ComponentCore, writing: Writing): void {
  const fault = writing.fault(core);
  if (fault) throw new NotWritten(`<${core.name}>: ${fault.message}`);
}
