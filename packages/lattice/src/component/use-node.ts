import {
  brandNodes,
  type Content,
  coreOf,
  currentRun,
  deeper,
  isRecord,
  localExpr,
  nodeBrand,
  parameterName,
  placeNow,
} from '../template/index.js';
import type { ComponentCore } from './core.js';

/** Content for one slot; with `data` the number of the local that holds what the slot passes. */
export interface SlotContent {
  readonly content: Content;
  readonly data: number | undefined;
}

type Slots = Readonly<Record<string, SlotContent>>;

/** Stands for content that was sorted into slots before the use was made. */
export const sortedAlready: unique symbol = Symbol('sorted already');

/** One use of a component: its props and what goes into its slots, as they were given. */
export class UseNode {
  declare readonly [nodeBrand]: true;
  declare readonly kind: 'use';
  readonly place: object | undefined;
  readonly component: ComponentCore;
  readonly props: Readonly<Record<string, unknown>>;
  /** What was given as content, as it was given; `sortedAlready` where it came by slots. */
  readonly given: unknown;
  private sorted: Slots | undefined;
  /** Attributes of a document's own for the component's element, as they are written there, where it stays one. */
  host: string | undefined;

  constructor(
    component: ComponentCore,
    props: Readonly<Record<string, unknown>> | undefined,
    content: unknown,
    writtenBy: unknown,
    slots?: Slots,
  ) {
    const isInTemplate = currentRun() !== undefined;
    this.place = isInTemplate ? placeNow(writtenBy) : undefined;
    this.component = component;
    this.props = props ?? nothing;
    this.given = slots ? sortedAlready : content;
    // A function that fills a slot is called where the use is written: its items have numbers of that template.
    this.sorted = slots ?? (isInTemplate ? slotContents(content) : undefined);
    this.host = undefined;
  }

  /** What is given to each slot. */
  get slots(): Slots {
    this.sorted ??= slotContents(this.given);
    return this.sorted;
  }

  parts(): readonly unknown[] {
    return [this.props, ...Object.values(this.slots).map((slot) => slot.content)];
  }
}
brandNodes(UseNode, 'use');

const nothing = Object.freeze({});

function slotContents(content: unknown): Slots {
  if (content === undefined) return nothing;
  if (!isRecord(content)) return { default: slotContent(content) };
  const slots: Record<string, SlotContent> = {};
  for (const name in content) slots[name] = slotContent(content[name]);
  return slots;
}

function slotContent(given: unknown): SlotContent {
  if (typeof given !== 'function' || coreOf(given)) return { content: given as Content, data: undefined };
  const filler = given as (data: unknown) => Content;
  return deeper(1, (first) => ({
    content: filler(localExpr(first, parameterName(filler) ?? 'data', 'data').face),
    data: first,
  }));
}
