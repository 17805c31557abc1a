import type { PlanGiven } from '../../tree/index.js';
import { Chunks } from '../chunks.js';
import { lowerAll } from '../lower.js';
import type { At } from '../lowering.js';

/** One of two contents, by a test. */
export function lowerGiven(node: PlanGiven, to: Chunks, at: At): void {
  at.lowering.note(node.test);
  const [then, otherwise] = [new Chunks(), new Chunks()];
  lowerAll(node.content, then, at);
  lowerAll(node.otherwise, otherwise, at);
  const { get } = node.test;
  const [yes, no] = [then.compile(), otherwise.compile()];
  const [yesText, noText] = [then.constant, otherwise.constant];
  if (yesText !== undefined && noText !== undefined) to.place((frame) => (get(frame) ? yesText : noText));
  else to.place((frame, pass) => (get(frame) ? yes(frame, pass) : no(frame, pass)));
}
