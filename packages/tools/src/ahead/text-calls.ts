import { dirname, resolve } from 'node:path';
import { type Node, walk } from 'estree-walker';

const door = 'zesty-lattice/markup';

/** A call of `markupFile`, and the file it names. */
export interface TextCall {
  readonly start: number;
  readonly end: number;
  readonly file: string;
}

/** What a module calls `markupFile` with, and where its import stands, with what is to come in its place. */
export interface TextCalls {
  readonly calls: readonly TextCall[];
  readonly import: { readonly start: number; readonly end: number; readonly others: string };
}

/**
 * The files that a module names with `markupFile`; undefined where it takes no such function from the library.
 *
 * @param refuse what is said of a path that is not written out
 */
export function textCalls(
  tree: unknown,
  id: string,
  refuse: (message: string, at: number) => never,
): TextCalls | undefined {
  const local = importedName(tree);
  if (local === undefined) return undefined;
  const calls = callsOf(tree, local, (at) =>
    refuse(
      'markupFile expects import.meta.url and a path as a literal, such as markupFile(import.meta.url, "./card.html").',
      at,
    ),
  );
  const folder = dirname(id.replace(/\?.*$/, ''));
  const [start, end] = importRange(tree);
  return {
    calls: calls.map(({ path, ...place }) => ({ ...place, file: resolve(folder, path) })),
    import: { start, end, others: otherImports(tree) },
  };
}

interface Call {
  readonly start: number;
  readonly end: number;
  readonly path: string;
}

type Program = Node & { readonly body: readonly Node[] };

/** Where a node stands: what the parser tells of each, and the type of a plain syntax tree does not. */
function rangeOf(node: object): [start: number, end: number] {
  const { start = 0, end = 0 } = node as { readonly start?: number; readonly end?: number };
  return [start, end];
}

function doorImport(tree: unknown): (Node & { type: 'ImportDeclaration' }) | undefined {
  const { body } = tree as Program;
  return body.find(
    (node): node is Node & { type: 'ImportDeclaration' } =>
      node.type === 'ImportDeclaration' && node.source.value === door,
  );
}

function importedName(tree: unknown): string | undefined {
  for (const one of doorImport(tree)?.specifiers ?? []) {
    if (one.type === 'ImportSpecifier' && 'name' in one.imported && one.imported.name === 'markupFile')
      return one.local.name;
  }
  return undefined;
}

function importRange(tree: unknown): [number, number] {
  return rangeOf(doorImport(tree) ?? {});
}

/** What else a module takes from the door, as an import of its own. */
function otherImports(tree: unknown): string {
  const names = (doorImport(tree)?.specifiers ?? []).flatMap((one) => {
    if (one.type !== 'ImportSpecifier' || !('name' in one.imported) || one.imported.name === 'markupFile')
      return [];
    return one.imported.name === one.local.name
      ? [one.local.name]
      : [`${one.imported.name} as ${one.local.name}`];
  });
  return names.length === 0 ? '' : `import { ${names.join(', ')} } from ${JSON.stringify(door)};`;
}

function callsOf(tree: unknown, local: string, refuse: (at: number) => never): readonly Call[] {
  const calls: Call[] = [];
  walk(tree as Node, {
    enter(node) {
      if (node.type !== 'CallExpression' || node.callee.type !== 'Identifier' || node.callee.name !== local)
        return;
      const [start, end] = rangeOf(node);
      const [module, path] = node.arguments;
      const isHere = module?.type === 'MemberExpression' && module.object.type === 'MetaProperty';
      if (!isHere || path?.type !== 'Literal' || typeof path.value !== 'string') return refuse(start);
      calls.push({ start, end, path: path.value });
    },
  });
  return calls;
}
