import { type Node, walk } from 'estree-walker';
import type { Definition } from './definition.js';
import type { ModuleCode } from './module.js';

/** What a prop's kind was given where it is declared, as it is written there. */
export interface KindParts {
  readonly fallback: Node | undefined;
  readonly tests: readonly (readonly Node[])[];
  readonly schema: Node | undefined;
}

/** The parts of a definition's kinds, by prop: of those that are written out as calls of `prop`. */
export function kindPartsOf(
  definition: Definition | undefined,
  module: ModuleCode,
): ReadonlyMap<string, KindParts> {
  const found = new Map<string, KindParts>();
  for (const [prop, kind] of kindsIn(definition, module).here)
    if (definition?.isFree(kind)) found.set(prop, partsOf(named(kind, module) ?? kind));
  return found;
}

/** The kinds that a definition declares, as they are written, and the names of definitions elsewhere that it takes some from. */
export function kindsIn(
  definition: Definition | undefined,
  module: ModuleCode,
): { readonly here: ReadonlyMap<string, Node>; readonly elsewhere: readonly string[] } {
  const here = new Map<string, Node>();
  const elsewhere: string[] = [];
  const add = (record: Node | undefined): void => {
    // Another definition's props: `...parts.props`.
    const of =
      record?.type === 'MemberExpression' && record.object.type === 'Identifier'
        ? record.object.name
        : undefined;
    if (of !== undefined) {
      const other = module.definitions.get(of);
      if (other) return add(other.own('props')?.value);
      elsewhere.push(of);
      return;
    }
    const written = named(record, module);
    if (written?.type !== 'ObjectExpression') return;
    for (const one of written.properties) {
      if (one.type === 'SpreadElement') add(one.argument);
      else if (!one.computed && one.key.type === 'Identifier') here.set(one.key.name, one.value);
    }
  };
  const props = definition?.find('props');
  if (props?.how === 'here') add(props.part.value);
  else if (props?.how === 'spread') elsewhere.push(props.name);
  return { here, elsewhere };
}

/** An expression, or what stands behind the constant of the module that it names. */
function named(code: Node | undefined, module: ModuleCode): Node | undefined {
  return code?.type === 'Identifier' ? module.constants.get(code.name) : code;
}

/** Follows a chain of calls such as `prop.text().fallback('x').where(test, message)` from its end. */
function partsOf(value: Node): KindParts {
  let fallback: Node | undefined;
  let schema: Node | undefined;
  const tests: (readonly Node[])[] = [];
  for (let node: Node = value; node.type === 'CallExpression'; ) {
    const callee: Node = node.callee;
    if (callee.type !== 'MemberExpression' || callee.property.type !== 'Identifier') break;
    const { name } = callee.property;
    if (name === 'fallback') fallback ??= node.arguments[0];
    if (name === 'where') tests.unshift(node.arguments);
    if (name === 'schema') schema = node.arguments[0];
    node = callee.object;
  }
  return { fallback, tests, schema };
}

/** Whether a fallback is worked out as its module runs: it is then code, and never what came of it elsewhere. */
export function isWorkedOut(fallback: Node): boolean {
  let calls = false;
  walk(fallback, {
    enter(node) {
      if (/Function/.test(node.type)) return this.skip();
      if (/^(?:Call|New|TaggedTemplate|Await)/.test(node.type)) calls = true;
    },
  });
  return calls;
}
