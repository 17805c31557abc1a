import type { ComponentCore } from '../component/index.js';
import { isClosed, isInteractive, type PlanNode, type PlanUse, readsOp } from '../plan/index.js';
import { type At, type Compiler, Compiling, type Form } from './compiling.js';
import { writers } from './nodes/index.js';
import { Chunks, type Output } from './output.js';
import { Pass } from './pass.js';
import { compile, type Program } from './program.js';
import { emptyScope } from './scopes.js';

const programs: Readonly<Record<Form, WeakMap<ComponentCore, Program>>> = {
  markup: new WeakMap(),
  elements: new WeakMap(),
  shadow: new WeakMap(),
  inside: new WeakMap(),
};
const inProgress = new Set<ComponentCore>();

/** Compiles plans to HTML text, each component once for each form. */
export const compiler: Compiler = {
  nodes(nodes, to, at) {
    for (const node of nodes) {
      if (isFolded(node, to, at)) fold(node, to, at);
      else write(node, to, at);
    }
  },
  program(component, form) {
    let program = programs[form].get(component);
    if (!program) {
      inProgress.add(component);
      try {
        program = compile(component, form, compiler);
        programs[form].set(component, program);
      } finally {
        inProgress.delete(component);
      }
    }
    return program;
  },
  programAhead(component, form) {
    return inProgress.has(component) ? undefined : compiler.program(component, form);
  },
  makesIds(block, form) {
    return (
      block.reads.some((core) => readsOp(core, 'uid')) ||
      block.uses.some(({ component }) => compiler.programAhead(component, form)?.makesIds ?? true)
    );
  },
};

function write(node: PlanNode, to: Output, at: At): void {
  // The line for a kind takes just that kind; TypeScript cannot follow the two through one index.
  (writers[node.kind] as (node: PlanNode, to: Output, at: At) => void)(node, to, at);
}

/** Whether a dynamic part comes out the same at every rendering, so that its text can be had while compiling. */
function isFolded(node: PlanNode, to: Output, { compiling }: At): boolean {
  if (to.isDirect || compiling.marksParts || !/^(value|given|each|use)$/.test(node.kind)) return false;
  return isClosed(node, (use) => isClosedUse(use, compiling.inner));
}

function isClosedUse({ component }: PlanUse, form: Form): boolean {
  if (form !== 'markup' && isInteractive(component)) return false;
  const program = compiler.programAhead(component, form);
  return program !== undefined && !program.makesIds && !program.varies;
}

/** Compiles a node apart, writes it once and keeps the text. A problem on the way is left to rendering. */
function fold(node: PlanNode, to: Output, at: At): void {
  const chunks = new Chunks();
  write(node, chunks, at);
  const pass = new Pass();
  try {
    const text = chunks.compile()(emptyScope(), pass);
    if (pass.problems.length === 0) return to.text(text);
  } catch {
    // Whatever was thrown is thrown again, with its place, when the node is rendered.
  }
  to.dynamic(chunks.compile());
}

/** How content on the spot is compiled, by form: it stands in no component. */
export const onTheSpot = {
  markup: new Compiling(undefined, 'markup', compiler),
  elements: new Compiling(undefined, 'elements', compiler),
};
