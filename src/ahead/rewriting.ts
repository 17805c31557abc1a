import { type Node, walk } from 'estree-walker';
import type MagicString from 'magic-string';
import type { ComponentCore } from '../component/index.js';
import { NotWritten, own } from '../elements/code/index.js';
import type { ModuleCode } from './module.js';
import type { Placed } from './names.js';
import { sharedLines, suffix, type Writing } from './writing.js';

/**
 * Puts the elements of components where a module makes the components; others may share what they need. Gives the
 * calls that it wrote over, by where they start.
 */
export function writeInto(
  changed: MagicString,
  module: ModuleCode,
  cores: ReadonlyMap<number, ComponentCore>,
  writing: Writing,
  isShared: boolean,
): ReadonlySet<number> {
  const names = new Set<string>();
  const imports = new Map<string, Set<string>>();
  const isWritten = new Set<number>();
  for (const [at, { node }] of module.components.entries()) {
    const core = cores.get(at);
    const written = core && writing.write(core);
    if (!written || written instanceof NotWritten) continue;
    isWritten.add(at);
    changed.overwrite(node.start, node.end, written.code);
    for (const name of written.names) names.add(`${name} as ${own}${name}`);
    for (const [file, taken] of written.imports)
      imports.set(file, new Set([...(imports.get(file) ?? []), ...taken]));
  }
  // Texts that are written out need no reader in the page.
  if (isWritten.size === module.components.length)
    for (const { end, source, specifiers, start } of module.imports)
      if (source.value === 'zesty-lattice/markup' && specifiers.length === 0) changed.remove(start, end);
  if ([...cores].some(([, { styles }]) => styles !== '')) names.add(`sheet as ${own}sheet`);
  const lines = [
    `import { ${[...names].join(', ')} } from 'zesty-lattice/runtime';`,
    ...[...imports].map(
      ([file, taken]) => `import { ${[...taken].join(', ')} } from ${JSON.stringify(file + suffix)};`,
    ),
    ...sharedLines(module, cores, (at) => isWritten.has(at), isShared),
  ];
  changed.prepend(`${lines.join('\n')}\n`);
  return new Set([...isWritten].map((at) => module.components[at]?.node.start ?? -1));
}

/** Lets what a module makes with the library go where nothing uses it: making it changes nothing else. */
export function loosen(changed: MagicString, module: ModuleCode, written: ReadonlySet<number>): void {
  for (const statement of module.program.body) {
    const declaration = statement.type === 'ExportNamedDeclaration' ? statement.declaration : statement;
    if (declaration?.type !== 'VariableDeclaration' || declaration.kind !== 'const') continue;
    for (const { init } of declaration.declarations) {
      if (!init || !isOurs(init, module)) continue;
      const { start, end } = init as Placed;
      if (written.has(start)) continue;
      changed.appendRight(start, '/* @__PURE__ */ (() => ').prependLeft(end, ')()');
    }
  }
}

/** Whether an expression is a call of something that the library's authoring door gives. */
function isOurs(init: Node, module: ModuleCode): boolean {
  if (init.type !== 'CallExpression') return false;
  let root: Node = init;
  while (root.type === 'CallExpression' || root.type === 'MemberExpression')
    root = root.type === 'CallExpression' ? root.callee : root.object;
  if (root.type !== 'Identifier' || module.importOf(root.name)?.declaration.source.value !== 'zesty-lattice')
    return false;
  let waits = false;
  walk(init, {
    enter(node) {
      if (node.type === 'AwaitExpression') waits = true;
    },
  });
  return !waits;
}
