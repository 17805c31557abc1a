import type { PlanEach, PlanGiven } from '../../plan/index.js';
import { type Core, describe, ExprCore, idPart } from '../../template/index.js';
import { deeper, literal, register, type Scope } from './env.js';
import { between, blockStart } from './lowering.js';
import { constantOf, type Step, Steps } from './steps.js';
import { lower } from './values.js';

/** One of two contents, by a test. */
export function lowerGiven({ test, content, otherwise }: PlanGiven, to: Steps, at: Scope): void {
  const core = lower(test, at);
  const side = (block: PlanGiven['content'], inner: Steps): void => {
    if (block.nodes.length > 0) inner.text(blockStart(block.nodes, at));
    at.lowering.into(block.nodes, inner, at);
  };
  between(to, at, () => {
    if (core.op.op === 'literal') return side(core.op.value ? content : otherwise, to);
    const [yes, no] = [new Steps(), new Steps()];
    side(content, yes);
    side(otherwise, no);
    choose(core, yes.list, no.list, to);
  });
}

/** Puts in one of two, where a test decides. */
export function choose(test: Core, yes: readonly Step[], no: readonly Step[], to: Steps): void {
  if (test.op.op === 'literal') return to.all(test.op.value ? yes : no);
  if (yes.length > 0 || no.length > 0) to.push({ kind: 'choose', test, yes, no });
}

/** How many rows of a constant list are written out one by one, at most. */
const mostRows = 2_000;

/** Content for every item of a list. */
export function lowerEach(node: PlanEach, to: Steps, at: Scope): void {
  const { lowering } = at;
  const list = lower(node.list, at);
  between(to, at, () => {
    if (list.op.op === 'literal' && isFixed(node, list.op.value, to, at)) return;
    const item = lowering.register(node.label);
    const index = lowering.register('n');
    const row = rowOf(node, register(item), register(index), at);
    const empty = new Steps();
    if (node.empty.nodes.length > 0) empty.text(blockStart(node.empty.nodes, at));
    lowering.into(node.empty.nodes, empty, at);
    to.push({
      kind: 'rows',
      list,
      item,
      index,
      row,
      empty: empty.list,
      name: () => describe(node.list),
      where: at.env.where,
    });
  });
}

/** One row; what its ids start with is kept where something in it makes ids. */
function rowOf(node: PlanEach, item: Core, index: Core, at: Scope): readonly Step[] {
  const { lowering } = at;
  let kept: number | undefined;
  const inside = deeper(
    at,
    [
      [node.item, item],
      [node.item + 1, index],
    ],
    () => {
      kept ??= lowering.register('ids');
      return register(kept);
    },
  );
  const inner = new Steps();
  inner.text(blockStart(node.row.nodes, at));
  lowering.into(node.row.nodes, inner, inside);
  if (kept === undefined) return inner.list;
  const around = at.ids.at(-1)?.() ?? literal('');
  const key = node.key ? lower(node.key, inside) : index;
  const part = new ExprCore({ op: 'call', name: 'idPart', args: [key], compute: idPart, component: '' });
  const value = new ExprCore({ op: 'phrase', strings: ['', '-', ''], parts: [around, part] });
  return [{ kind: 'let', to: kept, value, check: undefined }, ...inner.list];
}

/** Rows of a constant list that render nothing but text are that text. */
function isFixed(node: PlanEach, list: unknown, to: Steps, at: Scope): boolean {
  if (list === null || list === undefined || (Array.isArray(list) && list.length === 0)) {
    if (node.empty.nodes.length > 0) to.text(blockStart(node.empty.nodes, at));
    at.lowering.into(node.empty.nodes, to, at);
    return true;
  }
  if (!Array.isArray(list) || list.length > mostRows) return false;
  let text = '';
  for (const [index, item] of list.entries()) {
    const row = constantOf(rowOf(node, literal(item), literal(index), at));
    if (row === undefined) return false;
    text += row;
  }
  to.text(text);
  return true;
}
