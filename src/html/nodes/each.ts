import type { PlanEach } from '../../plan/index.js';
import { finding, show } from '../../problem/index.js';
import { type Core, describe, idPart, type Scope } from '../../template/index.js';
import { apart, compiledApart } from '../apart.js';
import { type At, between, blockStart, writeBlock } from '../compiling.js';
import type { Output, Write } from '../output.js';
import type { Pass } from '../pass.js';

/** Content for every item of a list. */
export function writeEach(node: PlanEach, to: Output, at: At): void {
  const { compiling, depth } = at;
  const { list, row, empty } = node;
  const written = compiledApart((inner) => {
    inner.text(blockStart(row.nodes, at));
    writeBlock(row, inner, { ...at, depth: depth + 1 });
  });
  const none = apart(to, (inner) => {
    if (empty.nodes.length > 0) inner.text(blockStart(empty.nodes, at));
    writeBlock(empty, inner, at);
  });
  const hasIds = row.placesSlots || compiling.compiler.makesIds(row, compiling.inner);
  const writeRows = rowsWriter(node, written.write, hasIds ? depth : undefined);
  between(to, at, () =>
    to.dynamic((scope, pass) => {
      const items = listOf(list, scope, pass);
      return items.length === 0 ? none.write(scope, pass) : writeRows(items, scope, pass);
    }),
  );
}

type WriteRows = (items: readonly unknown[], scope: Scope, pass: Pass) => string;

/** `depth` is set where ids are made in the rows, so that each row needs a path of its own. */
function rowsWriter({ item, key }: PlanEach, write: Write, depth: number | undefined): WriteRows {
  return (items, scope, pass) => {
    const { locals } = scope;
    const [itemBefore, indexBefore] = [locals[item], locals[item + 1]];
    const ids = depth === undefined ? undefined : scope.at;
    let text = '';
    for (let index = 0; index < items.length; index++) {
      locals[item] = items[index];
      locals[item + 1] = index;
      if (ids && depth !== undefined)
        ids[depth + 1] = `${ids[depth] ?? ''}-${idPart(key ? key.get(scope) : index)}`;
      text += write(scope, pass);
    }
    locals[item] = itemBefore;
    locals[item + 1] = indexBefore;
    return text;
  };
}

const noItems: readonly unknown[] = [];

function listOf(list: Core, scope: Scope, pass: Pass): readonly unknown[] {
  const value = list.get(scope);
  if (Array.isArray(value)) return value;
  if (value === null || value === undefined) return noItems;
  pass.report(finding('list-invalid', { name: describe(list), got: show(value) }), scope);
  return noItems;
}
