import type { ComponentCore } from '../component/index.js';
import { isInteractive, type Plan, planOf, readsOp } from '../plan/index.js';
import { type Core, inputsOf, isAnew } from '../template/index.js';
import { blockStart, type Compiler, Compiling, type Form } from './compiling.js';
import { Chunks, type Write } from './output.js';

/** A component compiled to HTML text, once. */
export interface Program {
  readonly write: Write;
  /** How many locals its scopes need. */
  readonly locals: number;
  /** Whether it, or a component it uses, makes ids. */
  readonly makesIds: boolean;
  /** Whether each rendering may come out different for the same props. */
  readonly varies: boolean;
  /** The components with styles that it reaches, itself among them. */
  readonly styled: ReadonlySet<ComponentCore>;
}

export function compile(component: ComponentCore, form: Form, compiler: Compiler): Program {
  const plan = planOf(component);
  const compiling = new Compiling(component, form, compiler);
  const chunks = new Chunks();
  const at = { compiling, depth: 0, tag: '' };
  if (form === 'shadow') chunks.text(blockStart(plan.content.nodes, at));
  compiler.nodes(plan.content.nodes, chunks, at);
  return {
    write: chunks.compile(),
    locals: plan.locals,
    makesIds: compiler.makesIds(plan.content, compiling.inner),
    varies: variesIn(component, plan, compiling.inner, compiler),
    styled: styledIn(component, form),
  };
}

function variesIn(component: ComponentCore, { content }: Plan, form: Form, compiler: Compiler): boolean {
  return (
    component.state !== undefined ||
    component.provides !== undefined ||
    content.reads.some((core) => readsOp(core, 'shared') || asksAnew(core)) ||
    content.uses.some(
      ({ component: inner }) =>
        (form !== 'markup' && isInteractive(inner)) || (compiler.programAhead(inner, form)?.varies ?? true),
    )
  );
}

function asksAnew(core: Core): boolean {
  return isAnew(core) || inputsOf(core).some(asksAnew);
}

/** The components with styles whose elements stand in what is written, and not in a shadow root of their own. */
function styledIn(component: ComponentCore, form: Form): ReadonlySet<ComponentCore> {
  const styled = new Set<ComponentCore>();
  const seen = new Set<ComponentCore>();
  const visit = (one: ComponentCore): void => {
    if (seen.has(one)) return;
    seen.add(one);
    if (one.styles !== '' && !(one === component && form === 'shadow')) styled.add(one);
    for (const { component: inner } of planOf(one).content.uses)
      if (form === 'markup' || !isInteractive(inner)) visit(inner);
  };
  visit(component);
  return styled;
}
