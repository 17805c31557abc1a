import { type Node, walk } from 'estree-walker';

/** A node of a parsed module, with where it stands in it. */
export type Placed<N extends Node = Node> = N & { readonly start: number; readonly end: number };

/** The names that a piece of code declares, anywhere in it but in one part that may be left out. */
export function declaredIn(code: Node, but?: Node): ReadonlySet<string> {
  const names = new Set<string>();
  walk(code, {
    enter(node) {
      if (node === but) return this.skip();
      if (node.type === 'VariableDeclarator') patternNames(node.id, names);
      else if (node.type === 'CatchClause' && node.param) patternNames(node.param, names);
      else if (isFunction(node)) {
        if ('id' in node && node.id) names.add(node.id.name);
        for (const param of node.params) patternNames(param, names);
      } else if ((node.type === 'ClassDeclaration' || node.type === 'ClassExpression') && node.id)
        names.add(node.id.name);
    },
  });
  return names;
}

/** Whether a node is a function, however it is written. */
export function isFunction(
  node: Node,
): node is Extract<Node, { type: 'FunctionDeclaration' | 'FunctionExpression' | 'ArrowFunctionExpression' }> {
  return /^(Arrow)?Function/.test(node.type);
}

/** The name that a chain of calls and members begins with. */
export function rootOf(code: Node): string | undefined {
  let root = code;
  while (root.type === 'CallExpression' || root.type === 'MemberExpression')
    root = root.type === 'CallExpression' ? root.callee : root.object;
  return root.type === 'Identifier' ? root.name : undefined;
}

/** How often a module declares a name, in itself or in one of its functions. */
export function countDeclared(program: Node, name: string): number {
  let count = 0;
  const note = (pattern: Node | null | undefined): void => {
    if (pattern && namesOf(pattern).has(name)) count++;
  };
  walk(program, {
    enter(node) {
      if (node.type === 'VariableDeclarator') note(node.id);
      else if (node.type === 'CatchClause') note(node.param);
      else if (/^Import\w*Specifier$/.test(node.type)) note((node as { local?: Node }).local);
      else if (node.type === 'FunctionDeclaration' || node.type === 'ClassDeclaration') note(node.id);
      if (isFunction(node)) for (const param of node.params) note(param);
    },
  });
  return count;
}

/** The names that a pattern declares or sets. */
export function namesOf(pattern: Node): ReadonlySet<string> {
  const names = new Set<string>();
  patternNames(pattern, names);
  return names;
}

function patternNames(pattern: Node, names: Set<string>): void {
  switch (pattern.type) {
    case 'Identifier':
      names.add(pattern.name);
      break;
    case 'ObjectPattern':
      for (const one of pattern.properties)
        patternNames(one.type === 'Property' ? one.value : one.argument, names);
      break;
    case 'ArrayPattern':
      for (const one of pattern.elements) if (one) patternNames(one, names);
      break;
    case 'AssignmentPattern':
      patternNames(pattern.left, names);
      break;
    case 'RestElement':
      patternNames(pattern.argument, names);
      break;
  }
}

/** The names that a piece of code reads, whoever declares them. */
export function readIn(code: Node): ReadonlySet<string> {
  const names = new Set<string>();
  walk(code, {
    enter(node, parent, key) {
      if (node.type === 'Identifier' && !isKey(parent, key)) names.add(node.name);
    },
  });
  return names;
}

/** Whether an identifier only names a field, a label or the like where it stands, and reads nothing. */
export function isKey(parent: Node | null, key: string | number | symbol | null | undefined): boolean {
  switch (parent?.type) {
    case 'MemberExpression':
      return key === 'property' && !parent.computed;
    case 'Property':
      return key === 'key' && !parent.computed && !parent.shorthand;
    case 'MethodDefinition':
    case 'PropertyDefinition':
      return key === 'key' && !parent.computed;
    case 'ExportSpecifier':
      return key === 'exported';
    case 'LabeledStatement':
    case 'BreakStatement':
    case 'ContinueStatement':
    case 'ImportSpecifier':
    case 'MetaProperty':
      return true;
    default:
      return false;
  }
}
