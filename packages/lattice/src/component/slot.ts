import type { AnyKind, Kind, Presence } from './kind.js';

/** Where a slot keeps its types; there is nothing at run time. */
export declare const slotTypes: unique symbol;

/**
 * What a component says of one of its slots. `Data` is what the slot hands to whoever fills it
 * (nothing, unless made with `slot.with`), `Needed` whether it has to be filled.
 */
export class SlotKind<Data = never, Needed extends boolean = false, Hands extends boolean = boolean> {
  declare readonly [slotTypes]: { data: Data; needed: Needed; hands: Hands };
  readonly needed: Needed;
  /** Whether the slot passes data to its filler, who then gives a function. */
  readonly hands: Hands;
  readonly item: AnyKind | undefined;
  readonly description: string | undefined;

  /** What to fill in its place. */
  readonly instead: string | undefined;

  constructor(needed: Needed, hands: Hands, item?: AnyKind, description?: string, instead?: string) {
    this.needed = needed;
    this.hands = hands;
    this.item = item;
    this.description = description;
    this.instead = instead;
  }

  /** The slot has to be filled at every use. */
  required(): SlotKind<Data, true, Hands> {
    return new SlotKind<Data, true, Hands>(true, this.hands, this.item, this.description, this.instead);
  }

  /** Says in a sentence what the slot is for. */
  describe(description: string): SlotKind<Data, Needed, Hands> {
    return new SlotKind<Data, Needed, Hands>(this.needed, this.hands, this.item, description, this.instead);
  }

  /** Says that uses should no longer fill it, and what to do instead. `lattice check` reports uses that do. */
  deprecated(instead: string): SlotKind<Data, Needed, Hands> {
    return new SlotKind<Data, Needed, Hands>(this.needed, this.hands, this.item, this.description, instead);
  }
}

export type AnySlotKind = SlotKind<unknown, boolean>;

interface SlotMaker {
  (): SlotKind<never, false, false>;
  /** A slot that has to be filled. */
  required(): SlotKind<never, true, false>;
  /** A slot that passes data to whoever fills it; the filler is a function of that data. */
  with<Data>(item?: Kind<Data, unknown, Presence>): SlotKind<Data, false, true>;
}

/**
 * A place in a component for content given at its use.
 *
 * @example slots: { default: slot(), title: slot.required(), row: slot.with<Variety>() }
 */
export const slot: SlotMaker = Object.assign(() => new SlotKind<never, false, false>(false, false), {
  required: () => new SlotKind<never, true, false>(true, false),
  with: <Data>(item?: Kind<Data, unknown, Presence>) =>
    new SlotKind<Data, false, true>(false, true, item as AnyKind | undefined),
});
