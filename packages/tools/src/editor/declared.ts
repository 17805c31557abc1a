import { type CodeNode, codeOf, definitionsOf, eachNode, fieldsOf, makes } from './module-code.js';

/** What of a component's definition a word is declared in. */
export type DeclaredIn = 'component' | 'props' | 'slots' | 'state' | 'handlers' | 'helpers' | 'events';

/** Where a word is declared in a module's text; undefined where that cannot be told. */
export function declarationOf(
  text: string,
  component: string,
  part: DeclaredIn,
  word: string,
): { readonly from: number; readonly to: number } | undefined {
  const tree = codeOf(text);
  if (!tree) return undefined;
  if (part === 'component') {
    let found: CodeNode | undefined;
    eachNode(tree, (node) => {
      if (makes(node, component)) found ??= (node.arguments as readonly CodeNode[])[0];
    });
    return found && { from: found.start + 1, to: found.end - 1 };
  }
  for (const definition of definitionsOf(tree, component)) {
    const value = fieldsOf(definition).get(part)?.value as CodeNode | undefined;
    const key = value && keyIn(value, word, tree);
    if (key) return { from: key.start, to: key.end };
  }
  return undefined;
}

/** The key of a field: of a record, of a variable that is one, or of one that a function gives. */
function keyIn(value: CodeNode, word: string, tree: CodeNode): CodeNode | undefined {
  if (value.type === 'Identifier') {
    let init: CodeNode | undefined;
    eachNode(tree, (node) => {
      const isIt = node.type === 'VariableDeclarator' && (node.id as CodeNode).name === value.name;
      if (isIt && node.init) init ??= node.init as CodeNode;
    });
    return init && init.type !== 'Identifier' ? keyIn(init, word, tree) : undefined;
  }
  const own = fieldsOf(value).get(word)?.key as CodeNode | undefined;
  if (own || value.type === 'ObjectExpression') return own;
  let found: CodeNode | undefined;
  eachNode(value, (node) => {
    if (node.type === 'ObjectExpression') found ??= fieldsOf(node).get(word)?.key as CodeNode | undefined;
  });
  return found;
}
