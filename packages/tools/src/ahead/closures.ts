import type { VariableDeclarator } from 'estree';
import { type Node, walk } from 'estree-walker';
import { declaredIn, type Placed, readIn } from './names.js';

/** A function that a template hands to `calc`. */
export interface Closure {
  readonly node: Placed;
  /** The constants of its template that it uses, each after those that it is made of. */
  readonly constants: readonly Placed<VariableDeclarator>[];
  /** What keeps it from standing outside its template: something that the template works out as it runs. */
  readonly uses: string | undefined;
}

/** The functions handed to `calc` in a template, in the order they are written; `around` is what declares names for it. */
export function closuresIn(
  template: Node | undefined,
  calc: string | undefined,
  around: Node = template as Node,
): readonly Closure[] {
  if (!template || calc === undefined) return [];
  const found: Placed[] = [];
  walk(template, {
    enter(node) {
      if (node.type !== 'CallExpression' || node.callee.type !== 'Identifier' || node.callee.name !== calc)
        return;
      const last = node.arguments.at(-1);
      if (last) found.push(last as Placed);
    },
  });
  // In the order they are written, whichever call holds which.
  found.sort((a, b) => a.start - b.start);
  return found.map((node) => closureOf(node, around));
}

function closureOf(node: Placed, around: Node): Closure {
  const outside = declaredIn(around, node);
  const declarators = declaratorsIn(around);
  const constants: Placed<VariableDeclarator>[] = [];
  let uses: string | undefined;
  const follow = (code: Node, above: ReadonlySet<string>): void => {
    const own = declaredIn(code);
    for (const name of readIn(code)) {
      if (!outside.has(name) || own.has(name)) continue;
      const [one, ...more] = declarators.get(name) ?? [];
      if (constants.some((other) => other === one)) continue;
      if (!one?.init || more.length > 0 || above.has(name) || !isConstant(one.init)) {
        uses ??= name;
        continue;
      }
      follow(one.init, new Set([...above, name]));
      constants.push(one);
    }
  };
  follow(node, new Set());
  return { node, constants, uses };
}

/** What declares names as constants, by the names: one that is declared twice may be either. */
function declaratorsIn(code: Node): ReadonlyMap<string, readonly (Placed<VariableDeclarator> | undefined)[]> {
  const found = new Map<string, (Placed<VariableDeclarator> | undefined)[]>();
  const add = (name: string, one: Placed<VariableDeclarator> | undefined): void => {
    found.set(name, [...(found.get(name) ?? []), one]);
  };
  walk(code, {
    enter(node) {
      if (node.type !== 'VariableDeclaration') return;
      for (const one of node.declarations)
        if (one.id.type === 'Identifier')
          add(one.id.name, node.kind === 'const' ? (one as Placed<VariableDeclarator>) : undefined);
    },
  });
  return found;
}

/** Whether an expression comes to the same wherever and whenever it is worked out, if the names in it do. */
function isConstant(init: Node): boolean {
  let isSame = true;
  walk(init, {
    enter(node) {
      if (/Function/.test(node.type)) return this.skip();
      if (
        /^(?:Call|New|Await|Yield|Assignment|Update|TaggedTemplate|Import|Class|This|Super|Chain)/.test(
          node.type,
        )
      )
        isSame = false;
    },
  });
  return isSame;
}
