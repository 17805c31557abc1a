import type { UseNode } from '../../component/index.js';
import type { Finding } from '../../problem/index.js';
import { sourceOf } from '../../template/index.js';
import { attributeReads } from '../attributes/plan-attribute.js';
import { acceptedOf, bindProps, checkSlots, isNothing, listenersOf } from '../bind.js';
import type { PlanFill, PlanUse } from '../plan.js';
import type { At, Planner } from '../planner.js';
import type { PlannedKind } from './kind.js';

/** A use: bound to its component, its content assigned to the component's slots. */
export const use: PlannedKind<UseNode, PlanUse> = {
  plan(node, at, planner) {
    const { component } = node;
    const site = planner.site(component.name, at);
    const source = sourceOf(node);
    const report = (found: Finding): void =>
      planner.report(source && !found.source ? { ...found, source } : found, site);
    const props = bindProps(node, report);
    checkSlots(node, report);
    const inside: At = {
      path: site.path,
      rows: [],
      counts: new Map(),
      isOutermost: false,
      tag: '',
      choice: undefined,
    };
    return {
      kind: 'use',
      component,
      site,
      props,
      fills: component.slots.names.map((name) => fill(node, name, inside, planner)),
      accepted: acceptedOf(node, props, report),
      own: listenersOf(node, report),
      host: node.host ?? '',
      source,
    };
  },
  reads: ({ props, accepted, own }) => [
    ...props.flatMap(({ expr }) => expr ?? []),
    ...(accepted ?? []).flatMap(attributeReads),
    ...own.flatMap(attributeReads),
  ],
  blocks: ({ fills }) =>
    fills.flatMap((one) =>
      one ? [{ block: one.block, locals: one.data === undefined ? [] : [one.data] }] : [],
    ),
  filled: () => true,
};

function fill(node: UseNode, name: string, inside: At, planner: Planner): PlanFill | undefined {
  const given = Object.hasOwn(node.slots, name) ? node.slots[name] : undefined;
  if (!given || isNothing(given.content)) return undefined;
  const { content, data } = given;
  if (data !== undefined) planner.locals = Math.max(planner.locals, data + 1);
  return planner.isOnTheSpot
    ? new SpotFill(content, data, inside, planner)
    : { block: planner.block(content, inside), data };
}

/** Content for one rendering: it is planned when it is shown, where it is. */
class SpotFill implements PlanFill {
  readonly data: number | undefined;
  private readonly content: unknown;
  private readonly inside: At;
  private readonly planner: Planner;
  private made: PlanFill['block'] | undefined;

  constructor(content: unknown, data: number | undefined, inside: At, planner: Planner) {
    this.data = data;
    this.content = content;
    this.inside = inside;
    this.planner = planner;
    this.made = undefined;
  }

  get block(): PlanFill['block'] {
    this.made ??= this.planner.block(this.content, this.inside);
    return this.made;
  }
}
