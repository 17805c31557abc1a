import { walk } from 'estree-walker';
import MagicString from 'magic-string';
import type { Plugin } from 'vite';
import { isOfInterest, ModuleCode } from '../ahead/module.js';
import type { Placed } from '../ahead/names.js';
import { componentPackages, isOwnModule } from '../ahead/packages.js';
import { readCode } from './read-code.js';

const reader = 'zesty-lattice/markup';
const door = 'zesty-lattice/vite/texts';

/**
 * Brings the reader of template texts into a page: while developing wherever elements are registered or HTML text is
 * rendered, in a build exactly where a template is a text that is left to read.
 */
export function texts(): Plugin {
  let packages: readonly string[] = [];
  let isBuild = false;

  return {
    name: 'zesty-lattice:texts',

    configResolved({ command, root }) {
      packages = componentPackages(root);
      isBuild = command === 'build';
    },

    transform(code, id) {
      if (this.environment.config.consumer !== 'client' || !isOwnModule(id, packages) || !isOfInterest(code))
        return undefined;
      const tree = readCode(this, code);
      if (!tree) return undefined;
      const module = new ModuleCode(code, tree);
      const changed = new MagicString(code);
      if (isBuild) handThrough(changed, module);
      else if (
        module.imports.some(({ source }) => /^zesty-lattice\/(?:elements|html)$/.test(String(source.value)))
      )
        changed.prepend(`import '${reader}';\n`);
      if (!changed.hasChanged()) return undefined;
      return { code: changed.toString(), map: changed.generateMap({ hires: 'boundary' }) };
    },
  };
}

/** Hands a module's template texts through the function that brings their reader. */
function handThrough(changed: MagicString, module: ModuleCode): void {
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
