import type { ComponentCore } from '../component/index.js';
import { planOf } from '../tree/index.js';
import { Chunks, type Write } from './chunks.js';
import { lowerAll } from './lower.js';
import { Lowering } from './lowering.js';

/** A component compiled to HTML text, once. */
export interface Program {
  readonly write: Write;
  /** How many locals its frames need. */
  readonly locals: number;
  /** Whether it, or a component it uses, makes ids. */
  readonly makesIds: boolean;
  /** Whether each rendering may come out different for the same props. */
  readonly varies: boolean;
  /** The components with styles that it reaches, itself among them. */
  readonly styled: ReadonlySet<ComponentCore>;
}

const programs = new WeakMap<ComponentCore, Program>();
const inProgress = new Set<ComponentCore>();

export function programOf(component: ComponentCore): Program {
  return programs.get(component) ?? compile(component);
}

/** The program if it can be had without going round in a circle. */
export function programAhead(component: ComponentCore): Program | undefined {
  return inProgress.has(component) ? undefined : programOf(component);
}

function compile(component: ComponentCore): Program {
  inProgress.add(component);
  try {
    const plan = planOf(component);
    const lowering = new Lowering(component);
    if (component.styles !== '') lowering.styled.add(component);
    const chunks = new Chunks();
    lowerAll(plan.content, chunks, { lowering, depth: 0, tag: '', isOutermost: true });
    const program: Program = {
      write: chunks.compile(),
      locals: plan.locals,
      makesIds: lowering.makesIds,
      varies: lowering.varies || component.state !== undefined,
      styled: lowering.styled,
    };
    programs.set(component, program);
    return program;
  } finally {
    inProgress.delete(component);
  }
}
