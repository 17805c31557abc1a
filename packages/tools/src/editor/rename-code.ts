import {
  type CodeNode,
  codeOf,
  definitionsOf,
  eachNode,
  fieldsOf,
  isNamed,
  type Modules,
  makes,
  type NamedInCode,
  namesInCode,
  variablesOf,
} from './module-code.js';
import type { TextEdit } from './text-edit.js';

/** Where a prop is declared in a module; undefined where it is not, or not as a field of `props: { … }`. */
export function declaredIn(text: string, component: NamedInCode, prop: string): TextEdit | undefined {
  const tree = codeOf(text);
  const field = tree && declarationIn(tree, component.name, prop);
  const key = field?.key as CodeNode | undefined;
  return key && { from: key.start, to: key.end, text: prop };
}

/** Gives a prop another name in a module: where it is declared, where its component reads it, and at all its uses. */
export function renamedInCode(
  text: string,
  file: string,
  component: NamedInCode,
  prop: string,
  to: string,
  modules: Modules,
): readonly TextEdit[] {
  const tree = codeOf(text);
  if (!tree) return [];
  const edits = new Map<number, TextEdit>();
  const rename = (node: unknown): void => {
    const { end, start } = node as CodeNode;
    edits.set(start, { from: start, to: end, text: to });
  };
  const field = (one: CodeNode | undefined): void => {
    if (!one) return;
    const { end, start } = one.key as CodeNode;
    if (one.shorthand === true) edits.set(start, { from: start, to: end, text: `${to}: ${prop}` });
    else rename(one.key);
  };
  if (file === component.file) {
    field(declarationIn(tree, component.name, prop));
    for (const one of definitionsOf(tree, component.name)) reads(one, prop, rename, field);
  }
  const names = namesInCode(tree, file, component, modules);
  const isIt = (node: CodeNode | undefined): boolean =>
    node?.type === 'Identifier' && names.has(String(node.name));
  eachNode(tree, (node) => {
    if (node.type !== 'CallExpression' || makes(node, component.name)) return;
    const args = node.arguments as readonly CodeNode[];
    if (isIt(node.callee as CodeNode)) field(fieldsOf(args[0]).get(prop));
    // renderHtml(Card, { … }) and whatever else takes a component and its props.
    for (const [index, arg] of args.entries()) if (isIt(arg)) field(fieldsOf(args[index + 1]).get(prop));
  });
  return [...edits.values()];
}

/** The field of `props: { … }` that declares a prop. */
function declarationIn(tree: CodeNode, name: string, prop: string): CodeNode | undefined {
  const variables = variablesOf(tree);
  for (const definition of definitionsOf(tree, name)) {
    const value = fieldsOf(definition).get('props')?.value as CodeNode | undefined;
    const props = value?.type === 'Identifier' ? variables.get(String(value.name)) : value;
    const found = fieldsOf(props).get(prop);
    if (found) return found;
  }
  return undefined;
}

/** Finds what in a definition reads a prop: `props.title`, `({ props: { title } })`, the first state, a reaction. */
function reads(
  definition: CodeNode,
  prop: string,
  rename: (key: unknown) => void,
  field: (one: CodeNode | undefined) => void,
): void {
  const parts = fieldsOf(definition);
  const accepts = parts.get('accepts')?.value as CodeNode | undefined;
  if (accepts?.value === prop) rename({ start: accepts.start + 1, end: accepts.end - 1 });
  field(fieldsOf(parts.get('reactions')?.value).get(prop));
  const state = (parts.get('state')?.value as { readonly params?: readonly CodeNode[] } | undefined)
    ?.params?.[0];
  field(fieldsOf(state).get(prop));
  const stateName = state?.type === 'Identifier' ? String(state.name) : 'props';
  const isProps = (node: CodeNode, within: CodeNode): boolean =>
    isNamed(node, 'props') ||
    (node.type === 'MemberExpression' && isNamed(node.property, 'props')) ||
    (within === parts.get('state') && isNamed(node, stateName));
  for (const [name, part] of parts) {
    if (name === 'props') continue;
    eachNode(part, (node) => {
      if (node.type === 'MemberExpression' && node.computed !== true && isNamed(node.property, prop)) {
        if (isProps(node.object as CodeNode, part)) rename(node.property);
      } else if (node.type === 'ObjectPattern') field(fieldsOf(fieldsOf(node).get('props')?.value).get(prop));
      else if (node.type === 'VariableDeclarator' && node.init && isProps(node.init as CodeNode, part))
        field(fieldsOf(node.id).get(prop));
    });
  }
}
