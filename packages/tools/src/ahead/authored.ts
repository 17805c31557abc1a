import type { CallExpression, VariableDeclarator } from 'estree';
import { type Node, walk } from 'estree-walker';
import { declaredIn, isFunction, namesOf, type Placed, readIn, rootOf } from './names.js';

/**
 * Something that an author handed to the library and that no plan can hold: a function for `calc`, a test of a kind, a
 * schema, a fallback, a function as a prop. A page has it from its module.
 */
export interface Authored {
  readonly node: Placed;
  /** What it was handed to. */
  readonly to: 'calc' | 'where' | 'schema' | 'fallback' | 'prop';
  /** The property that it is, where that is written as one word: `{ search }`. */
  readonly property: string | undefined;
  /** Whether it is what came of an expression as its module ran, such as a date of that moment. */
  readonly isWorkedOut: boolean;
  /** The constants of the functions around it that it uses, each after those that it is made of. */
  readonly constants: readonly Placed<VariableDeclarator>[];
  /** The parameters of the functions around it that it uses: known when what holds it is planned. */
  readonly captured: readonly string[];
  /** What keeps it from standing outside those functions: something that they work out as they run. */
  readonly uses: string | undefined;
}

/** The names that a module has for the library's functions. */
export interface AuthoringNames {
  readonly calc: string | undefined;
  readonly prop: string | undefined;
}

/** All of them in a module, in the order they are written. */
export function authoredIn(program: Node, { calc, prop }: AuthoringNames): readonly Authored[] {
  const found: Authored[] = [];
  const functions = functionsOf(program);
  const around: Node[] = [];
  walk(program, {
    enter(node) {
      if (isFunction(node)) around.push(node);
      if (node.type !== 'CallExpression') return;
      const { callee } = node;
      for (const { given, property } of functionProps(node, functions))
        found.push({ node: given, to: 'prop', property, isWorkedOut: false, ...reachOf(given, around[0]) });
      const isCalc = calc !== undefined && callee.type === 'Identifier' && callee.name === calc;
      const method =
        callee.type === 'MemberExpression' && !callee.computed && callee.property.type === 'Identifier'
          ? callee.property.name
          : '';
      const to = isCalc ? 'calc' : method;
      const given = isCalc ? node.arguments.at(-1) : node.arguments[0];
      if (!given || given.type === 'SpreadElement') return;
      if (to !== 'calc' && to !== 'where' && to !== 'schema' && to !== 'fallback') return;
      // Some other library's method of that name is left alone where that would change what it is given.
      const isOfKind = prop !== undefined && rootOf(callee) === prop;
      found.push({
        node: given as Placed,
        to,
        property: undefined,
        isWorkedOut: to === 'fallback' && isOfKind && !isFunction(given) && isWorkedOut(given),
        ...reachOf(given as Placed, around[0]),
      });
    },
    leave(node) {
      if (isFunction(node)) around.pop();
    },
  });
  return found.sort((a, b) => a.node.start - b.node.start);
}

/** The functions among the props of a use, or their names: of a call by a name with a capital, as components have. */
function functionProps(
  { arguments: [props], callee }: CallExpression,
  functions: ReadonlySet<string>,
): readonly { readonly given: Placed; readonly property: string | undefined }[] {
  const name = callee.type === 'MemberExpression' ? callee.property : callee;
  if (name.type !== 'Identifier' || !/^[A-Z]/.test(name.name) || props?.type !== 'ObjectExpression')
    return [];
  const isNamedOr = (value: Node): boolean =>
    isFunction(value) || (value.type === 'Identifier' && functions.has(value.name));
  return props.properties.flatMap((one) => {
    if (one.type !== 'Property' || one.computed || one.method || !isNamedOr(one.value)) return [];
    const { key, shorthand, value } = one;
    return [
      { given: value as Placed, property: shorthand && key.type === 'Identifier' ? key.name : undefined },
    ];
  });
}

/** The names of a module's own functions. */
function functionsOf(program: Node): ReadonlySet<string> {
  const statements = program.type === 'Program' ? program.body : [];
  return new Set(
    statements.flatMap((one): readonly string[] => {
      const node = one.type === 'ExportNamedDeclaration' ? one.declaration : one;
      if (node?.type === 'FunctionDeclaration') return node.id ? [node.id.name] : [];
      if (node?.type !== 'VariableDeclaration' || node.kind !== 'const') return [];
      return node.declarations.flatMap(({ id, init }) =>
        id.type === 'Identifier' && init && isFunction(init) ? [id.name] : [],
      );
    }),
  );
}

/** What something needs of the functions around it; `around` is the outermost of them. */
function reachOf(node: Placed, around: Node | undefined): Pick<Authored, 'captured' | 'constants' | 'uses'> {
  const constants: Placed<VariableDeclarator>[] = [];
  const captured: string[] = [];
  if (!around) return { captured, constants, uses: undefined };
  const outside = declaredIn(around, node);
  const declarators = declaratorsIn(around);
  const parameters = parametersAround(node, around);
  let uses: string | undefined;
  const follow = (code: Node, above: ReadonlySet<string>): void => {
    const own = declaredIn(code);
    for (const name of readIn(code)) {
      if (!outside.has(name) || own.has(name)) continue;
      const [one, ...more] = declarators.get(name) ?? [];
      if (!one && more.length === 0 && parameters.has(name)) {
        if (!captured.includes(name)) captured.push(name);
        continue;
      }
      if (constants.some((other) => other === one)) continue;
      if (!one?.init || more.length > 0 || above.has(name) || parameters.has(name) || !isConstant(one.init)) {
        uses ??= name;
        continue;
      }
      follow(one.init, new Set([...above, name]));
      constants.push(one);
    }
  };
  follow(node, new Set());
  return { captured, constants, uses };
}

/** The parameters of the functions that a node stands in, save those that are set anew, or that are called as others are. */
function parametersAround(node: Placed, around: Node): ReadonlySet<string> {
  const times = new Map<string, number>();
  const known = new Set<string>();
  const changed = new Set<string>();
  walk(around, {
    enter(one) {
      if (one.type === 'AssignmentExpression') for (const name of namesOf(one.left)) changed.add(name);
      if (one.type === 'UpdateExpression') for (const name of namesOf(one.argument)) changed.add(name);
      if (!isFunction(one)) return;
      const { end, start } = one as Placed<typeof one>;
      const isAround = start <= node.start && end >= node.end;
      for (const name of one.params.flatMap((param) => [...namesOf(param)])) {
        times.set(name, (times.get(name) ?? 0) + 1);
        if (isAround) known.add(name);
      }
    },
  });
  return new Set([...known].filter((name) => times.get(name) === 1 && !changed.has(name)));
}

/** What declares names as constants, by the names: one that is declared twice may be either. */
function declaratorsIn(code: Node): ReadonlyMap<string, readonly (Placed<VariableDeclarator> | undefined)[]> {
  const found = new Map<string, (Placed<VariableDeclarator> | undefined)[]>();
  const add = (name: string, one: Placed<VariableDeclarator> | undefined): void => {
    found.set(name, [...(found.get(name) ?? []), one]);
  };
  walk(code, {
    enter(node) {
      if (node.type === 'FunctionDeclaration' && node !== code && node.id) add(node.id.name, undefined);
      if (node.type !== 'VariableDeclaration') return;
      for (const one of node.declarations)
        if (one.id.type === 'Identifier')
          add(one.id.name, node.kind === 'const' ? (one as Placed<VariableDeclarator>) : undefined);
        else for (const name of namesOf(one.id)) add(name, undefined);
    },
  });
  return found;
}

/** Whether an expression comes to the same wherever and whenever it is worked out, if the names in it do. */
function isConstant(init: Node): boolean {
  let isSame = true;
  walk(init, {
    enter(node) {
      if (isFunction(node)) return this.skip();
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

/** Whether something is worked out as its module runs: it is then code, and never what came of it elsewhere. */
export function isWorkedOut(code: Node): boolean {
  let calls = false;
  walk(code, {
    enter(node) {
      if (isFunction(node)) return this.skip();
      if (/^(?:Call|New|TaggedTemplate|Await)/.test(node.type)) calls = true;
    },
  });
  return calls;
}
