import type { PlanGiven } from '../../plan/index.js';
import { apart } from '../apart.js';
import { type At, between, blockStart, writeBlock } from '../compiling.js';
import type { Output } from '../output.js';

/** One of two contents, by a test. */
export function writeGiven({ test: { get }, content, otherwise }: PlanGiven, to: Output, at: At): void {
  const [yes, no] = [content, otherwise].map((block) =>
    apart(to, (inner) => {
      if (block.nodes.length > 0) inner.text(blockStart(block.nodes, at));
      writeBlock(block, inner, at);
    }),
  );
  if (!yes || !no) return;
  const [yesText, noText] = [yes.constant, no.constant];
  const [writeYes, writeNo] = [yes.write, no.write];
  between(to, at, () => {
    if (yesText !== undefined && noText !== undefined) to.dynamic((scope) => (get(scope) ? yesText : noText));
    else to.dynamic((scope, pass) => (get(scope) ? writeYes(scope, pass) : writeNo(scope, pass)));
  });
}
