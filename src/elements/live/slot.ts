import type { Frame } from '../../template/frame.js';
import { type Attach, type Block, follow, update } from './block.js';
import { type Filled, fillerOf, refilling } from './fillers.js';
import { derived, refresh } from './frames.js';
import type { Instance } from './instance.js';
import { anew, forward, inside, mount, type Reads, remove } from './move.js';
import type { Get } from './text.js';
import type { View } from './view.js';

/** A slot of the element itself that hands data: a function or a template of the page says what stands there. */
export function handed(
  name: string,
  data: Get,
  bits: number,
  scope: number,
  fallback: View,
  reads: Reads,
): Attach {
  return (mark, frames, block, instance) => {
    let release: (() => void) | undefined;
    let inner: Block | undefined;
    let shown: unknown = block;
    const show = (): void => {
      const value = data(frames[scope] as Frame);
      const filler = fillerOf(instance.host, name);
      if (!filler && inner) return;
      if (filler && shown === value && !refilling.now) return;
      shown = value;
      release?.();
      if (inner) remove(inner);
      inner = undefined;
      if (!filler) {
        inner = mount(fallback, mark, [...frames], instance);
        return;
      }
      const given = filler(value);
      const filled: Filled = given instanceof Node || typeof given === 'string' ? { content: given } : given;
      const { content } = filled;
      const nodes =
        typeof content === 'string'
          ? [new Text(content)]
          : content instanceof DocumentFragment
            ? [...content.childNodes]
            : [content];
      for (const one of nodes) (mark.parentNode as Node).insertBefore(one, mark);
      release = () => {
        for (const one of nodes) (one as ChildNode).remove();
        filled.release?.();
        release = undefined;
      };
    };
    clear(mark, instance);
    anew(instance, show);
    follow(block, scope, bits, show);
    forward(block, reads, (one, changed) => inner && update(inner, one, changed));
  };
}

/** What a server wrote in the place is made anew: the functions that fill it are the page's. */
function clear(mark: Node, instance: Instance): void {
  if (!instance.adoption) return;
  for (let node = inside(mark, instance); node !== mark; ) {
    const next = node.nextSibling as Node;
    (node as ChildNode).remove();
    node = next;
  }
}

export interface Depending {
  readonly data: Get;
  /** The bits of the data, in the scope of the slot, and of the data in the scope of the content. */
  readonly dataBits: number;
  readonly localBit: number;
  /** What tells whether the content comes to anything. */
  readonly fillBits: number;
  readonly locals: number;
  readonly scope: number;
  readonly owner: number;
  readonly slot: number;
  /** The slot's place in the template, as part of ids. */
  readonly number: number;
  readonly depth: number;
  readonly ownerDepth: number;
  /** The local that takes what the slot hands over. */
  readonly local?: number | undefined;
  readonly fallback: View;
  readonly content: View;
  readonly reads: Reads;
}

/** Content that takes data, or that may come to nothing, so that the fallback shows. */
export function depending(of: Depending): Attach {
  const { scope, owner, local, fallback, content } = of;
  return (mark, frames, block, instance) => {
    const own = frames[scope] as Frame;
    const ownerFrame = local === undefined ? (frames[owner] as Frame) : derived(frames[owner] as Frame);
    let side: View | undefined;
    let inner: Block | undefined;
    const show = (): void => {
      if (local !== undefined) {
        if (ownerFrame.at && own.at) {
          ownerFrame.at = [...ownerFrame.at];
          ownerFrame.at[of.ownerDepth] = `${own.at[of.depth] ?? ''}s${of.number}`;
        }
        ownerFrame.locals[local] = of.data(frames[scope] as Frame);
      }
      const next = own.fills[of.slot]?.isFilled(ownerFrame) === false ? fallback : content;
      if (next === side) return;
      side = next;
      if (inner) remove(inner);
      const innerFrames = [...frames];
      innerFrames[owner] = ownerFrame;
      inner = mount(next, mark, innerFrames, instance);
    };
    show();
    follow(block, scope, of.dataBits, () => {
      show();
      if (inner) update(inner, owner, of.localBit);
    });
    follow(block, owner, of.fillBits, show);
    forward(block, of.reads, (one, bits) => {
      if (local !== undefined && one === owner && bits & of.locals)
        refresh(ownerFrame, frames[owner] as Frame, local, 1);
      if (inner) update(inner, one, bits);
    });
  };
}
