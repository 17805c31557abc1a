import type { Property } from 'estree';
import type { ComponentCore } from '../component/index.js';
import {
  NotWritten,
  own,
  type Sources,
  type WrittenComponent,
  writeComponent,
} from '../elements/code/index.js';
import { scopedRules } from '../styles/index.js';
import { kindPartsOf } from './kind-parts.js';
import type { Loading, Place } from './loading.js';
import type { ComponentCall, ModuleCode } from './module.js';
import { countNodes, htmlFault } from './parsed.js';

/** What is put behind a module's path for the form of it that has its components' elements written out. */
export const suffix = '?lattice';

/** A component written out for a module, with what that module has to import for it. */
export interface WrittenHere extends WrittenComponent {
  /** Names from other modules, as `import` takes them: the name there, with the name here, by module. */
  readonly imports: ReadonlyMap<string, ReadonlySet<string>>;
}

/** Writes the elements of components out, each once. */
export class Writing {
  readonly #loading: Loading;
  readonly #written = new Map<ComponentCore, WrittenHere | NotWritten>();

  constructor(loading: Loading) {
    this.#loading = loading;
  }

  /** A component's elements as code of its module; the reason where they cannot be written. */
  write(core: ComponentCore): WrittenHere | NotWritten {
    let written = this.#written.get(core);
    if (!written) {
      written = this.#write(core);
      this.#written.set(core, written);
    }
    return written;
  }

  /** Why a component, or one of those in it, cannot be written; nothing where all can. */
  fault(core: ComponentCore, seen = new Set<ComponentCore>()): NotWritten | undefined {
    if (seen.has(core)) return undefined;
    seen.add(core);
    const written = this.write(core);
    if (written instanceof NotWritten) return written;
    for (const inner of written.uses) {
      const fault = this.fault(inner, seen);
      if (fault) return new NotWritten(`it holds <${inner.name}>, and of that ${fault.message}`);
    }
    return undefined;
  }

  #write(core: ComponentCore): WrittenHere | NotWritten {
    const place = this.#loading.placeOf(core);
    if (!place) return new NotWritten('it is not made by a call of component in a module of its own');
    const imports = new Map<string, Set<string>>();
    /** The name of something that stands in a module's written form, here or imported. */
    const reach = (file: string, name: string): string => {
      if (file === place.file) return name;
      const names = imports.get(file) ?? new Set();
      imports.set(file, names);
      const here = `${own}from${[...imports.keys()].indexOf(file)}_${name}`;
      names.add(`${name} as ${here}`);
      return here;
    };
    const sources: Sources = {
      closure: (compute) => {
        const at = this.#loading.closureOf(compute);
        const closure = at && this.#call(at)?.call.closures[at.number];
        if (!at || !closure) return new NotWritten('is not written in a template of the project');
        if (!closure.isFree) return new NotWritten('uses what its template declares');
        return reach(at.file, closureName(at.at, at.number));
      },
      helper: (component, name) => {
        const at = component === core.name ? place : this.#loading.placeNamed(component);
        if (!at || !this.#call(at)?.call.parts?.has('helpers')) return undefined;
        return `${reach(at.file, helpersName(at.at))}().${name}`;
      },
      part: (of, key) => (of === core ? this.#part(place, key) : undefined),
      kindPart: (component, prop, part) => {
        const other = component === core.name ? place : this.#loading.placeNamed(component);
        const found = other && this.#call(other);
        const written = found && kindPartsOf(found.call).get(prop)?.[part];
        if (!other || written === undefined || (Array.isArray(written) && written.length === 0))
          return undefined;
        return `${reach(other.file, kindName(other.at, prop, part))}()`;
      },
      component: (other) => {
        const at = this.#loading.placeOf(other);
        const found = at && this.#call(at);
        if (!at || !found?.call.parts) return undefined;
        if (found.call.local !== undefined)
          return at.file === place.file ? found.call.local : reach(at.file, componentName(at.at));
        return found.call.isDefault && at.file !== place.file ? reach(at.file, 'default') : undefined;
      },
      scopedSheet: (other) => {
        const at = this.#loading.placeOf(other);
        return at && reach(at.file, sheetName(at.at));
      },
      htmlFault,
    };
    const made = this.#call(place)?.call;
    if (!made?.parts || made.isGeneric)
      return new NotWritten('its definition is not written out where it is made');
    try {
      return { ...writeComponent(core, sources, countNodes), imports };
    } catch (thrown) {
      if (thrown instanceof NotWritten) return thrown;
      throw thrown;
    }
  }

  #call(place: Place): { readonly module: ModuleCode; readonly call: ComponentCall } | undefined {
    const module = this.#loading.module(place.file);
    const call = module?.components[place.at];
    return module && call && { module, call };
  }

  #part(place: Place, key: string): string | undefined {
    const found = this.#call(place);
    const property = found?.call.parts?.get(key) as Property | undefined;
    return found && property && partText(found.module, property, key);
  }
}

/** The code of a part of a definition; of one that is written as a method, too. */
function partText(module: ModuleCode, property: Property, key: string): string {
  return property.method || property.shorthand
    ? `({ ${module.text(property)} }).${key}`
    : `(${module.text(property.value)})`;
}

export const componentName = (at: number): string => `${own}component${at}`;
export const closureName = (at: number, number: number): string => `${own}calc${at}_${number}`;
export const helpersName = (at: number): string => `${own}helpers${at}`;
export const sheetName = (at: number): string => `${own}sheet${at}`;
export const kindName = (at: number, prop: string, part: string): string => `${own}kind${at}_${prop}_${part}`;

/** What a module's written form has besides, for itself and for others: rules, functions and parts of kinds. */
export function sharedLines(
  module: ModuleCode,
  cores: ReadonlyMap<number, ComponentCore>,
  isWritten: (at: number) => boolean,
  isShared: boolean,
): readonly string[] {
  const constant = isShared ? 'export const' : 'const';
  const lines: string[] = [];
  for (const [at, core] of cores)
    if (core.styles !== '') {
      const css = JSON.stringify(scopedRules(core).css);
      lines.push(`${constant} ${sheetName(at)} = /* @__PURE__ */ ${own}sheet(${css});`);
    }
  for (const [at, call] of module.components.entries()) {
    if (!call.parts) continue;
    for (const [number, { isFree, node }] of call.closures.entries())
      if (isFree) lines.push(`${constant} ${closureName(at, number)} = ${functionText(module, node)};`);
    const helpers = call.parts.get('helpers');
    if (helpers)
      lines.push(`${constant} ${helpersName(at)} = () => (${partText(module, helpers, 'helpers')});`);
    for (const [prop, { fallback, schema, tests }] of kindPartsOf(call)) {
      if (fallback)
        lines.push(`${constant} ${kindName(at, prop, 'fallback')} = () => (${module.text(fallback)});`);
      if (schema) lines.push(`${constant} ${kindName(at, prop, 'schema')} = () => (${module.text(schema)});`);
      if (tests.length > 0) {
        const pairs = tests.map((args) => `[${args.map((arg) => module.text(arg)).join(', ')}]`);
        lines.push(`${constant} ${kindName(at, prop, 'tests')} = () => [${pairs.join(', ')}];`);
      }
    }
    if (isShared && call.local !== undefined && isWritten(at))
      lines.push(`export { ${call.local} as ${componentName(at)} };`);
  }
  return lines;
}

/** A function as an expression; one that is only named is called by its name, which may come to be later. */
function functionText(module: ModuleCode, node: Parameters<ModuleCode['text']>[0]): string {
  const text = module.text(node);
  return /Function/.test(node.type) ? text : `(...values) => (${text})(...values)`;
}
