import { type ComponentCore, saidOf } from '../component/index.js';
import {
  type Block,
  givenHere,
  hasHostRules,
  hostTag,
  isInteractive,
  type Plan,
  type PlanKind,
  type PlanNode,
  type PlanOf,
  type PlanUse,
  planOf,
  settledProp,
  unplacedOwn,
} from '../plan/index.js';
import { type Finding, finding, type Problem, placed } from '../problem/index.js';
import { scopedRules } from '../styles/index.js';
import { describe, type Fill, placeOfNode, withSource } from '../template/index.js';
import { unknownAttribute } from './attribute-names.js';
import { followElement } from './element-checks.js';
import { undeclaredEvent } from './event-names.js';
import { Ids } from './ids.js';
import { keyFault } from './keys.js';
import { knownState, knownValue, open } from './known.js';
import { elementMisfit, type Misfit, textMisfit } from './nesting.js';
import { listName, outline } from './outline.js';
import { placementFault } from './placement.js';
import {
  madeId,
  outside,
  pathTo,
  rootIn,
  type ScopedFill,
  type Spot,
  short,
  type TreeScope,
  topSpot,
  under,
} from './scope.js';
import { filledState, treeSlot } from './slot-state.js';
import type { TreePart, TreeProp, TreeStyles, TreeUse } from './tree.js';

/** How many uses are followed to the end; of what comes after, each component is followed once. */
const mostUses = 5_000;

/** Follows a plan through all its components, gathering the tree, its problems and its styles. */
export class TreeBuilder {
  readonly problems: Problem[] = [];
  readonly ids = new Ids();
  readonly styled = new Map<ComponentCore, string>();
  /** Where the slots of an open root stand, by their numbers. */
  readonly slotSpots = new Map<number, Spot[]>();
  /** The elements that were followed, each with the open ones around it. */
  readonly elements: { readonly tag: string; readonly open: readonly string[] }[] = [];
  /** How many uses were followed, and of which components. */
  private uses = 0;
  private readonly followed = new Set<ComponentCore>();
  /** How many were left as they are, since there are too many. */
  private leftOut = 0;
  readonly #reported = new Set<string>();
  readonly #named = new Map<string, ComponentCore>();
  /** Whether nothing outside the tree can come to it, so that its references have to meet inside it. */
  isWhole = false;
  /** Whether components are followed to their ends, so that it is known which shadow root an id stands in. */
  readonly followsAll: boolean = true;

  root(plan: Plan): TreeUse {
    const into: TreePart[] = [];
    this.isWhole = true;
    this.faults(plan, outside);
    this.nodes(plan.content, outside, topSpot(into));
    return into.find((part): part is TreeUse => 'component' in part) as TreeUse;
  }

  openRoot(component: ComponentCore): TreeUse {
    const { names, kinds } = component.props;
    const scope: TreeScope = {
      ...outside,
      component,
      path: component.name,
      open: new Set(names.keys()),
      isOpen: true,
      root: rootIn(component, outside),
      above: [component],
    };
    this.enter(component, component.name);
    const uses: TreePart[] = [];
    this.follow(component, scope, topSpot(uses), false);
    return {
      component: component.name,
      path: component.name,
      props: names.map((name, index) => ({
        name,
        kind: kinds[index]?.rules.word ?? '',
        from: 'open' as const,
      })),
      slots: component.slots.names.map((name) => ({ name, state: 'open' as const, content: [] })),
      uses: uses.filter((part): part is TreeUse => 'component' in part),
      under: [],
      // Read from a stack, for those alone who ask for it.
      get source() {
        return component.source;
      },
    } as TreeUse;
  }

  finish(): readonly Problem[] {
    if (this.leftOut > 0) this.report(finding('tree-cut', { most: mostUses, left: this.leftOut }), '');
    return [
      ...this.problems,
      ...this.ids.doubled(),
      ...(this.isWhole ? this.ids.dangling() : []),
      ...(this.followsAll ? this.ids.unreachable() : []),
    ];
  }

  styles(): TreeStyles[] {
    return [...this.styled].map(([component, css]) => ({ component: component.name, css }));
  }

  report(found: Finding, where: string): void {
    const { source } = found;
    const key = `${found.code} ${where} ${found.message} ${source ? `${source.line}:${source.column}` : ''}`;
    if (this.#reported.has(key)) return;
    this.#reported.add(key);
    this.problems.push(placed(found, where));
  }

  faults(plan: Plan, scope: TreeScope): void {
    for (const { finding: found, site } of plan.faults) this.report(found, pathTo(scope, site));
  }

  /** Takes note of a component: its name, its rules. */
  enter(component: ComponentCore, path: string): void {
    const namesake = this.#named.get(component.name);
    if (namesake && namesake !== component) {
      const by = namesake.source ? `, the other at ${namesake.source.file}:${namesake.source.line}` : '';
      this.report(saidOf(finding('name-taken', { name: component.name, by }), component), path);
    }
    this.#named.set(component.name, component);
    if (component.styles === '' || this.styled.has(component)) return;
    this.styled.set(component, component.styles);
    for (const found of scopedRules(component).findings) this.report(saidOf(found, component), path);
  }

  /** Follows a component's template. */
  follow(component: ComponentCore, scope: TreeScope, spot: Spot, isKnown: boolean): void {
    const plan = planOf(component);
    this.faults(plan, scope);
    if (hasHostRules(component)) {
      const hint = 'Write those rules for the elements of the template instead.';
      const misfit = (open: readonly string[]): Misfit | undefined => {
        const found = elementMisfit(hostTag, open);
        return found && { ...found, hint };
      };
      this.misfit(misfit, `<${hostTag}>, which its rules with :host are for,`, scope, spot.open);
    }
    this.unplacedSlots(component, plan, scope);
    const inside: Spot = {
      ...spot,
      writtenIn: component,
      shownIn: component,
      under: [],
      outlines: false,
      unconditional: isKnown ? spot.unconditional : [component],
    };
    if (!plan.onFailure) return this.nodes(plan.content, scope, inside);
    const branch = (side: 'then' | 'otherwise'): Spot['branches'] => [...spot.branches, { of: plan, side }];
    this.nodes(plan.content, scope, { ...inside, branches: branch('then') });
    this.nodes(plan.onFailure.block, scope, {
      ...under(inside, { kind: 'failure', of: component.name }),
      branches: branch('otherwise'),
      unconditional: [],
    });
  }

  unplacedSlots(component: ComponentCore, plan: Plan, scope: TreeScope): void {
    if (plan.faults.some((one) => one.finding.severity === 'error' && !one.site)) return;
    for (const [index, slot] of component.slots.names.entries()) {
      if (plan.content.some((node) => node.kind === 'slot' && node.slot === index)) continue;
      this.report(
        saidOf(finding('slot-unplaced', { component: component.name, slot }), component),
        scope.path,
      );
    }
  }

  nodes({ nodes }: Block, scope: TreeScope, spot: Spot): void {
    for (const node of nodes) {
      if (spot.outlines && node.kind !== 'use' && node.kind !== 'slot') {
        const line = outline(node);
        if (line !== '') spot.into.push({ outline: line });
      }
      // The line for a kind takes just that kind; TypeScript cannot follow the two through one index.
      (followers[node.kind] as Follower<PlanNode>)(node, scope, spot, this);
    }
  }

  use(node: PlanUse, scope: TreeScope, spot: Spot): void {
    const { component } = node;
    const path = pathTo(scope, node.site);
    if (!this.admit(component)) {
      const left = { component: component.name, path, props: [], slots: [], uses: [], under: spot.under };
      return void spot.into.push({ ...left, left: true });
    }
    const values: unknown[] = [];
    const openProps = new Set<number>();
    const props = component.props.names.map((_name, index) =>
      this.prop(node, index, scope, path, values, openProps),
    );
    const fills = node.fills.map((fill) => fill && { fill, scope, of: component, parts: [], shown: false });
    this.enter(component, path);
    this.placement(node, spot, path);
    this.deprecated(node, path);
    this.own(node, scope, spot, path);
    const entered = [...scope.entered, { node, path, depth: spot.open.length }];
    const inside = { ...this.scopeOf(node, scope, path, values, openProps, fills), entered };
    this.accepted(values[component.props.at.get(component.accepts ?? '') ?? -1], node, path);
    const uses: TreePart[] = [];
    const recursive = this.goesRound(node, scope, spot, path);
    if (!recursive) {
      const unconditional = [...spot.unconditional, component];
      this.follow(component, inside, { ...spot, into: uses, unconditional }, true);
    }
    for (const fill of fills) if (fill && !fill.shown) this.showUnplaced(fill, spot);
    spot.into.push({
      component: component.name,
      path,
      props,
      slots: component.slots.names.map((name, index) => treeSlot(component, name, index, fills[index])),
      uses: uses.filter((part): part is TreeUse => 'component' in part),
      under: spot.under,
      ...(spot.isHidden && { shown: false as const }),
      ...(recursive && { recursive: true as const }),
      get source() {
        return placeOfNode(node);
      },
    } as TreeUse);
  }

  /** What stands on a page itself is looked at with its page: alone it may be rendered, tried and tested anywhere. */
  placement(node: PlanUse, { shownIn, writtenIn }: Spot, path: string): void {
    const parents = [writtenIn, shownIn].filter((one) => one !== undefined);
    const fault = parents.length > 0 ? placementFault(node.component, parents) : undefined;
    if (fault) this.report(withSource(fault, node), path);
  }

  /** Uses of what its author says should no longer be used. */
  deprecated({ component, fills, own, place, props }: PlanUse, path: string): void {
    const say = (what: string, instead: string | undefined): void => {
      if (instead !== undefined)
        this.report(withSource(finding('deprecated-used', { what, instead }), { place }), path);
    };
    const { name } = component;
    say(`The component ${name}`, component.deprecated);
    for (const [index, { from, name: prop }] of props.entries())
      if (from === 'given')
        say(`The prop "${prop}" of ${name}`, component.props.kinds[index]?.settings.deprecated);
    for (const [index, fill] of fills.entries())
      if (fill)
        say(`The slot "${component.slots.names[index]}" of ${name}`, component.slots.kinds[index]?.instead);
    for (const one of own)
      if (one.kind === 'listener' && Object.hasOwn(component.events, one.type))
        say(`The event "${one.type}" of ${name}`, component.events[one.type]?.instead);
  }

  scopeOf(
    node: PlanUse,
    owner: TreeScope,
    path: string,
    props: readonly unknown[],
    openProps: ReadonlySet<number>,
    fills: readonly (ScopedFill | undefined)[],
  ): TreeScope {
    const { component, site } = node;
    const state = openProps.size === 0 ? knownState(component, props) : undefined;
    return {
      component,
      path,
      values: {
        ...outside.values,
        name: component.name,
        props,
        fills: fills.map((one): Fill | undefined => one && { isFilled: () => filledState(one) === true }),
        owner: owner.values,
        site,
        state,
      },
      open: openProps,
      isStateKnown: state !== undefined,
      fills,
      isOpen: false,
      owner,
      accepted: isInteractive(component) ? undefined : givenHere(node, owner),
      given: node.props.map(({ expr }) => expr),
      root: rootIn(component, owner),
      above: [...owner.above, component],
      entered: owner.entered,
    };
  }

  /** The ids of a component's own element, or that there is no one element for what its use gives to it. */
  own(node: PlanUse, scope: TreeScope, spot: Spot, path: string): void {
    const { component, own, place } = node;
    if (own.length === 0) return;
    for (const one of own) {
      const unheard = one.kind === 'listener' ? undeclaredEvent(node, one.type) : undefined;
      if (unheard) this.report(withSource(unheard, node), path);
      const unknown =
        one.kind === 'fixed' || one.kind === 'value' ? unknownAttribute(component.name, one.name) : undefined;
      if (unknown && !/^(?:name|form)$/.test(one.key)) this.report(withSource(unknown, node), path);
    }
    const found = isInteractive(component) ? undefined : unplacedOwn(node, isInteractive);
    if (found) this.report(found, path);
    if (!isInteractive(component)) return;
    this.ids.element(
      component.name,
      own,
      (core) => knownValue(core, scope),
      (core) => madeId(core, scope),
      { where: path, branches: spot.branches, repeats: spot.repeats, place, root: scope.root },
    );
  }

  /** Attributes given to the element that a component renders as, as far as it is known which one that is. */
  accepted(tag: unknown, node: PlanUse, path: string): void {
    if (typeof tag !== 'string') return;
    for (const one of node.accepted ?? []) {
      const found =
        one.kind === 'fixed' || one.kind === 'value' ? unknownAttribute(tag, one.name) : undefined;
      if (found) this.report(withSource(found, node), path);
    }
  }

  /**
   * Takes note of a component that is followed, and returns whether it is: after so many uses, one that was followed before
   * is left as it is. Components that may hold one another make trees that no program could walk to their end.
   */
  private admit(component: ComponentCore): boolean {
    const isNew = !this.followed.has(component);
    this.followed.add(component);
    const follows = this.uses++ < mostUses || isNew;
    if (!follows) this.leftOut++;
    return follows;
  }

  /** Whether a use stands inside its own component; without a condition in between that is a problem. */
  goesRound(node: PlanUse, scope: TreeScope, spot: Spot, path: string): boolean {
    if (!scope.above.includes(node.component)) return false;
    if (spot.unconditional.includes(node.component)) {
      const from = spot.unconditional.indexOf(node.component);
      const round = [...spot.unconditional.slice(from), node.component].map((one) => one.name).join(' › ');
      this.report(withSource(finding('component-cycle', { path: round }), node), path);
    }
    return true;
  }

  /** Content that the component places nowhere, or under a use that is not followed: it still is in the tree. */
  showUnplaced(scoped: ScopedFill, spot: Spot): void {
    scoped.shown = true;
    this.nodes(scoped.fill.block, scoped.scope, {
      ...spot,
      open: ['?'],
      under: [],
      unconditional: [],
      into: scoped.parts,
      outlines: true,
    });
  }

  prop(
    node: PlanUse,
    index: number,
    scope: TreeScope,
    path: string,
    values: unknown[],
    openProps: Set<number>,
  ): TreeProp {
    const { name, from, expr, value: constant } = node.props[index] as PlanUse['props'][number];
    const base = { name, kind: node.component.props.kinds[index]?.rules.word ?? '', from };
    if (!expr) {
      values[index] = constant;
      return constant === undefined ? base : { ...base, value: constant };
    }
    const value = knownValue(expr, scope);
    if (value === open) {
      openProps.add(index);
      return { ...base, expression: describe(expr) };
    }
    values[index] = settledProp(node.component, index, value, (found) => {
      openProps.add(index);
      this.report(withSource(found, node), path);
    });
    return { ...base, expression: describe(expr), value };
  }

  /**
   * Reports what may not stand where it does: where it is written, or where the component is used that it may stand in by
   * itself, since what does not fit is around that use.
   *
   * @param misfitIn what is wrong with it in these open tags
   */
  misfit(
    misfitIn: (open: readonly string[]) => Misfit | undefined,
    what: string,
    scope: TreeScope,
    open: readonly string[],
    written: { readonly place: object | undefined } = { place: undefined },
  ): void {
    const misfit = misfitIn(open);
    if (!misfit || isMovedByParser(scope.component)) return;
    const use = scope.entered.find(({ depth }) => depth > 0 && !misfitIn(open.slice(depth)));
    const of = use ? what.replace(/(?=, which )|$/, ` of ${use.node.component.name}`) : what;
    const found = finding('content-not-allowed', { what: of, ...misfit });
    this.report(withSource(found, use?.node ?? written), use?.path ?? scope.path);
  }
}

/** Whether it is reported already that a parser moved parts of a component's text: where they stand now is no fault of theirs. */
function isMovedByParser(component: ComponentCore | undefined): boolean {
  if (!component || typeof component.template === 'function') return false;
  return planOf(component).faults.some((one) => one.finding.code === 'content-not-allowed');
}

/** References of HTML text (https://html.spec.whatwg.org/#named-character-references) whose signs people mean most. */
const signs: Readonly<Record<string, string>> = {
  nbsp: "'\\u00a0'",
  amp: '"&"',
  lt: '"<"',
  gt: '">"',
  quot: "'\"'",
  apos: '"\'"',
  shy: "'\\u00ad'",
  mdash: '"—"',
  ndash: '"–"',
  hellip: '"…"',
  euro: '"€"',
  copy: '"©"',
  times: '"×"',
  middot: '"·"',
  rarr: '"→"',
  larr: '"←"',
};

/** Text that is written as HTML text is, where nothing reads it so. Code may be about such text. */
function escapedIn(text: string, around: string | undefined): Finding | undefined {
  const [written, name = ''] = /&(\w{2,6}|#\d{2,5}|#x[\da-f]{2,5});/i.exec(text) ?? [];
  if (written === undefined || /^(?:code|pre|kbd|samp|textarea|script|style)$/.test(around ?? ''))
    return undefined;
  const code = /^#(x?)([\da-f]+)$/i.exec(name);
  const sign = code ? String.fromCodePoint(Number.parseInt(code[2] ?? '', code[1] ? 16 : 10)) : undefined;
  const meant = sign === undefined ? signs[name] : JSON.stringify(sign);
  return meant === undefined
    ? undefined
    : finding('text-escaped', { written: JSON.stringify(written), sign: meant });
}

type Follower<Node> = (node: Node, scope: TreeScope, spot: Spot, builder: TreeBuilder) => void;

const followers: { readonly [Kind in PlanKind]: Follower<PlanOf<Kind>> } = {
  text({ text }, scope, spot, builder) {
    const what = `The text ${JSON.stringify(short(text))}`;
    builder.misfit((open) => textMisfit(text, open), what, scope, spot.open);
    const { component } = scope;
    const escaped = typeof component?.template === 'function' ? escapedIn(text, spot.open.at(-1)) : undefined;
    if (component && escaped) builder.report(saidOf(escaped, component), scope.path);
  },
  value: ({ value }, scope, spot, builder) =>
    builder.misfit((open) => textMisfit(undefined, open), describe(value), scope, spot.open),
  trusted: () => undefined,
  data: () => undefined,
  element: followElement,
  given(node, scope, spot, builder) {
    const of = describe(node.test);
    const known = knownValue(node.test, scope);
    const side = (kind: 'given' | 'otherwise'): Spot => ({
      ...under(spot, { kind, of, ...(known !== open && { holds: !!known === (kind === 'given') }) }),
      branches: [...spot.branches, { of: node, side: kind === 'given' ? 'then' : 'otherwise' }],
      unconditional: [],
    });
    builder.nodes(node.content, scope, side('given'));
    builder.nodes(node.otherwise, scope, side('otherwise'));
  },
  each(node, scope, spot, builder) {
    const list = knownValue(node.list, scope);
    const of = listName(node.list);
    const rows = Array.isArray(list) ? list.length : list === undefined || list === null ? 0 : undefined;
    const base = { ...spot, unconditional: [] };
    const known = rows === undefined ? {} : { rows, holds: rows > 0 };
    const keys = keyFault(node, list, scope, of);
    if (keys) builder.report(scope.component ? saidOf(keys, scope.component) : keys, scope.path);
    builder.nodes(node.row, scope, {
      ...under(base, { kind: 'each', of, ...known }),
      repeats: rows === undefined || rows > 1,
    });
    const none = rows === undefined ? {} : { holds: rows === 0 };
    builder.nodes(node.empty, scope, under(base, { kind: 'empty', of, ...none }));
  },
  slot(node, scope, spot, builder) {
    const scoped = scope.fills[node.slot];
    if (scoped) {
      const first = !scoped.shown;
      scoped.shown = true;
      builder.nodes(scoped.fill.block, scoped.scope, {
        ...spot,
        writtenIn: scoped.of,
        under: [],
        into: first ? scoped.parts : [],
        outlines: first,
      });
    }
    if (!scoped && scope.isOpen)
      builder.slotSpots.set(node.slot, [...(builder.slotSpots.get(node.slot) ?? []), spot]);
    const filled = scoped ? filledState(scoped) : false;
    if (filled === true) return;
    const isOpen = filled === undefined || (scope.isOpen && !scoped);
    const of = `slots.${node.name}`;
    builder.nodes(
      node.fallback,
      scope,
      under(spot, { kind: 'fallback', of, ...(!isOpen && { holds: true }) }),
    );
  },
  use: (node, scope, spot, builder) => builder.use(node, scope, spot),
};
