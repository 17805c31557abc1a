import { type AnyKind, kindFacts } from '../../component/index.js';
import { finding, printValue } from '../../problem/index.js';
import {
  type Core,
  coreOf,
  describeValue,
  type EachNode,
  ExprCore,
  isAsyncRows,
  operand,
  placeOfNode,
} from '../../template/index.js';
import { both, either, isNot } from '../block.js';
import type { PlanEach } from '../plan.js';
import type { Planner } from '../planner.js';
import type { PlannedKind } from './kind.js';

/** The kind of a prop that is never a list. */
function noListOf(core: Core | undefined, { component }: Planner): AnyKind | undefined {
  const kind = core?.op.op === 'prop' ? component?.props.kinds[core.op.index] : undefined;
  if (!kind || kindFacts[kind.rules.word].mayList) return undefined;
  // A record of no known fields may be rows that come one after another.
  return kind.rules.word === 'record' && kind.rules.holds === undefined ? undefined : kind;
}

/** Content for every item of a list. */
export const each: PlannedKind<EachNode, PlanEach> = {
  plan(node, at, planner) {
    const { empty, item, key, label, list, of, row } = node;
    planner.locals = Math.max(planner.locals, item + 2);
    const kind = noListOf(coreOf(list), planner);
    if (kind)
      planner.report(
        finding('list-invalid', { name: describeValue(list), got: kind.rules.expected }, placeOfNode(node)),
      );
    const isList =
      (coreOf(list) !== undefined && !kind) ||
      Array.isArray(list) ||
      isAsyncRows(list) ||
      list === null ||
      list === undefined;
    if (!isList && !kind) {
      const facts = { name: describeValue(list), got: printValue(list) };
      planner.report(finding('list-invalid', facts, placeOfNode(node)));
    }
    const rows = operand(isList ? (list ?? []) : []);
    planner.lists.set(item, { list: rows, key, of });
    return {
      kind: 'each',
      list: rows,
      item,
      label,
      key,
      row: planner.block(row, { ...at, rows: [...at.rows, item + 1] }),
      empty: planner.block(empty, at),
    };
  },
  reads: ({ list }) => [list],
  blocks: ({ row, empty, item }) => [
    { block: row, locals: [item, item + 1] },
    { block: empty, locals: [] },
  ],
  filled({ list, item, row, empty }) {
    const { op } = list;
    const hasRows =
      op.op === 'literal'
        ? isAsyncRows(op.value) || (op.value as readonly unknown[]).length > 0
        : new ExprCore({ op: 'full', of: list });
    if (row.filled === true) return either(hasRows, empty.filled);
    if (row.filled === false || hasRows === false) return both(isNot(hasRows), empty.filled);
    const anyRow = new ExprCore({ op: 'any', list, item, of: row.filled });
    return either(anyRow, both(isNot(hasRows), empty.filled));
  },
};
