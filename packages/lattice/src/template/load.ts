import { dev, refuseCall } from '../problem/index.js';
import { coreOf, type Expr, type ExprCore, type ExprOf, fieldOf } from './expression/expr.js';
import { gotIn } from './got.js';
import type { LoadFault, LoadState } from './load-state.js';
import type { Content } from './node.js';
import { GivenNode } from './nodes/given.js';

/** `data` as a template sees it: `whenLoaded` shows it, `data.isLoading` says that an answer is waited for. */
export type LoadExpr<Data> = Expr<LoadState<Data>>;

/** What stands where data is loaded: while it is waited for, when it is there, and when it could not be had. */
export interface LoadBranches<Data> {
  readonly loading?: Content;
  readonly loaded: (value: Expr<Data>) => Content;
  /** Left out, the component fails as a whole: its `onFailure` shows, or that of a component around it. */
  readonly failed?: Content | ((fault: Expr<LoadFault>) => Content);
}

/**
 * Shows what the component's `load` gives.
 *
 * @throws LatticeError `call-invalid`, during development
 * @example
 * component('grove-log', {
 *   props: { from: prop.url() },
 *   load: async ({ props, fetch }): Promise<readonly Entry[]> => (await fetch(props.from)).json(),
 *   template: ({ data }) =>
 *     whenLoaded(data, {
 *       loading: el.p('Reading the log …'),
 *       loaded: (entries) => el.ul(eachOf(entries, (entry) => el.li(entry.text))),
 *       failed: el.p('The log cannot be read right now.'),
 *     }),
 * });
 */
export function whenLoaded<Data>(data: ExprOf<LoadState<Data>>, branches: LoadBranches<Data>): Content {
  const core = coreOf(data);
  if (dev && core?.op.op !== 'data')
    refuseCall(
      whenLoaded,
      'whenLoaded',
      `expects the data of a component that loads, but received ${gotIn(data)}`,
      'Give the component a load, and write template: ({ data }) => whenLoaded(data, { … }).',
    );
  if (dev && typeof branches?.loaded !== 'function')
    refuseCall(
      whenLoaded,
      'whenLoaded',
      `expects a function "loaded" of what was loaded, but received ${gotIn(branches?.loaded)}`,
      'Write whenLoaded(data, { loading: …, loaded: (value) => …, failed: … }).',
    );
  if (!core) return undefined;
  const { failed, loaded, loading } = branches;
  const isWorded = typeof failed === 'function' && !coreOf(failed);
  return loadBranches(core, {
    loading,
    loaded: loaded(fieldOf(core, 'value').face as Expr<Data>),
    failed: isWorded
      ? (failed as (fault: Expr<LoadFault>) => Content)(fieldOf(core, 'fault').face as Expr<LoadFault>)
      : (failed as Content),
    showsFailure: failed !== undefined,
  });
}

/** The contents as conditions on what has been loaded, whether they were written with functions or in HTML text. */
export function loadBranches(
  data: ExprCore,
  {
    failed,
    loaded,
    loading,
    showsFailure,
  }: {
    readonly loading: Content;
    readonly loaded: Content;
    readonly failed: Content;
    readonly showsFailure: boolean;
  },
): Content {
  const otherwise = showsFailure ? new GivenNode(fieldOf(data, 'fault'), failed, loading) : loading;
  return new GivenNode(fieldOf(data, 'isLoaded'), loaded, otherwise);
}
