import type { ComponentCore } from '../../component/index.js';
import type { Block, PlanNode } from '../../plan/index.js';
import type { Form } from '../form.js';
import { marksParts } from '../form.js';
import type { AcceptedHere } from '../frame.js';
import type { How } from '../how.js';
import type { Attributed, Env, Scope } from './env.js';
import { type Callable, type Register, type Step, Steps } from './steps.js';

/** How nodes are lowered, and routines had: handed to those that lower one kind, so that they need not know of each other. */
export interface Lowerer {
  /** Whether a page's policy refuses style attributes, so that rules stand for them. */
  readonly isStrict: boolean;
  readonly how: How;
  node(node: PlanNode, to: Steps, at: Scope): void;
  routine(component: ComponentCore, form: Form, isGiven?: boolean): Callable;
  /** A routine of an element's attributes with what was passed on; it takes as many values of its own, and those passed on. */
  attributes(node: Attributed, handed: AcceptedHere, env: Env, own: number): Callable;
}

/** How many steps a routine may have until no more components are inlined into it, and how many nodes it may look at. */
const mostSteps = 400;
const mostNodes = 100_000;

/** The making of one routine: its registers, and how large it is. */
export class Lowering {
  readonly lowerer: Lowerer;
  /** What each register holds, in a word. */
  readonly hints: string[] = [];
  /** The types of registers whose values were checked. */
  readonly types = new Map<Register, string>();
  private nodes = 0;
  private steps = 0;

  constructor(lowerer: Lowerer) {
    this.lowerer = lowerer;
  }

  register(hint: string): Register {
    return this.hints.push(hint) - 1;
  }

  /** Whether one more component may be inlined. */
  get hasRoom(): boolean {
    return this.steps < mostSteps && this.nodes < mostNodes;
  }

  shared(name: string, { shared }: Env): Register {
    const known = shared.get(name);
    if (known !== undefined) return known;
    const to = this.register(name);
    shared.set(name, to);
    return to;
  }

  /** Lowers nodes where they stand. */
  into(nodes: readonly PlanNode[], to: Steps, at: Scope): void {
    for (const node of nodes) {
      const before = to.list.length;
      this.nodes++;
      this.lowerer.node(node, to, at);
      this.steps += Math.max(0, to.list.length - before);
    }
  }

  /** Lowers a block apart from what is around it. */
  apart({ nodes }: Block, at: Scope): readonly Step[] {
    const to = new Steps();
    this.into(nodes, to, at);
    return to.list;
  }
}

/** Puts a dynamic part between the comments that an element finds it by, where one is going to take it over. */
export function between(to: Steps, at: Scope, write: () => void): void {
  // A text that is all there is in its element is found without comments. In some elements these would be text.
  if (!marksParts(at.env.form) || at.isAlone || /^(textarea|title|script|style|option)$/.test(at.tag))
    return write();
  to.text('<!--(-->');
  write();
  to.text('<!--)-->');
}

/** What a block of content starts with, so that it has a first node of its own: a text would be one with the text before it. */
export function blockStart(nodes: readonly PlanNode[], { env: { form } }: Scope): string {
  if (!marksParts(form)) return '';
  const [first] = nodes;
  const isFixed = first?.kind === 'element' && typeof first.tag === 'string';
  return isFixed ? '' : '<!---->';
}
