import type { PlanGiven } from '../../tree/index.js';
import { Chunks } from '../chunks.js';
import { lowerAll } from '../lower.js';
import type { At } from '../lowering.js';
import { between, blockStart } from '../marks.js';

/** One of two contents, by a test. */
export function lowerGiven(node: PlanGiven, to: Chunks, at: At): void {
  at.lowering.note(node.test);
  const [then, otherwise] = [new Chunks(), new Chunks()];
  for (const [nodes, chunks] of [
    [node.content, then],
    [node.otherwise, otherwise],
  ] as const) {
    if (nodes.length > 0) chunks.text(blockStart(nodes, at));
    lowerAll(nodes, chunks, at);
  }
  const { get } = node.test;
  const [yes, no] = [then.compile(), otherwise.compile()];
  const [yesText, noText] = [then.constant, otherwise.constant];
  between(to, at, () => {
    if (yesText !== undefined && noText !== undefined) to.place((frame) => (get(frame) ? yesText : noText));
    else to.place((frame, pass) => (get(frame) ? yes(frame, pass) : no(frame, pass)));
  });
}
