import { type ComponentCore, componentCore, perComponent, saidOf } from '../component/index.js';
import { type Finding, failure, finding, printValue } from '../problem/index.js';
import {
  type AnyNode,
  type Core,
  coreOf,
  isNode,
  isRecord,
  type Site,
  type SlotNode,
  withSource,
} from '../template/index.js';
import type { RowList } from './attributes/bound-to.js';
import { Block } from './block.js';
import { CountedPlace, Counts, noRows } from './counts.js';
import { facts, planners } from './nodes/index.js';
import type { PlannedKind } from './nodes/kind.js';
import type { Fault, Plan, PlanNode } from './plan.js';
import { blueprintOf } from './run-template.js';

/** The plan of a component, made once. */
export const planOf: (component: ComponentCore) => Plan = /* @__PURE__ */ perComponent((component) => {
  const { content, findings, onFailure } = blueprintOf(component);
  const planner = new Planner(component);
  for (const found of findings) planner.report(found);
  const block = planner.block(content, top());
  const failure = onFailure && {
    block: planner.block(onFailure.content, top()),
    fault: onFailure.fault,
  };
  return { component, content: block, onFailure: failure, faults: planner.faults, locals: planner.locals };
});

/** What a component may show: its template, and what stands in its place where that fails. */
export function blocksOf(component: ComponentCore): readonly Block[] {
  const { content, onFailure } = planOf(component);
  return onFailure ? [content, onFailure.block] : [content];
}

/** The plan of content that stands in no component, such as a use built inline. */
export function planContent(content: unknown): Plan {
  const planner = new Planner(undefined);
  const block = planner.block(content, top());
  return {
    component: undefined,
    content: block,
    onFailure: undefined,
    faults: planner.faults,
    locals: planner.locals,
  };
}

/** Plans content for one rendering: problems are reported as they are found. */
export function planOnTheSpot(content: unknown, report: Planner['report']): Block {
  return new Planner(undefined, report).block(content, top());
}

function top(): PlanScope {
  return {
    around: undefined,
    rows: noRows,
    counts: new Counts(),
    tag: '',
    choice: 'open',
  };
}

/** Where in a template something is planned. */
export interface PlanScope {
  /** The use that it stands in. */
  readonly around: CountedPlace | undefined;
  /** The locals that hold row numbers around it. */
  readonly rows: readonly number[];
  readonly counts: Counts;
  /** The tag of the element around it, where it is known. */
  readonly tag: string;
  /** The mark of what fills a slot, on its outermost elements; set where the rules of the slot's component reach it. */
  readonly given?: string | undefined;
  /** The state that a `select` around it is tied to; `open` where the template has none around it. */
  readonly choice: Core | 'open' | undefined;
}

/** What is found inline is reported at once. */
const noFaults: Fault[] = [];

/** How deep content may be nested: all that follows a plan, and a program's stack, have room for that. */
const deepest = 500;

/** Plans one template, or content that stands in none. */
export class Planner {
  readonly component: ComponentCore | undefined;
  readonly faults: Fault[];
  /** How many locals are needed. */
  locals = 0;
  /** The lists whose rows are being planned, by the local that holds the row's item. */
  readonly lists = new Map<number, RowList>();
  /** How many slots and uses there are as yet. */
  places = 0;
  /** The plans of the components that are used. */
  readonly planOf = planOf;
  private readonly tell: ((found: Finding, site?: Site) => void) | undefined;

  constructor(component: ComponentCore | undefined, tell?: (found: Finding, site?: Site) => void) {
    this.component = component;
    this.tell = tell;
    this.faults = tell ? noFaults : [];
  }

  /** How many nodes are being planned inside one another. */
  private depth = 0;
  /** The node whose content is being planned. */
  private current: AnyNode | undefined;

  /** A finding with the line of what it stands in. */
  private written(found: Finding): Finding {
    const placed = this.current ? withSource(found, this.current) : found;
    return this.component ? saidOf(placed, this.component) : placed;
  }

  report(found: Finding, site?: Site): void {
    if (this.tell) this.tell(found, site);
    else this.faults.push({ finding: found, site });
  }

  block(content: unknown, at: PlanScope): Block {
    // Most content is one piece; a list of one takes less room than one that may grow.
    if (typeof content === 'string' && content !== '') return this.made([{ kind: 'text', text: content }]);
    if (isNode(content)) return this.made([this.node(content, at)]);
    const nodes: PlanNode[] = [];
    this.add(content, at, nodes);
    return this.made(nodes);
  }

  made(nodes: readonly PlanNode[]): Block {
    return new Block(nodes, facts);
  }

  add(content: unknown, at: PlanScope, nodes: PlanNode[]): void {
    if (typeof content === 'string') {
      if (content !== '') nodes.push({ kind: 'text', text: content });
    } else if (typeof content === 'number' || typeof content === 'bigint') {
      nodes.push({ kind: 'text', text: String(content) });
    } else if (content === null || content === undefined || content === false) {
      // Nothing to place.
    } else if (Array.isArray(content)) {
      for (const part of content) this.add(part, at, nodes);
    } else if (isNode(content)) {
      nodes.push(this.node(content, at));
    } else {
      const value = coreOf(content);
      if (value) nodes.push({ kind: 'value', value });
      else this.report(this.written(misplaced(content, this.current)));
    }
  }

  node(node: AnyNode, at: PlanScope): PlanNode {
    const kind = planners[node.kind as keyof typeof planners];
    // How a kind is planned takes just that kind; TypeScript cannot follow the two through one index.
    if (++this.depth > deepest) throw failure(finding('too-deep', { where: '' }));
    const before = this.current;
    this.current = node;
    const planned = (kind as unknown as PlannedKind<AnyNode, PlanNode>).plan(node, at, this);
    this.current = before;
    this.depth--;
    return planned;
  }

  /** The place of a use: the path of components to it, and what its ids start with. */
  site(name: string, at: PlanScope): CountedPlace {
    const number = this.places++;
    // The outermost use inline needs nothing to tell its ids from those of others.
    const id = this.component ? `-${number}` : number === 0 ? '' : `.${number}`;
    return new CountedPlace(name, id, at.around, at.rows, at.counts);
  }
}

/** Words what stands where content belongs and is none. */
export function misplaced(content: unknown, around?: AnyNode): Finding {
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
  return finding('content-not-allowed', {
    what: upper(printValue(content)),
    place,
    hint: contentHint(content, around),
  });
}

/** Names that attributes have, and data seldom. */
const attributeNames =
  /^(class|id|style|href|src|type|role|hidden|on|lang|for|alt|tabindex|disabled|(data|aria)-.*)$/;

function contentHint(content: unknown, around: AnyNode | undefined): string {
  if (content === true) return 'Write text for it: given(test, "yes", "no").';
  if (content instanceof Promise) return 'Wait for it before, and hand what comes of it over as a prop.';
  if (content instanceof Date) return 'Write it as text: calc(date, (d) => d.toISOString()).';
  if (around?.kind === 'slot')
    return `A slot that passes data says so where it is declared: ${(around as SlotNode).name}: slot.with(prop.record({ … })).`;
  const names = isRecord(content) ? Object.keys(content) : [];
  if (names.some((name) => attributeNames.test(name)))
    return 'Attributes come first, before the content: el.p({ … }, content).';
  return 'Repeat a list with eachOf(list, (item) => …); of a record place a field.';
}

function upper(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
