import { nonceText } from '../render.js';
import { type Part, pause } from './part.js';

/**
 * The texts of a part, those that have to be waited for last: in their place stands what stands there meanwhile,
 * between two comments, until a script moves them. Without scripts they stand at the end of the page.
 */
export async function* walkAsReady(
  part: Part,
  nonce: string | undefined,
): AsyncGenerator<string | typeof pause> {
  const late = new Map<number, Part>();
  let number = 0;
  async function* pieces(one: Part): AsyncGenerator<string | typeof pause> {
    if (!one.isReady && one.meanwhile) {
      const own = ++number;
      late.set(own, one);
      yield `<!--late ${own}-->`;
      yield* inOrder(one.meanwhile());
      return yield `<!--/late ${own}-->`;
    }
    yield* inOrder(one);
  }
  async function* inOrder(one: Part): AsyncGenerator<string | typeof pause> {
    if (!one.isReady) {
      yield pause;
      await one.ready;
    }
    for (const piece of one.pieces) {
      if (typeof piece === 'string') yield piece;
      else yield* pieces(piece);
    }
    if (!one.more) return;
    for await (const piece of one.more()) {
      if (piece === '') yield pause;
      else if (typeof piece === 'string') yield piece;
      else yield* pieces(piece);
    }
  }
  yield* inOrder(part);
  let isFirst = true;
  while (late.size > 0) {
    if (![...late.values()].some(({ isReady }) => isReady)) {
      yield pause;
      await Promise.race([...late.values()].map(({ ready }) => ready));
    }
    for (const [own, one] of [...late]) {
      if (!one.isReady) continue;
      late.delete(own);
      yield `<div data-late="${own}">`;
      yield* inOrder(one);
      yield `</div><script${nonceText(nonce)}>${isFirst ? mover : ''}latticeLate(${own})</script>`;
      isFirst = false;
    }
  }
}

/** Puts what came late where it belongs, once for a page. */
const mover =
  'function latticeLate(n){const l=document.querySelector(`[data-late="${n}"]`),w=document.createTreeWalker(document,128);' +
  'for(let c;c=w.nextNode();)if(c.data==="late "+n){for(let x;(x=c.nextSibling).data!=="/late "+n;)x.remove();' +
  'c.nextSibling.remove();c.replaceWith(...l.childNodes);l.remove();break}}';
