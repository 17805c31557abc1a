import { walk } from 'estree-walker';
import type MagicString from 'magic-string';
import type { ModuleCode } from './module.js';
import type { Placed } from './names.js';

const reader = 'zesty-lattice/markup';
const door = 'zesty-lattice/internal/page-texts';

/** Hands a module's template texts through the function that brings their reader. */
export function handThrough(changed: MagicString, module: ModuleCode): void {
  const found = templatesIn(module);
  for (const { end, start } of found) changed.appendRight(start, '$lattice_reading(').prependLeft(end, ')');
  if (found.length > 0) changed.prepend(`import { reading as $lattice_reading } from '${door}';\n`);
  // An import for its effect alone stands for the same, where nothing else in the module could need it.
  const isAll = module.components.every(({ definition }) => definition?.own('template'));
  for (const { end, source, specifiers, start } of module.imports)
    if (source.value === reader && specifiers.length === 0 && isAll && module.components.length > 0)
      changed.remove(start, end);
}

/** What may be a text of the templates that a module declares. */
function templatesIn(module: ModuleCode): readonly Placed[] {
  const makers = ['component', 'definition'].map((name) => module.imported('zesty-lattice', name));
  const found = new Set<Placed>();
  walk(module.program, {
    enter(node) {
      if (node.type !== 'CallExpression') return;
      const callee = node.callee.type === 'MemberExpression' ? node.callee.object : node.callee;
      if (callee.type !== 'Identifier' || !makers.includes(callee.name)) return;
      for (const argument of node.arguments) {
        if (argument.type !== 'ObjectExpression') continue;
        for (const one of argument.properties) {
          if (one.type !== 'Property' || one.method || one.computed || one.shorthand) continue;
          const isTemplate = one.key.type === 'Identifier' && one.key.name === 'template';
          if (isTemplate && !/Function/.test(one.value.type)) found.add(one.value as Placed);
        }
      }
    },
  });
  return [...found];
}
