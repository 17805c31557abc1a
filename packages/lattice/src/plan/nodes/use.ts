import { reachesGiven, type UseNode } from '../../component/index.js';
import type { Finding } from '../../problem/index.js';
import { type Report, withSource } from '../../template/index.js';
import { attributeReads, withMark } from '../attributes/plan-attribute.js';
import { acceptedOf, bindProps, checkSlots, givenTo, ownOf } from '../bind.js';
import { Counts, noRows } from '../counts.js';
import { withProps } from '../misplaced-props.js';
import type { PlanFill, PlanUse } from '../plan.js';
import type { Planner, PlanScope } from '../planner.js';
import { givenMark } from '../selectors.js';
import { useFilled } from '../use-filled.js';
import { withGivenUses } from '../uses-given.js';
import type { PlannedKind } from './kind.js';

/** A use: bound to its component, its content assigned to the component's slots. */
export const use: PlannedKind<UseNode, PlanUse> = {
  plan(written, at, planner) {
    const { component } = written;
    const site = planner.site(component.name, at);
    const tell = (found: Finding): void => planner.report(withSource(found, written), site);
    const node = withProps(written, tell);
    // What is missing is so because something else stands in its place.
    const report: Report = (found) => {
      if (node === written || found.code !== 'prop-missing') tell(found);
    };
    const props = bindProps(node, report);
    checkSlots(node, report);
    const inside: PlanScope = {
      around: site,
      rows: noRows,
      counts: new Counts(),
      tag: '',
      choice: 'open',
    };
    const accepted = acceptedOf(node, props, report);
    const fills = fillsOf(node, inside, planner);
    const parts = {
      props: withGivenUses(component, props, fills, planner.component),
      fills,
      accepted: accepted && withMark(accepted, at.given),
      own: withMark(ownOf(node, report), at.given),
    };
    return new PlannedUse(node, site, parts, planner.planOf);
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
  filled: (node) => node.filled,
};

class PlannedUse implements PlanUse {
  readonly kind = 'use';
  readonly component: PlanUse['component'];
  readonly site: PlanUse['site'];
  readonly props: PlanUse['props'];
  readonly fills: PlanUse['fills'];
  readonly accepted: PlanUse['accepted'];
  readonly own: PlanUse['own'];
  readonly host: string;
  readonly place: PlanUse['place'];
  private readonly planOf: Planner['planOf'];

  constructor(
    { component, host, place }: UseNode,
    site: PlanUse['site'],
    { accepted, fills, own, props }: Pick<PlanUse, 'accepted' | 'fills' | 'own' | 'props'>,
    planOf: Planner['planOf'],
  ) {
    this.component = component;
    this.site = site;
    this.props = props;
    this.fills = fills;
    this.accepted = accepted;
    this.own = own;
    this.host = host ?? '';
    this.place = place;
    this.planOf = planOf;
  }

  get filled(): PlanUse['filled'] {
    return useFilled(this, this.planOf);
  }
}

const noFills: PlanUse['fills'] = [];

function fillsOf(node: UseNode, inside: PlanScope, planner: Planner): PlanUse['fills'] {
  const { names } = node.component.slots;
  if (names.length === 0) return noFills;
  const fills = new Array<PlanFill | undefined>(names.length);
  for (let at = 0; at < names.length; at++) fills[at] = fill(node, names[at] as string, inside, planner);
  return fills;
}

function fill(node: UseNode, name: string, inside: PlanScope, planner: Planner): PlanFill | undefined {
  const given = givenTo(node, name);
  if (!given) return undefined;
  const { content, data } = given;
  if (data !== undefined) planner.locals = Math.max(planner.locals, data + 1);
  // What takes data stands in the component's own shadow root, where it is not slotted.
  const isReached = data === undefined && reachesGiven(node.component);
  const at = isReached ? { ...inside, given: givenMark(node.component.name, name) } : inside;
  return { block: planner.block(content, at), data };
}
