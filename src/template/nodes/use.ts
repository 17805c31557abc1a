import type { ComponentCore } from '../../component/core.js';
import { coreOf } from '../expr.js';
import { BaseNode, type Content, isRecord } from '../node.js';
import { deeper } from '../run-state.js';
import { localExpr, parameterName } from './each.js';

/** Content for one slot; with `data` the number of the local that holds what the slot hands over. */
export interface SlotContent {
  readonly content: Content;
  readonly data: number | undefined;
}

/** One use of a component: its props and what goes into its slots, as they were given. */
export class UseNode extends BaseNode {
  readonly kind = 'use';
  readonly component: ComponentCore;
  readonly props: Readonly<Record<string, unknown>>;
  readonly slots: Readonly<Record<string, SlotContent>>;
  /** Attributes of a document's own for the component's element, as they are written there, where it stays one. */
  host: string | undefined;

  constructor(
    component: ComponentCore,
    props: Readonly<Record<string, unknown>> | undefined,
    content: unknown,
    writtenBy: unknown,
    slots?: Readonly<Record<string, SlotContent>>,
  ) {
    super(writtenBy);
    this.component = component;
    this.props = props ?? nothing;
    this.slots = slots ?? slotContents(content);
  }
}

const nothing = Object.freeze({});

function slotContents(content: unknown): Readonly<Record<string, SlotContent>> {
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
