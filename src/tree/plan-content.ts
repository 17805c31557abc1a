import { type ComponentCore, componentCore, perComponent } from '../component/index.js';
import { type Finding, finding, show } from '../problem/index.js';
import {
  blueprintOf,
  type Content,
  coreOf,
  describeValue,
  type ElementNode,
  type ExprCore,
  isNode,
  type Node,
  type Site,
  type SiteStep,
  type UseNode,
} from '../template/index.js';
import { acceptedOf, bindProps, checkSlots, isNothing } from './bind.js';
import type { Fault, Plan, PlanElement, PlanFill, PlanNode, PlanUse } from './plan.js';

/** The plan of a component, made once. */
export const planOf: (component: ComponentCore) => Plan = /* @__PURE__ */ perComponent((component) => {
  const { content, findings } = blueprintOf(component);
  const faults = findings.map((found) => ({ finding: found, site: undefined }));
  return new Planner(component).plan(content, faults);
});

/** The plan of content that stands in no component, such as a use built on the spot. */
export function planContent(content: Content): Plan {
  return new Planner(undefined).plan(content, []);
}

/** Counts the uses of each name below one step, so that a step has a number only where there are several. */
type Counts = Map<string, number>;

class Planner {
  readonly component: ComponentCore | undefined;
  readonly uses: PlanUse[] = [];
  readonly faults: Fault[] = [];
  locals = 0;
  places = 0;

  constructor(component: ComponentCore | undefined) {
    this.component = component;
  }

  plan(content: Content, faults: readonly Fault[]): Plan {
    this.faults.push(...faults);
    const nodes = this.content(content, { path: [], rows: [], counts: new Map() });
    return {
      component: this.component,
      content: nodes,
      uses: this.uses,
      faults: this.faults,
      locals: this.locals,
    };
  }

  report(found: Finding, site?: Site): void {
    this.faults.push({ finding: found, site });
  }

  content(content: unknown, at: At): PlanNode[] {
    const nodes: PlanNode[] = [];
    this.add(content, at, nodes);
    return nodes;
  }

  add(content: unknown, at: At, nodes: PlanNode[]): void {
    if (typeof content === 'string') {
      if (content !== '') nodes.push({ kind: 'text', text: content });
    } else if (typeof content === 'number' || typeof content === 'bigint') {
      nodes.push({ kind: 'text', text: String(content) });
    } else if (content === null || content === undefined || content === false) {
      // Nothing to place.
    } else if (Array.isArray(content)) {
      for (const part of content) this.add(part, at, nodes);
    } else if (isNode(content)) {
      nodes.push(this.node(content as Node, at));
    } else {
      const value = coreOf(content);
      if (value) nodes.push({ kind: 'value', value });
      else this.report(misplaced(content));
    }
  }

  node(node: Node, at: At): PlanNode {
    switch (node.kind) {
      case 'element':
        return this.element(node, at);
      case 'given':
        return {
          kind: 'given',
          test: node.test,
          content: this.content(node.content, at),
          otherwise: this.content(node.otherwise, at),
        };
      case 'each': {
        this.locals = Math.max(this.locals, node.item + 2);
        const list = coreOf(node.list) ?? node.list;
        if (!coreOf(node.list) && !isListOrMissing(node.list)) {
          this.report(
            finding('list-invalid', { name: describeValue(node.list), got: show(node.list) }, node.source),
          );
        }
        return {
          kind: 'each',
          list: isListOrMissing(list) ? (list ?? []) : (list as ExprCore),
          item: node.item,
          label: node.label,
          key: node.key,
          row: this.content(node.row, { ...at, rows: [...at.rows, node.item + 1] }),
          empty: this.content(node.empty, at),
        };
      }
      case 'slot':
        return {
          kind: 'slot',
          name: node.name,
          slot: this.component?.slots.at.get(node.name) ?? -1,
          number: this.places++,
          data: node.data,
          hands: this.component?.slots.kinds[this.component.slots.at.get(node.name) ?? -1]?.hands ?? false,
          fallback: this.content(node.fallback, at),
        };
      case 'trusted':
        return {
          kind: 'trusted',
          html: coreOf(node.html) ?? String(node.html),
          source: node.source,
        };
      case 'use':
        return this.use(node, at);
    }
  }

  element(node: ElementNode, at: At): PlanElement {
    return {
      kind: 'element',
      tag: coreOf(node.tag) ?? String(node.tag),
      attributes: node.attributes ?? {},
      content: this.content(node.content, at),
      source: node.source,
    };
  }

  use(node: UseNode, at: At): PlanUse {
    const { component } = node;
    const step = stepAt(component.name, at);
    const site: Site = { path: [...at.path, step], number: this.places++ };
    const report = (found: Finding): void => this.report(found, site);
    const props = bindProps(node, report);
    checkSlots(node, report);
    const inside: At = { path: site.path, rows: [], counts: new Map() };
    const use: PlanUse = {
      kind: 'use',
      component,
      site,
      props,
      fills: component.slots.names.map((name) => this.fill(node, name, inside)),
      accepted: acceptedOf(node),
      source: node.source,
    };
    this.uses.push(use);
    return use;
  }

  fill(node: UseNode, name: string, inside: At): PlanFill | undefined {
    const given = node.slots[name];
    if (!given || isNothing(given.content)) return undefined;
    if (given.data !== undefined) this.locals = Math.max(this.locals, given.data + 1);
    return { content: this.content(given.content, inside), data: given.data };
  }
}

interface At {
  readonly path: readonly SiteStep[];
  readonly rows: readonly number[];
  readonly counts: Counts;
}

/** The step of a use below its surroundings; its number shows once a second one of the name has come. */
function stepAt(name: string, at: At): SiteStep {
  const { counts } = at;
  const mine = (counts.get(name) ?? 0) + 1;
  counts.set(name, mine);
  return {
    name,
    rows: at.rows,
    get nth() {
      return (counts.get(name) ?? 0) > 1 ? mine : undefined;
    },
  };
}

function isListOrMissing(candidate: unknown): candidate is readonly unknown[] | null | undefined {
  return Array.isArray(candidate) || candidate === null || candidate === undefined;
}

/** Words what stands where content belongs and is none. */
export function misplaced(content: unknown): Finding {
  const place = 'where content belongs';
  const component = componentCore(content);
  if (component) {
    return finding('content-not-allowed', {
      what: `The component ${component.name} itself`,
      place,
      hint: 'Call it to use it, with its props: Name({ … }).',
    });
  }
  if (typeof content === 'function') {
    return finding('content-not-allowed', {
      what: 'A function',
      place,
      hint: 'A slot is placed by calling it: slots.default(). An element is made by calling its builder: el.br().',
    });
  }
  return finding('content-not-allowed', { what: upper(show(content)), place, hint: contentHint(content) });
}

function contentHint(content: unknown): string {
  if (content === true) return 'Write text for it: given(test, "yes", "no").';
  if (content instanceof Promise) return 'Wait for it before, and hand what comes of it over as a prop.';
  if (content instanceof Date) return 'Write it as text: calc(date, (d) => d.toISOString()).';
  return 'Repeat a list with eachOf(list, (item) => …); of a record place a field.';
}

function upper(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
