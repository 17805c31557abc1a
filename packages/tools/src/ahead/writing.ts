import type { Node } from 'estree-walker';
import type { ComponentCore } from 'zesty-lattice/internal/component';
import {
  NotWritten,
  own,
  type Sources,
  type WrittenComponent,
  writeComponent,
} from 'zesty-lattice/internal/elements';
import { scopedRules } from 'zesty-lattice/internal/styles';
import type { Definition, PartFound } from './definition.js';
import { isWorkedOut, type KindParts, kindPartsOf, kindsIn } from './kind-parts.js';
import type { ExportPlace, Loading } from './loading.js';
import type { ComponentCall, ModuleCode } from './module.js';
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
      closure: (compute) => {
        const fallback = this.#loading.fallbackAt(compute);
        const made = fallback && this.#kindPart(fallback, fallback.prop, 'fallback', reach);
        if (made) return isWorkedOut(made.written as Node) ? made.code.slice(0, -2) : made.code;
        const at = this.#loading.closureOf(compute);
        const closure = at && this.#call(at)?.call.closures[at.number];
        if (!at || !closure) return new NotWritten('is not written in a template of the project');
        if (closure.uses !== undefined)
          return new NotWritten(
            `uses "${closure.uses}", which its template works out as it runs; hand it to calc as a value`,
          );
        return reach(at.file, closureName(at.at, at.number));
      },
      helper: (component, name) => {
        const code = this.#partCode(placeOfName(component), 'helpers', reach);
        return code && `${code}.${name}`;
      },
      part: (of, key) => (of === core ? this.#partCode(place, key, reach) : undefined),
      kindPart: (component, prop, part) => this.#kindPart(placeOfName(component), prop, part, reach)?.code,
      isWorkedOut: (component, prop) => {
        const made = this.#kindPart(placeOfName(component), prop, 'fallback', (_file, name) => name);
        return made !== undefined && isWorkedOut(made.written as Node);
      },
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
      throw thrown;
    }
  }

  #call(place: ExportPlace): { readonly module: ModuleCode; readonly call: ComponentCall } | undefined {
    const module = this.#loading.module(place.file);
    const call = module?.components[place.at];
    return module && call && { module, call };
  }

  /** What a kind was given where a component's prop is declared, and the code of it, wherever that is written. */
  #kindPart(
    place: ExportPlace | undefined,
    prop: string,
    part: keyof KindParts,
    reach: (file: string, name: string) => string,
  ): { readonly code: string; readonly written: KindParts[typeof part] } | undefined {
    const found = place && this.#call(place);
    if (!place || !found) return undefined;
    const { call, module } = found;
    const written = kindPartsOf(call.definition, module).get(prop)?.[part];
    if (isGiven(written)) return { code: `${reach(place.file, kindName(place.at, prop, part))}()`, written };
    for (const local of kindsIn(call.definition, module).elsewhere) {
      const other = this.#imported(module, place.file, local);
      const theirs =
        other && kindPartsOf(other.module.definitions.get(other.local), other.module).get(prop)?.[part];
      if (other && isGiven(theirs))
        return {
          code: `${reach(other.file, definitionKindName(other.local, prop, part))}()`,
          written: theirs,
        };
    }
    return undefined;
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
export const closureName = (at: number, number: number): string => `${own}calc${at}_${number}`;
export const sheetName = (at: number): string => `${own}sheet${at}`;
export const kindName = (at: number, prop: string, part: string): string => `${own}kind${at}_${prop}_${part}`;
const helpersName = (at: number): string => `${own}helpers${at}`;
const definitionKindName = (local: string, prop: string, part: string): string =>
  `${own}definition_${local}_kind_${prop}_${part}`;
const definitionPartName = (local: string, key: string): string => `${own}definition_${local}_${key}`;

/** The parts of a definition that written code may name. */
const namedParts = ['connected', 'field', 'handlers', 'helpers', 'load', 'provides', 'reactions', 'state'];

/** A line for a part of a definition, by the name it is to have. */
function partLine(definition: Definition, key: string, name: string): readonly string[] {
  const part = definition.own(key);
  return part && definition.isFree(part) ? [`${name} = () => (${definition.text(part, key)});`] : [];
}

/** Lines for what the kinds of a definition were given, by the name each is to have. */
function kindLines(
  definition: Definition,
  module: ModuleCode,
  nameOf: (prop: string, part: string) => string,
): readonly string[] {
  const lines: string[] = [];
  for (const [prop, { fallback, schema, tests }] of kindPartsOf(definition, module)) {
    if (fallback) lines.push(`${nameOf(prop, 'fallback')} = () => (${module.text(fallback)});`);
    if (schema) lines.push(`${nameOf(prop, 'schema')} = () => (${module.text(schema)});`);
    if (tests.length > 0) {
      const pairs = tests.map((args) => `[${args.map((arg) => module.text(arg)).join(', ')}]`);
      lines.push(`${nameOf(prop, 'tests')} = () => [${pairs.join(', ')}];`);
    }
  }
  return lines;
}

const isGiven = (written: KindParts[keyof KindParts]): boolean =>
  written !== undefined && !(Array.isArray(written) && written.length === 0);

/** What a module is given for one of its components, for itself and for others: rules, functions, parts. */
export function linesFor(module: ModuleCode, at: number, core: ComponentCore | undefined): readonly string[] {
  const call = module.components[at];
  if (!call?.definition) return [];
  const { definition } = call;
  const lines: string[] = [];
  if (core && core.styles !== '') {
    const css = JSON.stringify(scopedRules(core).css);
    lines.push(`${sheetName(at)} = /* @__PURE__ */ ${own}sheet(${css});`);
  }
  for (const [number, { constants, node, uses }] of call.closures.entries()) {
    if (uses !== undefined) continue;
    const code = functionText(module, node);
    const around = constants.map((one) => `const ${module.text(one)};`).join(' ');
    lines.push(
      `${closureName(at, number)} = ${around === '' ? code : `/* @__PURE__ */ (() => { ${around} return ${code}; })()`};`,
    );
  }
  lines.push(...partLine(definition, 'helpers', helpersName(at)));
  lines.push(...kindLines(definition, module, (prop, part) => kindName(at, prop, part)));
  return lines;
}

/** What a module is given for a definition that stands apart, for the modules that spread it. */
export function linesForDefinition(module: ModuleCode, local: string): readonly string[] {
  const definition = module.definitions.get(local);
  if (!definition) return [];
  return [
    ...namedParts.flatMap((key) => partLine(definition, key, definitionPartName(local, key))),
    ...kindLines(definition, module, (prop, part) => definitionKindName(local, prop, part)),
  ];
}

/** A function as an expression; one that is only named is called by its name, which may come to be later. */
function functionText(module: ModuleCode, node: Parameters<ModuleCode['text']>[0]): string {
  const text = module.text(node);
  return /Function/.test(node.type) ? text : `(...values) => (${text})(...values)`;
}
