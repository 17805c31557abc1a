import { dev, refuseCall } from '../../problem/index.js';
import { coreOf, type Expr, type ExprCore, type ExprOf } from '../expression/expr.js';
import { brandNodes, type Content, nodeBrand, placeNow } from '../node.js';

/** One of two contents, by a test. */
export class GivenNode {
  declare readonly [nodeBrand]: true;
  declare readonly kind: 'given';
  readonly place = placeNow(given);
  readonly test: ExprCore;
  readonly content: Content;
  readonly otherwise: Content;

  constructor(test: ExprCore, content: Content, otherwise: Content) {
    this.test = test;
    this.content = content;
    this.otherwise = otherwise;
  }

  parts(): readonly unknown[] {
    return [this.test.face, this.content, this.otherwise];
  }
}
brandNodes(GivenNode, 'given');

/** The values of T that pass a test. */
type Passing<T> = Exclude<T, null | undefined | false | 0 | 0n | ''>;

/**
 * Shows content if a test holds, other content if not. Anything JavaScript counts as true holds.
 * A function as first content gets the tested value without `null` and `undefined`.
 *
 * @throws LatticeError `call-invalid`, during development
 * @example given(props.rare, el.p('Only a few trees'), el.p('Plenty'))
 * @example given(props.note, (note) => el.p(note.text))
 */
export function given<T>(
  test: ExprOf<T>,
  then: Content | ((value: Expr<Passing<T>>) => Content),
  otherwise?: Content,
): Content;
export function given(test: boolean, then: Content, otherwise?: Content): Content;
export function given(test: unknown, then: unknown, otherwise?: Content): Content {
  const core = coreOf(test);
  if (dev && test === undefined && then === undefined)
    refuseCall(
      given,
      'given',
      'expects a test and content, but received nothing',
      'Write given(props.open, el.p(…)).',
    );
  const wants = typeof then === 'function' && !coreOf(then);
  if (!core)
    return test ? (wants ? (then as (value: unknown) => Content)(test) : (then as Content)) : otherwise;
  const content = wants ? (then as (value: unknown) => Content)(core.face) : (then as Content);
  return new GivenNode(core, content, otherwise);
}
