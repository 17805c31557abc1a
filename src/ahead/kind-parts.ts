import type { Property } from 'estree';
import type { Node } from 'estree-walker';
import type { ComponentCall } from './module.js';

/** What a prop's kind was given where it is declared, as it is written there. */
export interface KindParts {
  readonly fallback: Node | undefined;
  readonly tests: readonly (readonly Node[])[];
  readonly schema: Node | undefined;
}

/** The parts of a component's kinds, by prop: of those that are written out as calls of `prop`. */
export function kindPartsOf({ isGeneric, parts }: ComponentCall): ReadonlyMap<string, KindParts> {
  const found = new Map<string, KindParts>();
  // The item that a generic definition is made with is known to its function alone.
  const props = isGeneric ? undefined : parts?.get('props')?.value;
  if (props?.type !== 'ObjectExpression') return found;
  for (const one of props.properties) {
    if (one.type === 'Property' && !one.computed && one.key.type === 'Identifier')
      found.set(one.key.name, partsOf(one));
  }
  return found;
}

/** Follows a chain of calls such as `prop.text().fallback('x').where(test, message)` from its end. */
function partsOf({ value }: Property): KindParts {
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
