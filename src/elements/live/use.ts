import { finding } from '../../problem/index.js';
import type { Fill, Frame, Site } from '../../template/frame.js';
import { type Attach, type Block, follow, update } from './block.js';
import type { Filler, FillerHost } from './fillers.js';
import { derived, refresh } from './frames.js';
import type { Instance } from './instance.js';
import type { LiveProp } from './live.js';
import { anew, forward, type Reads } from './move.js';
import type { Get } from './text.js';
import { create, type View } from './view.js';

/** A component whose template stands in another's: it has a frame of its own. */
export interface Inner {
  readonly name: string;
  /** The numbers of its frame and of the one around it. */
  readonly scope: number;
  readonly owner: number;
  readonly depth: number;
  readonly site: Site;
  /** Its constant props, and those that change. */
  readonly values: readonly unknown[];
  readonly changing: readonly Changing[];
  readonly fills: readonly (Fill | undefined)[];
}

export interface Changing {
  readonly at: number;
  readonly get: Get;
  readonly prop: LiveProp;
}

/**
 * Makes the frame of a component in a view, from the one around it, and keeps it in step with what the use's props and
 * content read.
 */
export function innerFrame(
  of: Inner,
  bits: number,
  fills: readonly (readonly [bits: number, slotBit: number])[],
): Attach {
  const { owner, scope } = of;
  return (_view, frames, block, instance) => {
    const around = frames[owner] as Frame;
    const props = [...of.values];
    for (const { at, get, prop } of of.changing) props[at] = settled(prop, of.name, get(around), undefined);
    frames[scope] = {
      name: of.name,
      props,
      locals: [],
      fills: of.fills,
      owner: around,
      site: of.site,
      at: around.at && [`${around.at[of.depth] ?? ''}-${of.site.number}`],
      state: undefined,
      shared: undefined,
      accepted: undefined,
    };
    follow(block, owner, bits, () => {
      let changed = 0;
      for (const { at, get, prop } of of.changing) {
        const value = settled(prop, of.name, get(frames[owner] as Frame), instance);
        if (value === props[at]) continue;
        props[at] = value;
        changed |= prop.bit;
      }
      if (changed) update(block, scope, changed);
    });
    for (const [filled, bit] of fills) follow(block, owner, filled, () => update(block, scope, bit));
  };
}

function settled(
  { name, kind, fallback, isNeeded }: LiveProp,
  component: string,
  value: unknown,
  instance: Instance | undefined,
): unknown {
  if (value === undefined) {
    if (isNeeded)
      instance?.report(finding('prop-missing', { component, prop: name, expected: kind.expected }));
    return fallback;
  }
  const fault = kind.fault(value);
  if (fault === undefined) return kind.settle ? kind.settle(value) : value;
  instance?.report(finding('prop-invalid', { component, prop: name, fault }));
  return undefined;
}

/** Content of a slot that hands data, as a function of the element it is given to: a block for each piece of data. */
export function filling(name: string, local: number, content: View, scope: number, reads: Reads): Attach {
  return (node, frames, block, instance) => {
    const live = new Set<Block>();
    const filler: Filler = (data) => {
      const frame = derived(frames[scope] as Frame);
      frame.locals[local] = data;
      const copies = [...frames];
      copies[scope] = frame;
      const made = anew(instance, () => create(content, copies, instance));
      live.add(made.block);
      return { content: made.fragment, release: () => live.delete(made.block) };
    };
    const element = node as FillerHost;
    element.fillers = { ...element.fillers, [name]: filler };
    forward(block, reads, (one, bits) => {
      for (const made of live) {
        if (one === scope) refresh(made.frames[scope] as Frame, frames[scope] as Frame, local, 1);
        update(made, one, bits);
      }
    });
  };
}
