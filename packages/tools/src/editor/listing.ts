import { dirname, relative } from 'node:path';
import type { ComponentFacts } from '../reading/facts.js';
import { type CodeNode, codeOf, definitionsOf, fieldsOf, namesInCode } from './module-code.js';
import type { TextEdit } from './text-edit.js';

/**
 * Lists a component in the `uses` of another one, and imports it where it comes from another module.
 *
 * @param text the module of the component whose template names the other one's tag
 * @returns nothing where the module's definition cannot be found
 */
export function listed(text: string, owner: ComponentFacts, used: ComponentFacts): readonly TextEdit[] {
  const tree = codeOf(text);
  const definition = tree && definitionsOf(tree, owner.name)[0];
  if (!tree || !definition) return [];
  const [known] = namesInCode(tree, owner.file, used, new Map());
  const name = known ?? (used.exportName === 'default' ? pascal(used.name) : used.exportName);
  const edit = inUses(text, definition, name);
  if (!edit) return [];
  return known === undefined ? [importOf(text, tree, owner, used, name), edit] : [edit];
}

function inUses(text: string, definition: CodeNode, name: string): TextEdit | undefined {
  const fields = fieldsOf(definition);
  const uses = fields.get('uses')?.value as CodeNode | undefined;
  if (uses) {
    if (uses.type !== 'ArrayExpression') return undefined;
    const last = (uses.elements as readonly CodeNode[]).at(-1);
    const at = last?.end ?? uses.start + 1;
    return { from: at, to: at, text: last ? `, ${name}` : name };
  }
  const template = fields.get('template');
  if (!template) return undefined;
  const indent = /[^\S\n]*$/.exec(text.slice(0, template.start))?.[0] ?? '';
  const isAlone = text[template.start - indent.length - 1] === '\n';
  const separator = isAlone ? `\n${indent}` : ' ';
  return { from: template.start, to: template.start, text: `uses: [${name}],${separator}` };
}

/** An import behind the last one, with the ending that the module's own imports have. */
function importOf(
  text: string,
  tree: CodeNode,
  owner: ComponentFacts,
  used: ComponentFacts,
  name: string,
): TextEdit {
  const imports = (tree.body as readonly CodeNode[]).filter(({ type }) => type === 'ImportDeclaration');
  const sources = imports.map(({ source }) => String((source as CodeNode).value));
  const ending = sources
    .map((one) => /^\.[^?]*?(\.[cm]?[jt]s)$/.exec(one)?.[1])
    .find((one) => one !== undefined);
  const stem = relative(dirname(owner.file), used.file)
    .replaceAll('\\', '/')
    .replace(/\.[cm]?[jt]s$/, '');
  const from = `${stem.startsWith('.') ? '' : './'}${stem}${ending ?? '.js'}`;
  const names = used.exportName === 'default' ? name : `{ ${name} }`;
  const line = `import ${names} from ${quoteOf(text)}${from}${quoteOf(text)};`;
  const last = imports.at(-1);
  return last ? { from: last.end, to: last.end, text: `\n${line}` } : { from: 0, to: 0, text: `${line}\n` };
}

/** The quotes that the module's imports stand in. */
const quoteOf = (text: string): string => /\bfrom\s*(['"])/.exec(text)?.[1] ?? "'";

const pascal = (tag: string): string =>
  tag.replace(/(?:^|-)(\w)/g, (_whole, letter: string) => letter.toUpperCase());
