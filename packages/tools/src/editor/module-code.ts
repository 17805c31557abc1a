import { dirname, resolve } from 'node:path';
import { parse } from '@babel/parser';
import { walk } from 'estree-walker';

/** A node of a module's syntax tree (https://github.com/estree/estree), as far as it is read here. */
export interface CodeNode {
  readonly type: string;
  readonly start: number;
  readonly end: number;
  readonly [part: string]: unknown;
}

/** A component, as its module and others know it. */
export interface NamedInCode {
  readonly name: string;
  readonly exportName: string;
  readonly file: string;
}

/** A module's syntax tree; undefined where it cannot be read, as while one types. */
export function codeOf(text: string): CodeNode | undefined {
  try {
    const { program } = parse(text, { sourceType: 'module', plugins: ['typescript', 'estree'] });
    return program as unknown as CodeNode;
  } catch {
    return undefined;
  }
}

/** Calls `see` for a node and all in it. */
export function eachNode(tree: CodeNode, see: (node: CodeNode, parent: CodeNode | null) => void): void {
  walk(tree as never, { enter: (node, parent) => see(node as never, parent as never) });
}

export function isNamed(node: unknown, name: string): boolean {
  return (node as CodeNode | undefined)?.type === 'Identifier' && (node as CodeNode).name === name;
}

/** The fields of a record, by their names; a key that is worked out has none. */
export function fieldsOf(node: unknown): ReadonlyMap<string, CodeNode> {
  const { properties, type } = (node ?? {}) as CodeNode;
  if (type !== 'ObjectExpression' && type !== 'ObjectPattern') return new Map();
  return new Map(
    (properties as readonly CodeNode[])
      .filter((one) => one.type === 'Property' && one.computed !== true)
      .map((one) => [propertyName(one), one]),
  );
}

function propertyName({ key }: CodeNode): string {
  const { name, value } = key as { readonly name?: string; readonly value?: unknown };
  return name ?? String(value);
}

/** What variables of a module stand for, and where they are declared. */
export function variablesOf(tree: CodeNode): ReadonlyMap<string, CodeNode> {
  const found = new Map<string, CodeNode>();
  eachNode(tree, (node) => {
    const id = node.type === 'VariableDeclarator' ? (node.id as CodeNode) : undefined;
    if (id?.type === 'Identifier' && node.init) found.set(String(id.name), node.init as CodeNode);
  });
  return found;
}

/** Whether a call makes the component of that name. */
export function makes(node: CodeNode, name: string): boolean {
  if (node.type !== 'CallExpression') return false;
  const callee = node.callee as CodeNode;
  const isComponent =
    isNamed(callee, 'component') ||
    (callee.type === 'MemberExpression' &&
      isNamed(callee.object, 'component') &&
      isNamed(callee.property, 'generic'));
  const [first] = node.arguments as readonly CodeNode[];
  return isComponent && first?.type === 'Literal' && first.value === name;
}

/** The records that a component's definition is written in: at the call, in a function there, or apart and spread. */
export function definitionsOf(tree: CodeNode, name: string): readonly CodeNode[] {
  const variables = variablesOf(tree);
  const found: CodeNode[] = [];
  const add = (node: CodeNode | undefined): void => {
    if (!node || found.includes(node)) return;
    if (node.type === 'Identifier') return add(variables.get(String(node.name)));
    if (node.type === 'CallExpression' && isNamed(node.callee, 'definition'))
      return add((node.arguments as readonly CodeNode[])[0]);
    if (node.type === 'ArrowFunctionExpression' || node.type === 'FunctionExpression')
      return eachNode(node, (inner) => {
        if (inner.type === 'CallExpression' && isNamed(inner.callee, 'definition')) add(inner);
      });
    if (node.type !== 'ObjectExpression') return;
    found.push(node);
    for (const one of node.properties as readonly CodeNode[])
      if (one.type === 'SpreadElement') add(one.argument as CodeNode);
  };
  eachNode(tree, (node) => {
    if (makes(node, name)) add((node.arguments as readonly CodeNode[])[1]);
  });
  return found;
}

/** Modules of a project by their paths, as far as their texts are at hand. */
export type Modules = ReadonlyMap<string, string>;

/** What a module calls a component: the variable that it makes, or the name that it imports it by. */
export function namesInCode(
  tree: CodeNode,
  file: string,
  component: NamedInCode,
  modules: Modules,
): ReadonlySet<string> {
  const names = new Set<string>();
  eachNode(tree, (node) => {
    const init = node.type === 'VariableDeclarator' ? (node.init as CodeNode | null) : null;
    if (init && makes(init, component.name) && file === component.file)
      names.add(String((node.id as CodeNode).name));
    if (node.type !== 'ImportDeclaration') return;
    const from = String((node.source as CodeNode).value);
    for (const one of node.specifiers as readonly CodeNode[]) {
      const imported =
        one.type === 'ImportSpecifier'
          ? propertyName({ ...one, key: one.imported })
          : one.type === 'ImportDefaultSpecifier'
            ? 'default'
            : undefined;
      if (imported !== undefined && leadsTo(component, file, from, imported, modules, new Set()))
        names.add(String((one.local as CodeNode).name));
    }
  });
  return names;
}

/** Whether what a module imports by a name is the component: made there, or passed on from where it is. */
function leadsTo(
  component: NamedInCode,
  file: string,
  from: string,
  name: string,
  modules: Modules,
  seen: Set<string>,
): boolean {
  // Of a package, or a path with a meaning of the project's own, the name is all that is known.
  if (!from.startsWith('.')) return name === component.exportName;
  const stem = stemOf(resolve(dirname(file), from));
  if (stem === stemOf(component.file)) return name === component.exportName;
  const found = [...modules].find(([path]) => [stem, `${stem}/index`].includes(stemOf(path)));
  const tree = found && !seen.has(found[0]) ? codeOf(found[1]) : undefined;
  if (!found || !tree) return false;
  seen.add(found[0]);
  return (tree.body as readonly CodeNode[]).some((node) => {
    const source = node.source ? String((node.source as CodeNode).value) : undefined;
    if (source === undefined) return false;
    if (node.type === 'ExportAllDeclaration')
      return leadsTo(component, found[0], source, name, modules, seen);
    return (
      node.type === 'ExportNamedDeclaration' &&
      (node.specifiers as readonly CodeNode[]).some(
        (one) =>
          propertyName({ ...one, key: one.exported }) === name &&
          leadsTo(component, found[0], source, propertyName({ ...one, key: one.local }), modules, seen),
      )
    );
  });
}

const stemOf = (path: string): string => path.replace(/\.[cm]?[jt]sx?$/, '');
