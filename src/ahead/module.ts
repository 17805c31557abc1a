import type {
  ArrowFunctionExpression,
  CallExpression,
  Expression,
  ImportDeclaration,
  Program,
  Property,
} from 'estree';
import { type Node, walk } from 'estree-walker';
import { declaredIn, isFunction, isKey, type Placed, readIn } from './names.js';

const authoring = 'zesty-lattice';
const elements = 'zesty-lattice/elements';

/** A call of `component` as it stands in a module. */
export interface ComponentCall {
  readonly node: Placed<CallExpression>;
  /** The name of the constant that holds the component, where it is one of the module's own. */
  readonly local: string | undefined;
  /** Whether it is what the module exports as its default. */
  readonly isDefault: boolean;
  /** Whether its definition is made by a function, for any type of item. */
  readonly isGeneric: boolean;
  /** The parts of its definition, where that is written out as a record. */
  readonly parts: ReadonlyMap<string, Placed<Property>> | undefined;
  /** The functions that its template hands to `calc`, in the order they are written. */
  readonly closures: readonly Closure[];
}

/** A function that a template hands to `calc`. */
export interface Closure {
  readonly node: Placed;
  /** Whether it can stand outside the template: it uses nothing that is declared in there. */
  readonly isFree: boolean;
}

interface Read {
  readonly node: Placed;
  readonly parent: Node | null;
  readonly key: string | number | symbol | null | undefined;
}

/** What of a module's code the planning of its components needs to know. */
export class ModuleCode {
  readonly code: string;
  readonly program: Placed<Program>;
  readonly imports: readonly Placed<ImportDeclaration>[];
  readonly components: readonly ComponentCall[];

  constructor(code: string, program: unknown) {
    this.code = code;
    this.program = program as Placed<Program>;
    this.imports = this.program.body.filter(
      (node): node is Placed<ImportDeclaration> => node.type === 'ImportDeclaration',
    );
    this.components = this.#findComponents();
  }

  /** The local name of something imported from a door of the library. */
  imported(door: string, name: string): string | undefined {
    for (const one of this.imports) {
      if (one.source.value !== door) continue;
      for (const specifier of one.specifiers) {
        if (specifier.type !== 'ImportSpecifier') continue;
        const { imported } = specifier;
        if ('name' in imported && imported.name === name) return specifier.local.name;
      }
    }
    return undefined;
  }

  /** What it imports and exports from. */
  get sources(): readonly string[] {
    return this.program.body.flatMap((node) =>
      'source' in node && typeof node.source?.value === 'string' ? [node.source.value] : [],
    );
  }

  /** The import that a local name comes from, with its name there. */
  importOf(
    local: string,
  ): { readonly declaration: Placed<ImportDeclaration>; readonly name: string } | undefined {
    for (const declaration of this.imports) {
      for (const specifier of declaration.specifiers) {
        if (specifier.local.name !== local) continue;
        if (specifier.type === 'ImportDefaultSpecifier') return { declaration, name: 'default' };
        if (specifier.type !== 'ImportSpecifier' || !('name' in specifier.imported)) return undefined;
        return { declaration, name: specifier.imported.name };
      }
    }
    return undefined;
  }

  text(node: Node): string {
    const { start, end } = node as Placed;
    return this.code.slice(start, end);
  }

  /** The calls of a function that was imported, and whether it is used for nothing else. */
  callsOf(local: string): { readonly calls: readonly Placed<CallExpression>[]; readonly areAll: boolean } {
    const reads = this.#readsOf(local);
    const calls = reads.flatMap(({ parent, key }) =>
      parent?.type === 'CallExpression' && key === 'callee' ? [parent as Placed<CallExpression>] : [],
    );
    return { calls, areAll: calls.length === reads.length };
  }

  /** Every place that reads a name, save where it is declared. */
  readsOf(name: string): readonly Placed[] {
    return this.#readsOf(name).map(({ node }) => node);
  }

  #readsOf(name: string): readonly Read[] {
    const reads: Read[] = [];
    walk(this.program, {
      enter(node, parent, key) {
        if (node.type === 'ImportDeclaration') return this.skip();
        if (node.type !== 'Identifier' || node.name !== name) return;
        const isDeclared = parent?.type === 'VariableDeclarator' && key === 'id';
        if (!isDeclared && !isKey(parent, key)) reads.push({ node: node as Placed, parent, key });
      },
    });
    return reads;
  }

  #findComponents(): readonly ComponentCall[] {
    const local = this.imported(authoring, 'component');
    if (local === undefined) return [];
    const found: ComponentCall[] = [];
    const { program } = this;
    let depth = 0;
    const calc = this.imported(authoring, 'calc');
    const top = new Map<Node, { readonly local?: string; readonly isDefault?: boolean }>();
    for (const statement of program.body) {
      const declaration = statement.type === 'ExportNamedDeclaration' ? statement.declaration : statement;
      if (declaration?.type === 'VariableDeclaration' && declaration.kind === 'const') {
        for (const { id, init } of declaration.declarations)
          if (init && id.type === 'Identifier') top.set(init, { local: id.name });
      }
      if (statement.type === 'ExportDefaultDeclaration')
        top.set(statement.declaration as Node, { isDefault: true });
    }
    walk(program, {
      enter(node) {
        if (isFunction(node)) depth++;
        if (node.type !== 'CallExpression') return;
        const isGeneric = isGenericCall(node.callee, local);
        if (!isGeneric && !(node.callee.type === 'Identifier' && node.callee.name === local)) return;
        const { local: name, isDefault = false } = top.get(node) ?? {};
        const given = node.arguments[1] as Expression | undefined;
        const make = isGeneric && given?.type === 'ArrowFunctionExpression' ? given : undefined;
        const parts = partsOf(isGeneric ? make && definitionOf(make) : given);
        found.push({
          node: node as Placed<CallExpression>,
          local: name,
          isDefault,
          isGeneric,
          // In a function it may use what is declared there.
          parts: depth === 0 ? parts : undefined,
          closures: closuresOf(parts?.get('template'), calc, make),
        });
      },
      leave(node) {
        if (isFunction(node)) depth--;
      },
    });
    return found;
  }
}

/** Whether a file holds code, by its name. */
export function isCode(file: string): boolean {
  return /\.[cm]?[jt]sx?$/.test(file);
}

/** Whether code speaks of the library at all: only then is it worth being read. */
export function isOfInterest(code: string): boolean {
  return code.includes(`'${authoring}'`) || code.includes(`"${authoring}"`) || code.includes(elements);
}

/** Whether a call is one of `component.generic`. */
function isGenericCall(callee: Node, local: string): boolean {
  return (
    callee.type === 'MemberExpression' &&
    !callee.computed &&
    callee.object.type === 'Identifier' &&
    callee.object.name === local &&
    callee.property.type === 'Identifier' &&
    callee.property.name === 'generic'
  );
}

/** The record behind `(item) => definition({ … })`. */
function definitionOf({ body }: ArrowFunctionExpression): Expression | undefined {
  return body.type === 'CallExpression' ? (body.arguments[0] as Expression | undefined) : undefined;
}

function partsOf(definition: Expression | undefined): ReadonlyMap<string, Placed<Property>> | undefined {
  if (definition?.type !== 'ObjectExpression') return undefined;
  const parts = new Map<string, Placed<Property>>();
  for (const one of definition.properties) {
    if (one.type !== 'Property' || one.computed || one.kind !== 'init') return undefined;
    const name = one.key.type === 'Identifier' ? one.key.name : undefined;
    if (name === undefined) return undefined;
    parts.set(name, one as Placed<Property>);
  }
  return parts;
}

/** The functions handed to `calc` in a template, in order; what is declared around it is not theirs to use. */
function closuresOf(
  template: Node | undefined,
  calc: string | undefined,
  around: Node = template as Node,
): readonly Closure[] {
  if (!template || calc === undefined) return [];
  const found: Placed[] = [];
  walk(template, {
    enter(node) {
      if (node.type !== 'CallExpression' || node.callee.type !== 'Identifier' || node.callee.name !== calc)
        return;
      const last = node.arguments.at(-1);
      if (last) found.push(last as Placed);
    },
  });
  // In the order they are written, whichever call holds which.
  found.sort((a, b) => a.start - b.start);
  return found.map((node) => {
    const own = declaredIn(node);
    const outside = declaredIn(around, node);
    return { node, isFree: ![...readIn(node)].some((name) => outside.has(name) && !own.has(name)) };
  });
}
