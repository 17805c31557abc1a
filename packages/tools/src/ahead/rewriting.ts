import { type Node, walk } from 'estree-walker';
import type MagicString from 'magic-string';
import type { ComponentCore } from 'zesty-lattice/internal/component';
import { NotWritten, own } from 'zesty-lattice/internal/elements';
import { isWorkedOut } from './authored.js';
import type { ModuleCode } from './module.js';
import { isFunction, type Placed, rootOf } from './names.js';
import { authoredLines, componentName, linesFor, linesForDefinition, type Writing } from './writing.js';

/**
 * Puts the elements of components beside the components, in the module that makes them: whoever registers one takes
 * them, whoever renders one takes the component, and a bundler leaves out what nobody takes.
 *
 * @param isShared whether other modules may take them; those of a build's entry would be its own exports
 */
export function writeBeside(
  changed: MagicString,
  module: ModuleCode,
  cores: ReadonlyMap<number, ComponentCore>,
  writing: Writing,
  isShared: boolean,
): void {
  const constant = isShared ? 'export const' : 'const';
  const names = new Set<string>();
  const imports = new Map<string, Set<string>>();
  const put = (statement: Placed, isBefore: boolean, lines: readonly string[]): void => {
    if (lines.length === 0) return;
    const text = lines.map((line) => `${constant} ${line}\n`).join('');
    if (isBefore) changed.appendRight(statement.start, text);
    else changed.appendLeft(statement.end, `\n${text}`);
  };
  for (const [at, { local, isDefault, statement }] of module.components.entries()) {
    const core = cores.get(at);
    const written = core && writing.write(core);
    const lines = [...linesFor(module, at, core)];
    if (core && core.styles !== '' && lines.length > 0) names.add('sheet');
    if (written && !(written instanceof NotWritten)) {
      lines.push(`${componentName(at)} = ${written.code};`);
      for (const name of written.names) names.add(name);
      for (const [file, taken] of written.imports)
        imports.set(file, new Set([...(imports.get(file) ?? []), ...taken]));
    }
    // What is handed to a call right where it is made has to be there before that call.
    put(statement, local === undefined && !isDefault, lines);
  }
  for (const [local, statement] of statementsOf(module))
    if (isShared) put(statement, false, linesForDefinition(module, local));
  const head = [
    ...(names.size > 0
      ? [
          `import { ${[...names].map((name) => `${name} as ${own}${name}`).join(', ')} } from 'zesty-lattice/internal/runtime';`,
        ]
      : []),
    ...[...imports].map(
      ([file, taken]) => `import { ${[...taken].join(', ')} } from ${JSON.stringify(file)};`,
    ),
  ];
  head.push(...authoredLines(module).map((line) => `${constant} ${line}`));
  if (head.length > 0) changed.prepend(`${head.join('\n')}\n`);
}

/** The statements in which a module makes definitions that stand apart. */
function* statementsOf(module: ModuleCode): Generator<[local: string, statement: Placed]> {
  for (const local of module.definitions.keys()) {
    const init = module.constants.get(local);
    const statement = module.statements.find(
      ({ end, start }) => init && start <= init.start && end >= init.end,
    );
    if (statement) yield [local, statement];
  }
}

/**
 * Lets what a module makes with the library go where nothing uses it: making it changes nothing else.
 *
 * @param isMade whether something imported is a component or the like, so that calling it only makes a use
 */
export function loosen(changed: MagicString, module: ModuleCode, isMade: (local: string) => boolean): void {
  const ours = new Set<string>();
  for (const [local, init] of module.constants) {
    if (!isOurs(init, module, (name) => ours.has(name) || isMade(name))) continue;
    ours.add(local);
    wrap(changed, init);
  }
  for (const statement of module.program.body) {
    if (statement.type !== 'ExportDefaultDeclaration') continue;
    const made = statement.declaration as Placed;
    if (isOurs(made, module, (name) => ours.has(name) || isMade(name))) wrap(changed, made);
  }
}

function wrap(changed: MagicString, { end, start }: Placed): void {
  // In brackets: a record behind an arrow would be a block of statements.
  changed.appendRight(start, '/* @__PURE__ */ (() => (').prependLeft(end, '))()');
}

/**
 * Whether an expression is a call of something that the library's authoring door gives, or that was made with it; or a
 * list or record of such.
 */
function isOurs(init: Node, module: ModuleCode, isMade: (name: string) => boolean): boolean {
  if (init.type === 'ArrayExpression' || init.type === 'ObjectExpression') {
    const parts: readonly (Node | null)[] = init.type === 'ArrayExpression' ? init.elements : init.properties;
    const values = parts.flatMap((one) =>
      one === null
        ? []
        : one.type === 'Property'
          ? [one.value]
          : one.type === 'SpreadElement'
            ? [one.argument]
            : [one],
    );
    const ours = values.filter((one) => isOurs(one, module, isMade));
    return ours.length > 0 && values.every((one) => ours.includes(one) || !isWorkedOut(one));
  }
  if (init.type !== 'CallExpression') return false;
  const root = rootOf(init);
  if (root === undefined) return false;
  const from = module.importOf(root)?.declaration.source.value;
  if (from !== 'zesty-lattice' && !isMade(root)) return false;
  let waits = false;
  walk(init, {
    enter(node) {
      if (isFunction(node)) return this.skip();
      if (node.type === 'AwaitExpression') waits = true;
    },
  });
  return !waits;
}
