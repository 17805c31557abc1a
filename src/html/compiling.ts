import type { ComponentCore } from '../component/index.js';
import type { Block, PlanNode } from '../plan/index.js';
import type { Output } from './output.js';
import type { Program } from './program.js';

/**
 * What a component is compiled for: plain `markup`, where everything dissolves; `elements`, where components with
 * something to do in a page stay elements; the `shadow` root of such an element, with the browser's own slots; or
 * what dissolves `inside` one. In the last two, dynamic parts stand between comments, so that an element can take over
 * what was written.
 */
export type Form = 'markup' | 'elements' | 'shadow' | 'inside';

/** How plans become HTML text: handed to those that write one kind of node, so that they need not know of each other. */
export interface Compiler {
  nodes(nodes: readonly PlanNode[], to: Output, at: At): void;
  program(component: ComponentCore, form: Form): Program;
  /** The program if it can be had without going round in a circle. */
  programAhead(component: ComponentCore, form: Form): Program | undefined;
  /** Whether content makes ids, or holds a component that does. */
  makesIds(block: Block, form: Form): boolean;
}

/** One template that is compiled: for which form, and with which marks. */
export class Compiling {
  readonly component: ComponentCore | undefined;
  readonly form: Form;
  readonly compiler: Compiler;

  constructor(component: ComponentCore | undefined, form: Form, compiler: Compiler) {
    this.component = component;
    this.form = form;
    this.compiler = compiler;
  }

  /** The form of the components used in it. */
  get inner(): Form {
    return this.marksParts ? 'inside' : this.form;
  }

  /** Whether dynamic parts stand between comments. */
  get marksParts(): boolean {
    return this.form === 'shadow' || this.form === 'inside';
  }
}

/** Where in a template something is compiled. */
export interface At {
  readonly compiling: Compiling;
  /** How many row and slot functions enclose it. */
  readonly depth: number;
  /** The tag of the element around it, where it is known. */
  readonly tag: string;
}

/** Compiles a block where it stands. */
export function writeBlock({ nodes }: Block, to: Output, at: At): void {
  at.compiling.compiler.nodes(nodes, to, at);
}

export function writeNodes(nodes: readonly PlanNode[], to: Output, at: At): void {
  at.compiling.compiler.nodes(nodes, to, at);
}

/** Puts a dynamic part between the comments that an element finds it by, where one is going to take it over. */
export function between(to: Output, at: At, write: () => void): void {
  // The text of these elements is all there is in them: a comment would be text.
  if (!at.compiling.marksParts || /^(textarea|title|script|style|option)$/.test(at.tag)) return write();
  to.text('<!--(-->');
  write();
  to.text('<!--)-->');
}

/** What a block of content starts with, so that it has a first node of its own: a text would be one with the text before it. */
export function blockStart(nodes: readonly PlanNode[], at: At): string {
  if (!at.compiling.marksParts) return '';
  const [first] = nodes;
  const isFixed = first?.kind === 'element' && typeof first.tag === 'string';
  return isFixed ? '' : '<!---->';
}
