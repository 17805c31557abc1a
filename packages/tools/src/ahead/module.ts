import type { ArrowFunctionExpression, CallExpression, Expression, ImportDeclaration, Program } from 'estree';
import { type Node, walk } from 'estree-walker';
import { type Authored, authoredIn } from './authored.js';
import { Definition } from './definition.js';
import { isFunction, isKey, type Placed } from './names.js';

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
  /** The statement at the top of the module that it stands in. */
  readonly statement: Placed;
  /** Its definition, where that stands at the top of the module. */
  readonly definition: Definition | undefined;
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
  /** What its constants at the top are made of, by their names. */
  readonly constants: ReadonlyMap<string, Placed>;
  /** Definitions that stand apart from a component, by the constant that holds them. */
  readonly definitions: ReadonlyMap<string, Definition>;
  readonly components: readonly ComponentCall[];
  /** What of it no plan can hold, in the order it is written. */
  readonly authored: readonly Authored[];

  constructor(code: string, program: unknown) {
    this.code = code;
    this.program = program as Placed<Program>;
    this.imports = this.program.body.filter(
      (node): node is Placed<ImportDeclaration> => node.type === 'ImportDeclaration',
    );
    this.constants = this.#findConstants();
    this.definitions = this.#findDefinitions();
    this.components = this.#findComponents();
    this.authored = authoredIn(this.program, {
      calc: this.imported(authoring, 'calc'),
      prop: this.imported(authoring, 'prop'),
    });
  }

  /** What a module may export by a name: a constant of its own, or what another module exports by a name. */
  exportsOf(name: string): readonly { readonly local: string; readonly source: string | undefined }[] {
    const nameOf = (one: { readonly type: string }): string => ('name' in one ? String(one.name) : '');
    return this.program.body.flatMap((node) => {
      if (node.type === 'ExportAllDeclaration' && node.exported === null)
        return [{ local: name, source: String(node.source.value) }];
      if (node.type !== 'ExportNamedDeclaration') return [];
      const source = node.source ? String(node.source.value) : undefined;
      if (node.declaration) return this.constants.has(name) ? [{ local: name, source }] : [];
      return node.specifiers
        .filter(({ exported }) => nameOf(exported) === name)
        .map(({ local }) => ({ local: nameOf(local), source }));
    });
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

  /** The statements at its top. */
  get statements(): readonly Placed[] {
    // The parser gives each its offsets, which the types of estree do not speak of.
    return this.program.body as unknown as readonly Placed[];
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

  /** What a name for all that another module exports comes from. */
  allOf(local: string): string | undefined {
    const found = this.imports.find(({ specifiers }) =>
      specifiers.some((one) => one.type === 'ImportNamespaceSpecifier' && one.local.name === local),
    );
    return found && String(found.source.value);
  }

  /** The record that a call of `definition` is given. */
  definitionCalled(node: Node): Node | undefined {
    const local = this.imported(authoring, 'definition');
    return node.type === 'CallExpression' && node.callee.type === 'Identifier' && node.callee.name === local
      ? node.arguments[0]
      : undefined;
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

  #findConstants(): ReadonlyMap<string, Placed> {
    const found = new Map<string, Placed>();
    for (const statement of this.program.body) {
      const declaration = statement.type === 'ExportNamedDeclaration' ? statement.declaration : statement;
      if (declaration?.type !== 'VariableDeclaration' || declaration.kind !== 'const') continue;
      for (const { id, init } of declaration.declarations)
        if (init && id.type === 'Identifier') found.set(id.name, init as Placed);
    }
    return found;
  }

  #findDefinitions(): ReadonlyMap<string, Definition> {
    const found = new Map<string, Definition>();
    for (const [name, init] of this.constants)
      if (this.definitionCalled(init)) found.set(name, new Definition(init, this));
    return found;
  }

  #findComponents(): readonly ComponentCall[] {
    const local = this.imported(authoring, 'component');
    if (local === undefined) return [];
    const found: ComponentCall[] = [];
    const names = new Map<Node, string>([...this.constants].map(([name, init]) => [init, name]));
    for (const statement of this.statements) {
      let depth = 0;
      walk(statement, {
        enter: (node) => {
          if (isFunction(node)) depth++;
          if (node.type !== 'CallExpression') return;
          const isGeneric = isGenericCall(node.callee, local);
          if (!isGeneric && !(node.callee.type === 'Identifier' && node.callee.name === local)) return;
          const given = node.arguments[1] as Expression | undefined;
          const make = isGeneric && given?.type === 'ArrowFunctionExpression' ? given : undefined;
          const record = isGeneric ? make && definitionOf(make) : given;
          // In a function it may use what is declared there.
          const definition = depth === 0 && record ? new Definition(record as Placed, this, make) : undefined;
          found.push({
            node: node as Placed<CallExpression>,
            local: names.get(node),
            isDefault: statement.type === 'ExportDefaultDeclaration' && statement.declaration === node,
            isGeneric,
            statement,
            definition,
          });
        },
        leave(node) {
          if (isFunction(node)) depth--;
        },
      });
    }
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

/** The record behind `(item) => definition({ … })`, also where the function declares something before it returns that. */
function definitionOf({ body }: ArrowFunctionExpression): Expression | undefined {
  const statements = body.type === 'BlockStatement' ? body.body : [];
  // Whatever else it does may have it return something else.
  if (!statements.slice(0, -1).every(({ type }) => type.endsWith('Declaration'))) return undefined;
  const last = statements.at(-1);
  const made = last?.type === 'ReturnStatement' ? last.argument : body;
  return made?.type === 'CallExpression' ? (made.arguments[0] as Expression | undefined) : undefined;
}
