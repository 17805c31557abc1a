import type { ComponentCore } from 'zesty-lattice/internal/component';
import {
  constantCode,
  NotWritten,
  own,
  type Sources,
  type WrittenComponent,
  writeComponent,
} from 'zesty-lattice/internal/elements';
import { reasonOf } from 'zesty-lattice/internal/problem';
import { scopedRules } from 'zesty-lattice/internal/styles';
import type { Authored } from './authored.js';
import type { Definition, PartFound } from './definition.js';
import type { AuthoredPlace, ExportPlace, Loading } from './loading.js';
import type { ComponentCall, ModuleCode } from './module.js';
import { isFunction } from './names.js';
import { countNodes, htmlFault } from './parsed.js';

/** A component written out for its module, with what that module has to import for it. */
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

  /** The elements that a component comes to: itself, and those in it. */
  elementsOf(core: ComponentCore, found = new Set<ComponentCore>()): ReadonlySet<ComponentCore> {
    const written = found.has(core) ? undefined : this.write(core);
    found.add(core);
    if (written && !(written instanceof NotWritten))
      for (const inner of written.uses) this.elementsOf(inner, found);
    return found;
  }

  #write(core: ComponentCore): WrittenHere | NotWritten {
    const place = this.#loading.placeOf(core);
    if (!place) return new NotWritten('it is not made by a call of component in a module of its own');
    const imports = new Map<string, Set<string>>();
    /** The name of something that is written into a module, here or imported. */
    const reach = (file: string, name: string): string => {
      if (file === place.file) return name;
      const names = imports.get(file) ?? new Set();
      imports.set(file, names);
      const here = `${own}from${[...imports.keys()].indexOf(file)}_${name.slice(own.length)}`;
      names.add(`${name} as ${here}`);
      return here;
    };
    const placeOfName = (component: string): ExportPlace | undefined =>
      component === core.name ? place : this.#loading.placeNamed(component);
    const sources: Sources = {
      closure: (compute) => this.#authored(compute, reach),
      value: (value) => {
        const code = this.#authored(value, reach);
        return code instanceof NotWritten ? undefined : code;
      },
      isWorkedOut: (value) => this.#known(value)?.one.isWorkedOut ?? false,
      helper: (component, name) => {
        const code = this.#partCode(placeOfName(component), 'helpers', reach);
        return code && `${code}.${name}`;
      },
      part: (of, key) => (of === core ? this.#partCode(place, key, reach) : undefined),
      component: (other) => {
        const at = this.#loading.placeOf(other);
        return at && this.#call(at)?.call.definition ? reach(at.file, componentName(at.at)) : undefined;
      },
      scopedSheet: (other) => {
        const at = this.#loading.placeOf(other);
        return at && this.#call(at)?.call.definition ? reach(at.file, sheetName(at.at)) : undefined;
      },
      htmlFault,
    };
    if (!this.#call(place)?.call.definition)
      return new NotWritten('it is made inside a function; make it at the top of its module');
    try {
      return { ...writeComponent(core, sources, countNodes), imports };
    } catch (thrown) {
      if (thrown instanceof NotWritten) return thrown;
      // A template may want what its module would have made had it not failed.
      return new NotWritten(`its template cannot be read in Node: ${reasonOf(thrown)}`);
    }
  }

  #call(place: ExportPlace): { readonly module: ModuleCode; readonly call: ComponentCall } | undefined {
    const module = this.#loading.module(place.file);
    const call = module?.components[place.at];
    return module && call && { module, call };
  }

  #known(value: unknown): { readonly at: AuthoredPlace; readonly one: Authored } | undefined {
    const at = this.#loading.authoredAt(value);
    const one = at && this.#loading.module(at.file)?.authored[at.number];
    return one && { at, one };
  }

  /** The code of what an author handed to the library; what keeps it from being written, completing "its function …". */
  #authored(value: unknown, reach: (file: string, name: string) => string): string | NotWritten {
    const { at, one } = this.#known(value) ?? {};
    if (!at || !one) return new NotWritten('is not written in a module of the project');
    const works = (name: string): NotWritten =>
      new NotWritten(`uses "${name}", which its template works out as it runs; hand it to calc as a value`);
    if (one.uses !== undefined) return works(one.uses);
    const values: string[] = [];
    for (const [index, name] of one.captured.entries()) {
      const code = dataCode(at.captured[index]);
      if (code === undefined) return works(name);
      values.push(code);
    }
    const name = reach(at.file, authoredName(at.number));
    if (!isFactory(one)) return name;
    const made = `${name}(${values.join(', ')})`;
    if (!one.isWorkedOut) return made;
    return values.length === 0 ? name : `() => ${made}`;
  }

  /** The definition behind a name that a module imports. */
  #imported(
    module: ModuleCode,
    file: string,
    local: string,
  ): { readonly module: ModuleCode; readonly file: string; readonly local: string } | undefined {
    const from = module.importOf(local);
    const other = from && this.#loading.imported(file, String(from.declaration.source.value));
    return from && other !== undefined ? this.#definitionOf(other, from.name) : undefined;
  }

  /** The code of a part of a component's definition, wherever that is written. */
  #partCode(
    place: ExportPlace | undefined,
    key: string,
    reach: (file: string, name: string) => string,
  ): string | undefined {
    const found = place && this.#call(place);
    if (!place || !found?.call.definition) return undefined;
    const { call, module } = found;
    const part = call.definition?.find(key);
    if (part?.how === 'here') {
      if (!call.definition?.isFree(part.part)) return undefined;
      // Helpers are asked for by texts of other components, too; all else stands where it is used.
      return key === 'helpers'
        ? `${reach(place.file, helpersName(place.at))}()`
        : call.definition.text(part.part, key);
    }
    return part?.how === 'spread' ? this.#spreadPart(module, place.file, part.name, key, reach) : undefined;
  }

  /** A part of a definition that another module exports. */
  #spreadPart(
    module: ModuleCode,
    file: string,
    local: string,
    key: string,
    reach: (file: string, name: string) => string,
  ): string | undefined {
    const place = this.#imported(module, file, local);
    if (!place) return undefined;
    const found: PartFound = place.module.definitions.get(place.local)?.find(key);
    if (found?.how === 'here') return `${reach(place.file, definitionPartName(place.local, key))}()`;
    return found?.how === 'spread'
      ? this.#spreadPart(place.module, place.file, found.name, key, reach)
      : undefined;
  }

  /** The module that makes a definition which a module exports by a name, itself or from another. */
  #definitionOf(
    file: string,
    name: string,
    seen = new Set<string>(),
  ): { readonly module: ModuleCode; readonly file: string; readonly local: string } | undefined {
    const module = this.#loading.module(file);
    if (!module || seen.has(file)) return undefined;
    seen.add(file);
    for (const { local, source } of module.exportsOf(name)) {
      if (source === undefined) {
        if (module.definitions.has(local)) return { module, file, local };
        continue;
      }
      const other = this.#loading.imported(file, source);
      const found = other === undefined ? undefined : this.#definitionOf(other, local, seen);
      if (found) return found;
    }
    return undefined;
  }
}

export const componentName = (at: number): string => `${own}component${at}`;
const authoredName = (number: number): string => `${own}authored${number}`;
export const sheetName = (at: number): string => `${own}sheet${at}`;
const helpersName = (at: number): string => `${own}helpers${at}`;
const definitionPartName = (local: string, key: string): string => `${own}definition_${local}_${key}`;

/** The parts of a definition that written code may name. */
const namedParts = [
  'connected',
  'elementMethods',
  'field',
  'handlers',
  'helpers',
  'load',
  'provides',
  'reactions',
  'shown',
  'state',
  'states',
  'aria',
];

/** A line for a part of a definition, by the name it is to have. */
function partLine(definition: Definition, key: string, name: string): readonly string[] {
  const part = definition.own(key);
  return part && definition.isFree(part) ? [`${name} = () => (${definition.text(part, key)});`] : [];
}

/**
 * Whether something stands in its module as a function that makes it: it then needs nothing before it is asked for, and
 * may be made of what is known to the functions around it.
 */
const isFactory = ({ captured, constants, isWorkedOut, node, to }: Authored): boolean =>
  captured.length > 0 || constants.length > 0 || isWorkedOut || !(to === 'calc' || isFunction(node));

/** The code of plain data; nothing for what is more. */
function dataCode(value: unknown): string | undefined {
  try {
    return constantCode(value);
  } catch (thrown) {
    if (thrown instanceof NotWritten) return undefined;
    throw thrown;
  }
}

/** What a module is given for all that its author handed to the library there, wherever that is used. */
export function authoredLines(module: ModuleCode): readonly string[] {
  return module.authored.flatMap((one, number) => {
    if (one.uses !== undefined) return [];
    const code = authoredCode(module, one);
    const around = one.constants.map((constant) => `const ${module.text(constant)};`).join(' ');
    const made = around === '' ? `(${code})` : `{ ${around} return ${code}; }`;
    return `${authoredName(number)} = ${isFactory(one) ? `(${one.captured.join(', ')}) => ${made}` : code};`;
  });
}

/** Its expression; a function for `calc` that is only named is called by its name, which may come to be later. */
function authoredCode(module: ModuleCode, { node, to }: Authored): string {
  const text = module.text(node);
  return to === 'calc' && !isFunction(node) ? `(...values) => (${text})(...values)` : text;
}

/** What a module is given for one of its components, for itself and for others: rules, helpers. */
export function linesFor(module: ModuleCode, at: number, core: ComponentCore | undefined): readonly string[] {
  const call = module.components[at];
  if (!call?.definition) return [];
  const { definition } = call;
  const lines: string[] = [];
  if (core && core.styles !== '') {
    const css = JSON.stringify(scopedRules(core).css);
    lines.push(`${sheetName(at)} = /* @__PURE__ */ ${own}sheet(${css});`);
  }
  lines.push(...partLine(definition, 'helpers', helpersName(at)));
  return lines;
}

/** What a module is given for a definition that stands apart, for the modules that spread it. */
export function linesForDefinition(module: ModuleCode, local: string): readonly string[] {
  const definition = module.definitions.get(local);
  if (!definition) return [];
  return [...namedParts.flatMap((key) => partLine(definition, key, definitionPartName(local, key)))];
}
