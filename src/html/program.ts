import type { ComponentCore } from '../component/index.js';
import { planOf } from '../tree/index.js';
import { Chunks, type Write } from './chunks.js';
import { lowerAll } from './lower.js';
import { type At, Lowering } from './lowering.js';
import { blockStart } from './marks.js';

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

/**
 * What a component is compiled for: plain `markup`, where everything dissolves; `elements`, where components with
 * something to do in a page stay elements; the `shadow` root of such an element, with the browser's own slots; or
 * what dissolves `inside` one. In the last two, places that change stand between comments, so that an element can
 * take over what was written.
 */
export type Form = 'markup' | 'elements' | 'shadow' | 'inside';

const programs: Readonly<Record<Form, WeakMap<ComponentCore, Program>>> = {
  markup: new WeakMap(),
  elements: new WeakMap(),
  shadow: new WeakMap(),
  inside: new WeakMap(),
};
const inProgress = new Set<ComponentCore>();

export function programOf(component: ComponentCore, form: Form): Program {
  return programs[form].get(component) ?? compile(component, form);
}

/** The program if it can be had without going round in a circle. */
export function programAhead(component: ComponentCore, form: Form): Program | undefined {
  return inProgress.has(component) ? undefined : programOf(component, form);
}

function compile(component: ComponentCore, form: Form): Program {
  inProgress.add(component);
  try {
    const plan = planOf(component);
    const lowering = new Lowering(component, form);
    if (component.styles !== '' && form !== 'shadow') lowering.styled.add(component);
    const chunks = new Chunks();
    const at: At = { lowering, depth: 0, tag: '', isOutermost: true };
    if (form === 'shadow') chunks.text(blockStart(plan.content, at));
    lowerAll(plan.content, chunks, at);
    const program: Program = {
      write: chunks.compile(),
      locals: plan.locals,
      makesIds: lowering.makesIds,
      varies: lowering.varies || component.state !== undefined || component.provides !== undefined,
      styled: lowering.styled,
    };
    programs[form].set(component, program);
    return program;
  } finally {
    inProgress.delete(component);
  }
}
