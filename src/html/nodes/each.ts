import { finding, show } from '../../problem/index.js';
import { describe, type ExprCore, type Frame, idPart } from '../../template/index.js';
import { holdsSlot, type PlanEach } from '../../tree/index.js';
import { Chunks, type Write } from '../chunks.js';
import { lowerAll } from '../lower.js';
import type { At } from '../lowering.js';
import { between, blockStart } from '../marks.js';
import type { Pass } from '../pass.js';

/** Content for every item of a list. */
export function lowerEach(node: PlanEach, to: Chunks, at: At): void {
  const { lowering } = at;
  const list = Array.isArray(node.list) ? undefined : (node.list as ExprCore);
  if (list) lowering.note(list);
  const madeIds = lowering.makesIds;
  lowering.makesIds = false;
  const row = new Chunks();
  row.text(blockStart(node.row, at));
  lowerAll(node.row, row, { ...at, depth: at.depth + 1 });
  const idsInRows = lowering.makesIds || holdsSlot(node.row);
  lowering.makesIds ||= madeIds;
  const empty = new Chunks();
  if (node.empty.length > 0) empty.text(blockStart(node.empty, at));
  lowerAll(node.empty, empty, at);
  const get = list ? list.get : () => node.list;
  const writeRows = rowsWriter(node, row.compile(), idsInRows ? at.depth : undefined);
  const writeEmpty = empty.compile();
  between(to, at, () =>
    to.place((frame, pass) => {
      const items = listOf(get(frame), list, frame, pass);
      return items.length === 0 ? writeEmpty(frame, pass) : writeRows(items, frame, pass);
    }),
  );
}

type WriteRows = (items: readonly unknown[], frame: Frame, pass: Pass) => string;

/** `depth` is set where ids are made in the rows, so that each row needs a path of its own. */
function rowsWriter(node: PlanEach, write: Write, depth: number | undefined): WriteRows {
  const { item, key } = node;
  return (items, frame, pass) => {
    const { locals } = frame;
    const [itemBefore, indexBefore] = [locals[item], locals[item + 1]];
    const ids = depth === undefined ? undefined : frame.at;
    let text = '';
    for (let index = 0; index < items.length; index++) {
      locals[item] = items[index];
      locals[item + 1] = index;
      if (ids && depth !== undefined)
        ids[depth + 1] = `${ids[depth] ?? ''}-${idPart(key ? key.get(frame) : index)}`;
      text += write(frame, pass);
    }
    locals[item] = itemBefore;
    locals[item + 1] = indexBefore;
    return text;
  };
}

const noItems: readonly unknown[] = [];

function listOf(value: unknown, list: ExprCore | undefined, frame: Frame, pass: Pass): readonly unknown[] {
  if (Array.isArray(value)) return value;
  if (value === null || value === undefined) return noItems;
  pass.report(finding('list-invalid', { name: list ? describe(list) : 'a value', got: show(value) }), frame);
  return noItems;
}
