import type { ComponentCore } from '../component/index.js';
import { type Finding, finding, type Problem, placed } from '../problem/index.js';
import { describe, type ExprCore } from '../template/index.js';
import { unknownAttribute } from './attribute-names.js';
import { propFault, settledValue } from './bind.js';
import { checkElement } from './element-checks.js';
import { Ids } from './ids.js';
import { knownValue, open } from './known.js';
import { elementMisfit, type Misfit, openName, textMisfit } from './nesting.js';
import { outline } from './outline.js';
import type { Plan, PlanNode, PlanSlot, PlanUse } from './plan.js';
import { planOf } from './plan-content.js';
import { pathTo, type Scope, type ScopedFill, type Spot, short, topSpot } from './scope.js';
import { scopedRules } from './scope-rules.js';
import { childLists, mayBeNothing, treeSlot } from './slot-state.js';
import type { TreeCondition, TreePart, TreeProp, TreeStyles, TreeUse } from './tree.js';

/** Follows a plan through all its components, gathering the tree, its problems and its styles. */
export class TreeBuilder {
  readonly problems: Problem[] = [];
  readonly ids = new Ids();
  readonly styled = new Map<ComponentCore, string>();
  readonly #told = new Set<string>();
  readonly #named = new Map<string, ComponentCore>();
  /** Whether nothing outside the tree can come to it, so that its references have to meet inside it. */
  isWhole = false;

  root(plan: Plan): TreeUse {
    const scope: Scope = {
      component: undefined,
      path: '',
      known: new Map(),
      fills: [],
      isOpen: false,
      above: [],
    };
    const into: TreePart[] = [];
    this.isWhole = true;
    this.faults(plan, scope);
    this.nodes(plan.content, scope, topSpot(into));
    return into.find((part): part is TreeUse => 'component' in part) as TreeUse;
  }

  openRoot(component: ComponentCore): TreeUse {
    const scope = this.enter(component, component.name, new Map(), [], true, []);
    const uses: TreePart[] = [];
    this.follow(component, scope, topSpot(uses), false);
    return {
      component: component.name,
      path: component.name,
      props: component.props.names.map((name, index) => ({
        name,
        kind: component.props.kinds[index]?.rules.word ?? '',
        from: 'open' as const,
      })),
      slots: component.slots.names.map((name) => ({ name, state: 'open' as const, content: [] })),
      uses: uses.filter((part): part is TreeUse => 'component' in part),
      under: [],
      ...(component.source && { source: component.source }),
    };
  }

  finish(): readonly Problem[] {
    return [...this.problems, ...this.ids.doubled(), ...(this.isWhole ? this.ids.dangling() : [])];
  }

  styles(): TreeStyles[] {
    return [...this.styled].map(([component, css]) => ({ component: component.name, css }));
  }

  report(found: Finding, where: string): void {
    const { source } = found;
    const key = `${found.code} ${where} ${found.message} ${source ? `${source.line}:${source.column}` : ''}`;
    if (this.#told.has(key)) return;
    this.#told.add(key);
    this.problems.push(placed(found, where));
  }

  faults(plan: Plan, scope: Scope): void {
    for (const { finding: found, site } of plan.faults) this.report(found, pathTo(scope, site));
  }

  enter(
    component: ComponentCore,
    path: string,
    known: ReadonlyMap<string, unknown>,
    fills: readonly (ScopedFill | undefined)[],
    isOpen: boolean,
    above: readonly ComponentCore[],
  ): Scope {
    const namesake = this.#named.get(component.name);
    if (namesake && namesake !== component) {
      const by = namesake.source ? `, the other at ${namesake.source.file}:${namesake.source.line}` : '';
      this.report(withSource(finding('name-taken', { name: component.name, by }), component), path);
    }
    this.#named.set(component.name, component);
    if (component.styles !== '' && !this.styled.has(component)) {
      this.styled.set(component, component.styles);
      for (const found of scopedRules(component).findings) this.report(withSource(found, component), path);
    }
    return { component, path, known, fills, isOpen, above: [...above, component] };
  }

  /** Follows a component's template. */
  follow(component: ComponentCore, scope: Scope, spot: Spot, isKnown: boolean): void {
    const plan = planOf(component);
    this.faults(plan, scope);
    this.unplacedSlots(component, plan, scope);
    this.nodes(plan.content, scope, {
      ...spot,
      under: [],
      outlines: false,
      unconditional: isKnown ? spot.unconditional : [component],
    });
  }

  unplacedSlots(component: ComponentCore, plan: Plan, scope: Scope): void {
    if (plan.faults.some((one) => one.finding.severity === 'error' && !one.site)) return;
    const placedSlots = new Set<number>();
    const visit = (nodes: readonly PlanNode[]): void => {
      for (const node of nodes) {
        if (node.kind === 'slot') placedSlots.add(node.slot);
        for (const inner of childLists(node)) visit(inner);
      }
    };
    visit(plan.content);
    for (const [index, slot] of component.slots.names.entries()) {
      if (!placedSlots.has(index)) {
        this.report(
          finding('slot-unplaced', { component: component.name, slot }, component.source),
          scope.path,
        );
      }
    }
  }

  nodes(nodes: readonly PlanNode[], scope: Scope, spot: Spot): void {
    for (const node of nodes) this.node(node, scope, spot);
  }

  node(node: PlanNode, scope: Scope, spot: Spot): void {
    if (spot.outlines && node.kind !== 'use' && node.kind !== 'slot') {
      const line = outline(node);
      if (line !== '') spot.into.push({ outline: line });
    }
    switch (node.kind) {
      case 'text':
        return this.misfit(
          textMisfit(node.text, spot.open),
          `The text ${JSON.stringify(short(node.text))}`,
          scope,
        );
      case 'value':
        return this.misfit(textMisfit(undefined, spot.open), describe(node.value), scope);
      case 'trusted':
        return;
      case 'element': {
        const tag = typeof node.tag === 'string' ? node.tag : '?';
        checkElement(node, (found) => this.report(found, scope.path));
        if (tag !== '?') this.misfit(elementMisfit(tag, spot.open), `<${tag}>`, scope, node.source);
        this.ids.element(tag, node.attributes, scope.known, {
          where: scope.path,
          branches: spot.branches,
          repeats: spot.repeats,
          source: node.source,
        });
        const inside = {
          ...spot,
          open: [...spot.open, tag === '?' ? tag : openName(tag, spot.open)],
          outlines: false,
        };
        if (tag !== 'script' && tag !== 'style') this.nodes(node.content, scope, inside);
        return;
      }
      case 'given': {
        const of = describe(node.test);
        const side = (kind: 'given' | 'otherwise'): Spot => ({
          ...spot,
          outlines: false,
          under: [...spot.under, { kind, of }],
          branches: [...spot.branches, { of: node, side: kind === 'given' ? 'then' : 'otherwise' }],
          unconditional: [],
        });
        this.nodes(node.content, scope, side('given'));
        return this.nodes(node.otherwise, scope, side('otherwise'));
      }
      case 'each': {
        const list = Array.isArray(node.list) ? node.list : knownValue(node.list as ExprCore, scope.known);
        const of = Array.isArray(node.list)
          ? `a list of ${node.list.length}`
          : describe(node.list as ExprCore);
        const rows = Array.isArray(list) ? { rows: list.length } : {};
        const base = { ...spot, outlines: false, unconditional: [] };
        this.nodes(node.row, scope, {
          ...base,
          under: [...spot.under, { kind: 'each', of, ...rows }],
          repeats: !('rows' in rows) || (rows.rows ?? 0) > 1,
        });
        return this.nodes(node.empty, scope, { ...base, under: [...spot.under, { kind: 'empty', of }] });
      }
      case 'slot':
        return this.slot(node, scope, spot);
      case 'use':
        return this.use(node, scope, spot);
    }
  }

  slot(node: PlanSlot, scope: Scope, spot: Spot): void {
    const scoped = scope.fills[node.slot];
    if (scoped) {
      const first = !scoped.shown;
      scoped.shown = true;
      this.nodes(scoped.fill.content, scoped.scope, {
        ...spot,
        under: [],
        into: first ? scoped.parts : [],
        outlines: first,
      });
    }
    if (!scoped || mayBeNothing(scoped.fill.content)) {
      const under: TreeCondition = { kind: 'fallback', of: `slots.${node.name}` };
      this.nodes(node.fallback, scope, { ...spot, under: [...spot.under, under] });
    }
  }

  use(node: PlanUse, scope: Scope, spot: Spot): void {
    const { component } = node;
    const path = pathTo(scope, node.site);
    const known = new Map<string, unknown>();
    const props = node.props.map((prop, index) => this.prop(node, index, prop.expr, scope, path, known));
    this.accepted(node, known, path);
    const fills = node.fills.map((fill) => fill && { fill, scope, parts: [], shown: false });
    const inside = this.enter(component, path, known, fills, false, scope.above);
    const uses: TreePart[] = [];
    const recursive = this.goesRound(node, scope, spot, path);
    if (!recursive) {
      this.follow(
        component,
        inside,
        { ...spot, into: uses, unconditional: [...spot.unconditional, component] },
        true,
      );
    }
    for (const fill of fills) if (fill && !fill.shown) this.showUnplaced(fill, spot);
    spot.into.push({
      component: component.name,
      path,
      props,
      slots: component.slots.names.map((name, index) => treeSlot(component, name, index, fills[index])),
      uses: uses.filter((part): part is TreeUse => 'component' in part),
      under: spot.under,
      ...(recursive && { recursive: true as const }),
      ...(node.source && { source: node.source }),
    });
  }

  /** Attributes given to the element that a component renders as, as far as it is known which one that is. */
  accepted(node: PlanUse, known: ReadonlyMap<string, unknown>, path: string): void {
    const tag = known.get(node.component.accepts ?? '');
    if (typeof tag !== 'string') return;
    for (const name of Object.keys(node.accepted ?? {})) {
      const found = unknownAttribute(tag, name);
      if (found) this.report(node.source ? { ...found, source: node.source } : found, path);
    }
  }

  /** Whether a use stands inside its own component; without a condition in between that is a problem. */
  goesRound(node: PlanUse, scope: Scope, spot: Spot, path: string): boolean {
    if (!scope.above.includes(node.component)) return false;
    if (spot.unconditional.includes(node.component)) {
      const from = spot.unconditional.indexOf(node.component);
      const round = [...spot.unconditional.slice(from), node.component].map((one) => one.name).join(' › ');
      this.report(finding('component-cycle', { path: round }, node.source), path);
    }
    return true;
  }

  /** Content that the component places nowhere, or under a use that is not followed: it still is in the tree. */
  showUnplaced(scoped: ScopedFill, spot: Spot): void {
    scoped.shown = true;
    this.nodes(scoped.fill.content, scoped.scope, {
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
    expr: ExprCore | undefined,
    scope: Scope,
    path: string,
    known: Map<string, unknown>,
  ): TreeProp {
    const bound = node.props[index];
    const name = bound?.name ?? '';
    const base = {
      name,
      kind: node.component.props.kinds[index]?.rules.word ?? '',
      from: bound?.from ?? 'absent',
    };
    if (!expr) {
      known.set(name, bound?.value);
      return bound?.value === undefined ? base : { ...base, value: bound.value };
    }
    const value = knownValue(expr, scope.known);
    if (value === open) return { ...base, expression: describe(expr) };
    const found = propFault(node.component, index, value);
    if (found) this.report(node.source ? { ...found, source: node.source } : found, path);
    else known.set(name, settledValue(node.component, index, value));
    return { ...base, expression: describe(expr), value };
  }

  misfit(
    misfit: Misfit | undefined,
    what: string,
    scope: Scope,
    source?: ReturnType<typeof stepSource>,
  ): void {
    if (!misfit) return;
    this.report(finding('content-not-allowed', { what, ...misfit }, source), scope.path);
  }
}

function withSource(found: Finding, { source }: ComponentCore): Finding {
  return source ? { ...found, source } : found;
}

function stepSource(node: PlanUse): PlanUse['source'] {
  return node.source;
}
