import { type Node, walk } from 'estree-walker';
import { type ComponentCore, componentCore } from 'zesty-lattice/internal/component';
import { NotWritten } from 'zesty-lattice/internal/elements';
import { reasonOf } from 'zesty-lattice/internal/problem';
import type { Loading, Resolve } from './loading.js';
import type { ModuleCode } from './module.js';
import { countDeclared, isFunction, namesOf, type Placed } from './names.js';

/** Where a value of a module comes from, so that it can be followed in Node. */
export interface From {
  readonly module: ModuleCode;
  readonly file: string;
  readonly resolve: Resolve;
  readonly loading: Loading;
  /** The name, of those that are loaded later, that is followed all the same: it is taken where it is loaded. */
  readonly later?: string | undefined;
}

/** What a module loads when it is needed: `const { A } = await import('./a.js')`, `import('./a.js').then((m) => …)`. */
export interface Later {
  readonly source: string;
  /** The pattern that takes what is loaded apart, or the one name that holds all of it. */
  readonly pattern: Placed;
}

const unknown = 'it cannot be followed: name the component itself';

/** The component that an expression stands for when its module is loaded in Node. */
export async function componentBehind(code: Placed, from: From): Promise<ComponentCore> {
  return coreOf(await behind(code, from));
}

/** The components that a list stands for which is spread in a call. */
export async function componentsBehind(code: Placed, from: From): Promise<readonly ComponentCore[]> {
  return (await listOf(code, from)).map(coreOf);
}

/** A component of the module itself, of which only what it is made of is known. */
class Own {
  readonly core: ComponentCore;

  constructor(core: ComponentCore) {
    this.core = core;
  }
}

function coreOf(value: unknown): ComponentCore {
  const core = value instanceof Own ? value.core : componentCore(value);
  if (core) return core;
  throw new NotWritten('it is no component when its module is loaded in Node');
}

/** What an expression of names, members, lists and records stands for. */
export async function behind(code: Placed, from: From): Promise<unknown> {
  const { file, loading, module } = from;
  const own = module.components.findIndex(({ node }) => code.start === node.start && code.end === node.end);
  if (own >= 0) {
    const failed = await loaded(from, file, 'its module').then(
      () => undefined,
      (thrown: unknown) => thrown,
    );
    // What a module made before it failed, since it wants a page, is made all the same.
    const core = loading.componentsOf(file).get(own);
    if (core) return new Own(core);
    throw failed ?? new NotWritten('it is not made when its module is loaded in Node');
  }
  switch (code.type) {
    case 'Identifier':
      return named(code.name, from);
    case 'MemberExpression': {
      const key = code.computed
        ? code.property.type === 'Literal' && code.property.value
        : code.property.type === 'Identifier' && code.property.name;
      if (typeof key !== 'string' && typeof key !== 'number') break;
      const whole = (await behind(code.object as Placed, from)) as
        | Readonly<Record<string, unknown>>
        | undefined;
      if (whole && Object.hasOwn(whole, key)) return whole[key];
      throw new NotWritten(`${module.text(code)} is nothing when its module is loaded in Node`);
    }
    case 'ArrayExpression': {
      const all: unknown[] = [];
      for (const one of code.elements as readonly (Placed | null)[]) {
        if (one?.type === 'SpreadElement') all.push(...(await listOf(one.argument as Placed, from)));
        else if (one) all.push(await behind(one, from));
      }
      return all;
    }
    case 'ObjectExpression': {
      const record: Record<string, unknown> = {};
      for (const one of code.properties) {
        if (one.type === 'SpreadElement') Object.assign(record, await behind(one.argument as Placed, from));
        else if (!one.computed && one.key.type === 'Identifier')
          record[one.key.name] = await behind(one.value as Placed, from);
      }
      return record;
    }
    case 'CallExpression':
      if (module.text(code.callee) === 'Object.values' && code.arguments[0])
        return Object.values((await behind(code.arguments[0] as Placed, from)) as object);
  }
  throw new NotWritten(unknown);
}

async function listOf(code: Placed, from: From): Promise<readonly unknown[]> {
  const all = await behind(code, from);
  if (Array.isArray(all)) return all;
  throw new NotWritten(unknown);
}

async function named(name: string, from: From): Promise<unknown> {
  const { file, module, resolve } = from;
  // One of the names may be another thing where it is read.
  if (countDeclared(module.program, name) !== 1) throw new NotWritten(unknown);
  const constant = module.constants.get(name);
  if (constant) return behind(constant, from);
  const later = laterOf(name, module);
  // An import at the top would load at once what is to be loaded later.
  if (later && from.later !== name)
    throw new NotWritten('it is loaded later: name it where it is registered');
  const imported = later ? undefined : module.importOf(name);
  const source = later?.source ?? (imported ? String(imported.declaration.source.value) : module.allOf(name));
  if (source === undefined) throw new NotWritten(unknown);
  const found = await resolve(source, file);
  if (found === undefined)
    throw new NotWritten(
      `${source} is no module of the project, and no package with zesty-lattice among its dependencies`,
    );
  const all = await loaded(from, found, source);
  const key = later ? keyOf(later.pattern, name) : imported?.name;
  if (key === undefined) return all;
  if (key in all) return all[key];
  throw new NotWritten(`${source} exports nothing by the name ${key}`);
}

/** What a name of a module stands for that is loaded when it is needed. */
export function laterOf(name: string, module: ModuleCode): Later | undefined {
  let found: Later | undefined;
  const add = (code: Node | null | undefined, pattern: Node): void => {
    if (code?.type !== 'ImportExpression' || code.source.type !== 'Literal' || !namesOf(pattern).has(name))
      return;
    found = { source: String(code.source.value), pattern: pattern as Placed };
  };
  walk(module.program, {
    enter(node) {
      if (node.type === 'VariableDeclarator' && node.init?.type === 'AwaitExpression')
        add(node.init.argument, node.id);
      if (node.type !== 'CallExpression' || node.callee.type !== 'MemberExpression') return;
      const [then] = node.arguments;
      const first = then && isFunction(then) ? then.params[0] : undefined;
      if (first && module.text(node.callee.property) === 'then') add(node.callee.object, first);
    },
  });
  return found;
}

/** What `(await import('./a.js')).A` takes: the module, the name there, and the code of the module as it is loaded. */
export function takenLater(
  code: Node,
): { readonly source: string; readonly name: string; readonly loaded: Placed } | undefined {
  if (code.type !== 'MemberExpression' || code.computed || code.property.type !== 'Identifier')
    return undefined;
  const { object, property } = code;
  if (object.type !== 'AwaitExpression' || object.argument.type !== 'ImportExpression') return undefined;
  const { source } = object.argument;
  return source.type === 'Literal'
    ? { source: String(source.value), name: property.name, loaded: object as unknown as Placed }
    : undefined;
}

/** The component that a module exports which is loaded when it is needed. */
export async function componentLater(source: string, name: string, from: From): Promise<ComponentCore> {
  const found = await from.resolve(source, from.file);
  if (found === undefined)
    throw new NotWritten(
      `${source} is no module of the project, and no package with zesty-lattice among its dependencies`,
    );
  const all = await loaded(from, found, source);
  if (!(name in all)) throw new NotWritten(`${source} exports nothing by the name ${name}`);
  return coreOf(all[name]);
}

/** The key by which a pattern takes a name; nothing for the name of the whole. */
export function keyOf(pattern: Placed, name: string): string | undefined {
  if (pattern.type !== 'ObjectPattern') return undefined;
  for (const one of pattern.properties)
    if (
      one.type === 'Property' &&
      one.value.type === 'Identifier' &&
      one.value.name === name &&
      one.key.type === 'Identifier'
    )
      return one.key.name;
  return undefined;
}

async function loaded(
  { loading }: From,
  file: string,
  called: string,
): Promise<Readonly<Record<string, unknown>>> {
  try {
    return await loading.load(file);
  } catch (thrown) {
    throw new NotWritten(`${called} cannot be loaded in Node: ${reasonOf(thrown)}`);
  }
}
