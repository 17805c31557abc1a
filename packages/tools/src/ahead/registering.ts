import type { CallExpression, SpreadElement } from 'estree';
import type MagicString from 'magic-string';
import type { ComponentCore } from 'zesty-lattice/internal/component';
import { NotWritten, own } from 'zesty-lattice/internal/elements';
import {
  componentBehind,
  componentLater,
  componentsBehind,
  type Later,
  laterOf,
  takenLater,
} from './following.js';
import type { ExportPlace, Loading, Resolve } from './loading.js';
import type { ModuleCode } from './module.js';
import { namesOf, type Placed, rootOf } from './names.js';
import { componentName, type Writing } from './writing.js';

const door = 'zesty-lattice/elements';
const runtimeDoor = 'zesty-lattice/internal/runtime';

/** A module that is followed, with what that takes. */
export interface Followed {
  readonly module: ModuleCode;
  readonly file: string;
  readonly resolve: Resolve;
  readonly loading: Loading;
  readonly writing: Writing;
  /** Whether a module is one that a build starts from, whose exports are the build's own. */
  readonly isEntry: (file: string) => boolean;
}

/** Something that a module registers and that its page has to plan itself. */
export interface Dropped {
  /** What is registered, as a person calls it: `<crate-counter>`, or the code. */
  readonly what: string;
  readonly why: string;
  /** Where the module registers it. */
  readonly at: number;
}

/** What a module's doors to elements are called in its page's part. */
const live: Readonly<Record<string, 'define' | 'classOf'>> = { register: 'define', elementClass: 'classOf' };

/** Whether a module takes something from the door of elements. */
export function isRegistering(module: ModuleCode): boolean {
  return module.imports.some(({ source }) => source.value === door);
}

/**
 * Follows what a module registers back to where it is made, and has it register what is written out there; gives what
 * cannot be.
 */
export async function registerWritten(
  changed: MagicString,
  followed: Followed,
): Promise<{ readonly dropped: readonly Dropped[]; readonly planned: ReadonlySet<ComponentCore> }> {
  const { module } = followed;
  const planned = new Set<ComponentCore>();
  const dropped: Dropped[] = [];
  const taken = new Map<string, Map<string, string>>();
  const names = new Set<string>();
  const late = new Set<string>();
  for (const declaration of module.imports.filter(({ source }) => source.value === door)) {
    for (const { local, ...specifier } of declaration.specifiers) {
      const imported = 'imported' in specifier ? (specifier as { imported: { name?: string } }).imported : {};
      // It is handed what registers, and registers nothing itself.
      if (imported.name === 'registerWhen') continue;
      const name = live[imported.name ?? ''];
      if (!name) {
        dropped.push({
          what: local.name,
          why: `the module imports all of the entry point as ${local.name}`,
          at: declaration.start,
        });
        continue;
      }
      const { areAll, calls } = module.callsOf(local.name);
      if (!areAll)
        dropped.push({
          what: local.name,
          why: `the module does more with ${local.name} than call it`,
          at: declaration.start,
        });
      for (const call of calls) await rewrite(call, name);
    }
  }
  const lines = [
    ...(names.size > 0
      ? [
          `import { ${[...names].map((name) => `${name} as ${own}${name}`).join(', ')} } from '${runtimeDoor}';`,
        ]
      : []),
    ...[...taken].map(
      ([file, from]) =>
        `import { ${[...from].map(([there, here]) => `${there} as ${here}`).join(', ')} } from ${JSON.stringify(file)};`,
    ),
  ];
  if (lines.length > 0) changed.prepend(`${lines.join('\n')}\n`);
  return { dropped, planned };

  /** Has one call take what is written out, and leaves the rest of it as it is. */
  async function rewrite(call: Placed<CallExpression>, name: 'define' | 'classOf'): Promise<void> {
    const all = call.arguments as Placed[];
    // What stands behind the components says which sheets they get.
    const options = all.at(-1)?.type === 'ObjectExpression' ? all.at(-1) : undefined;
    const args = options ? all.slice(0, -1) : all;
    const written: string[] = [];
    const left: string[] = [];
    for (const arg of args) {
      try {
        if (arg.type === 'SpreadElement') await takeSpread(arg, written, left);
        else written.push(...(await writtenOf(arg)));
      } catch (thrown) {
        if (!(thrown instanceof NotWritten)) throw thrown;
        left.push(module.text(arg));
        const core = await componentBehind(arg, followed).catch(() => undefined);
        dropped.push({
          what: core ? `<${core.name}>` : module.text(arg),
          why: thrown.message,
          at: arg.start,
        });
      }
    }
    if (written.length === 0) return;
    names.add(name);
    if (options) names.add('sharing');
    const given = options
      ? `...${own}sharing(${module.text(options)}, ${written.join(', ')})`
      : written.join(', ');
    const made = `${own}${name}(${given})`;
    if (options && left.length > 0) left.push(module.text(options));
    const callee = module.text(call.callee);
    changed.update(
      call.start,
      call.end,
      left.length === 0 ? made : `(${made}, ${callee}(${left.join(', ')}))`,
    );
  }

  /** Takes what is written out of the components that are spread; the others are left there by their names. */
  async function takeSpread(arg: Placed<SpreadElement>, written: string[], left: string[]): Promise<void> {
    const inside = arg.argument as Placed;
    const others: string[] = [];
    for (const core of await componentsBehind(inside, followed))
      try {
        written.push(nameOf(placeOf(core)));
      } catch (thrown) {
        if (!(thrown instanceof NotWritten)) throw thrown;
        others.push(core.name);
        dropped.push({ what: `<${core.name}>`, why: thrown.message, at: arg.start });
      }
    if (others.length > 0)
      left.push(
        `...[...${module.text(inside)}].filter((one) => ${JSON.stringify(others)}.includes(one.name))`,
      );
  }

  /** The code of what is written out for an argument; a module that it comes from is imported. */
  async function writtenOf(arg: Placed): Promise<readonly string[]> {
    if (arg.type === 'ConditionalExpression') {
      const [then] = await writtenOf(arg.consequent as Placed);
      const [otherwise] = await writtenOf(arg.alternate as Placed);
      return [`${module.text(arg.test)} ? ${then} : ${otherwise}`];
    }
    const straight = takenLater(arg);
    if (straight) {
      const { loaded, name, source } = straight;
      const place = placeOf(await componentLater(source, name, followed));
      return [`(${module.text(loaded)}).${await nameThere(source, place)}`];
    }
    const root = rootOf(arg);
    const later = root === undefined ? undefined : laterOf(root, module);
    const core = await componentBehind(arg, later ? { ...followed, later: root } : followed);
    const place = placeOf(core);
    return [later && root !== undefined ? await laterName(later, root, place) : nameOf(place)];
  }

  function placeOf(core: ComponentCore): ExportPlace {
    const fault = followed.writing.fault(core);
    if (fault) throw fault;
    const place = followed.loading.placeOf(core);
    if (!place) throw new NotWritten('it cannot be followed to where it is made');
    if (place.file !== followed.file && followed.isEntry(place.file))
      throw new NotWritten('it is made in a module that the build starts from; make it in one of its own');
    planned.add(core);
    return place;
  }

  function nameOf(place: ExportPlace): string {
    if (place.file === followed.file) return componentName(place.at);
    const from = taken.get(place.file) ?? new Map<string, string>();
    taken.set(place.file, from);
    const there = componentName(place.at);
    const here = `${own}taken${[...taken.keys()].indexOf(place.file)}_${place.at}`;
    from.set(there, here);
    return here;
  }

  /** What a module that is loaded when it is needed calls the code of a component that it makes. */
  async function nameThere(source: string, place: ExportPlace): Promise<string> {
    if ((await followed.resolve(source, followed.file)) !== place.file)
      throw new NotWritten(
        `${source}, which is loaded later, does not make it itself; load the module that does`,
      );
    return componentName(place.at);
  }

  /** The name of what comes with a module that is loaded when it is needed, in place of the component. */
  async function laterName({ pattern, source }: Later, name: string, place: ExportPlace): Promise<string> {
    const there = await nameThere(source, place);
    if (pattern.type !== 'ObjectPattern') return `${module.text(pattern)}.${there}`;
    const property = pattern.properties.find((one) =>
      namesOf(one.type === 'Property' ? one.value : one).has(name),
    );
    if (!property) throw new NotWritten('it cannot be followed: name the component itself');
    const here = `${own}later${pattern.start}_${place.at}`;
    if (late.has(here)) return here;
    late.add(here);
    const { end, start } = property as unknown as Placed;
    const others = module.readsOf(name).filter((one) => one.start < pattern.start || one.start > pattern.end);
    if (others.length === 1) changed.update(start, end, `${there}: ${here}`);
    else changed.appendLeft(end, `, ${there}: ${here}`);
    return here;
  }
}
