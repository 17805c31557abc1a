import { nonceText } from '../render.js';
import { type Part, pause, type Texts, walk } from './part.js';

/**
 * The texts of a part, those that have to be waited for last: in their place stands what stands there meanwhile,
 * between two comments, until a script moves them. Without scripts they stand at the end of the page.
 */
export async function* walkAsReady(part: Part, nonce: string | undefined): Texts {
  const late = new Map<number, Part>();
  let number = 0;
  async function* inner(one: Part): Texts {
    if (one.isReady || !one.meanwhile) return yield* walk(one, inner);
    const own = ++number;
    late.set(own, one);
    yield `<!--late ${own}-->`;
    yield* walk(one.meanwhile(), inner);
    yield `<!--/late ${own}-->`;
  }
  yield* walk(part, inner);
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
      yield* walk(one, inner);
      yield `</div><script${nonceText(nonce)}>${isFirst ? mover : ''}latticeLate(${own})</script>`;
      isFirst = false;
    }
  }
}

/** Puts what came late where it belongs, once for a page. */
const mover =
  'function latticeLate(n){const l=document.querySelector(`[data-late="${n}"]`),w=document.createTreeWalker(document,128);' +
  'for(let c;c=w.nextNode();)if(c.data==="late "+n){for(let x;(x=c.nextSibling).data!=="/late "+n;)x.remove();' +
  'c.nextSibling.remove();c.replaceWith(...l.childNodes);break}l.remove()}';
