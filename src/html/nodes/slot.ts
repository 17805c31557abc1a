import { coreOf, type Fill, type Frame } from '../../template/index.js';
import { alwaysPlaces, fillTest, type PlanFill, type PlanSlot } from '../../tree/index.js';
import { Chunks, type Write } from '../chunks.js';
import { escapeAttribute } from '../escape.js';
import { lowerAll } from '../lower.js';
import type { At, Lowering } from '../lowering.js';
import { blockStart } from '../marks.js';
import type { Pass } from '../pass.js';

/** Content given to a slot, ready to write. */
export interface HtmlFill extends Fill {
  readonly write: Write;
  /** What a block of it starts with, where an element is going to take it over. */
  readonly start: string;
  /** Set where the content always comes to something, so that it need not be asked. */
  readonly isAlways: boolean;
  /** The owner's local that takes what the slot hands over. */
  readonly data: number | undefined;
  /** The depth of the content's rows in the owner's template. */
  readonly depth: number;
}

/** The place of a slot: its content, written in the frame it comes from, or the fallback. */
export function lowerSlot(node: PlanSlot, to: Chunks, at: At): void {
  if (at.lowering.form === 'shadow' && !node.hands) return lowerOwnSlot(node, to, at);
  const fallback = new Chunks();
  lowerAll(node.fallback, fallback, at);
  const writeFallback = fallback.compile();
  const { slot, data, number } = node;
  const core = coreOf(data);
  if (core) at.lowering.note(core);
  const getData = core?.get ?? (() => data);
  const { depth } = at;
  const marks = at.lowering.marksPlaces;
  const isHanded = node.hands && at.lowering.form === 'shadow';
  const fallbackStart = blockStart(node.fallback, at);
  to.place((frame, pass) => {
    if (marks) return writeMarked(frame, pass);
    return write(frame, pass, '', '');
  });

  /** Content that may come to nothing, or takes data, is a place that changes; other content is not. */
  function writeMarked(frame: Frame, pass: Pass): string {
    const fill = frame.fills[slot] as HtmlFill | undefined;
    if (!isHanded && (!fill || (fill.isAlways && fill.data === undefined))) return write(frame, pass, '', '');
    return `<!--(-->${write(frame, pass, fill?.start ?? '', fallbackStart)}<!--)-->`;
  }

  function write(frame: Frame, pass: Pass, start: string, otherStart: string): string {
    const fill = frame.fills[slot] as HtmlFill | undefined;
    const { owner } = frame;
    if (!fill || !owner || !(fill.isAlways || fill.isFilled(owner)))
      return otherStart + writeFallback(frame, pass);
    if (fill.data === undefined) return start + fill.write(owner, pass);
    if (owner.at && frame.at) owner.at[fill.depth + 1] = `${frame.at[depth] ?? ''}s${number}`;
    return start + writeWith(fill, fill.data, getData(frame), owner, pass);
  }
}

/** A slot of the element whose shadow root this is: the browser fills it. */
function lowerOwnSlot(node: PlanSlot, to: Chunks, at: At): void {
  to.text(node.name === 'default' ? '<slot>' : `<slot name="${escapeAttribute(node.name)}">`);
  lowerAll(node.fallback, to, at);
  to.text('</slot>');
}

function writeWith(fill: HtmlFill, local: number, data: unknown, owner: Frame, pass: Pass): string {
  const before = owner.locals[local];
  owner.locals[local] = data;
  const text = fill.write(owner, pass);
  owner.locals[local] = before;
  return text;
}

/** Compiles what a use gives to a slot. */
export function lowerFill(fill: PlanFill, lowering: Lowering, depth: number): HtmlFill {
  const chunks = new Chunks();
  const inside = fill.data === undefined ? depth : depth + 1;
  lowerAll(fill.content, chunks, { lowering, depth: inside, tag: '', isOutermost: false });
  const isAlways = alwaysPlaces(fill);
  const start = blockStart(fill.content, { lowering, depth, tag: '', isOutermost: false });
  return { write: chunks.compile(), start, data: fill.data, depth, isAlways, isFilled: fillTest(fill) };
}
