import type { ComponentCore } from '../../component/index.js';
import type { PlanAttribute, PlanElement, PlanFill } from '../../plan/index.js';
import type { Core, SiteStep } from '../../template/index.js';
import { ExprCore } from '../../template/index.js';
import type { Form } from '../form.js';
import { Where } from '../frame.js';
import type { Lowering } from './lowering.js';
import type { Register } from './steps.js';

/** How to have what ids start with; asked for only where something makes ids. */
export type Ids = () => Core;

/** Content given to a slot of a component that is inlined, with the place of the use that gives it. */
export interface Spliced {
  readonly fill: PlanFill;
  readonly at: Scope;
}

/** What attributes are lowered of: an element of a template, or the one that a component stays. */
export type Attributed = Pick<PlanElement, 'attributes' | 'isHostBox' | 'tag' | 'tags'>;

/** One component while it is lowered, or content that stands in none: what its expressions read. */
export interface Env {
  readonly component: ComponentCore | undefined;
  readonly form: Form;
  /** Its props, as values of registers or constants. */
  readonly props: readonly Core[];
  readonly state: Core | undefined;
  /** What it has loaded, where it loads. */
  readonly data: Core | undefined;
  /** What fills its slots; undefined where the routine's caller says. */
  readonly fills: readonly (Spliced | undefined)[] | undefined;
  /** The registers that hold what fills its slots, ready to put in, where the routine is for uses inline. */
  readonly texts: readonly Register[] | undefined;
  /** Where its use stands; undefined for what the routine is of. */
  readonly owner: Scope | undefined;
  readonly where: Where;
  /** What its use hands to its element; `later` where the routine's caller says. */
  readonly accepted: readonly PlanAttribute[] | 'later' | undefined;
  /** The shared data that it reads, by name. */
  readonly shared: Map<string, Register>;
}

/** An environment with what is given, and nothing else. Written out: spreading takes several times as long. */
export function envOf(given: Partial<Env> & Pick<Env, 'form' | 'where'>): Env {
  return {
    component: given.component,
    form: given.form,
    props: given.props ?? [],
    state: given.state,
    data: given.data,
    fills: given.fills,
    texts: given.texts,
    owner: given.owner,
    where: given.where,
    accepted: given.accepted,
    shared: given.shared ?? new Map(),
  };
}

/** The place where what is of an environment starts. */
export function startOf(
  env: Env,
  { lowering, known = nothingKnown }: Pick<Scope, 'lowering'> & Partial<Pick<Scope, 'known'>>,
  ids: Ids,
): Scope {
  return { lowering, env, locals: noLocals, ids: [ids], tag: '', known };
}

/** Where in a template something is lowered. */
export interface Scope {
  readonly lowering: Lowering;
  readonly env: Env;
  /** The rows and what slots hand over, each where it is kept. */
  readonly locals: ReadonlyMap<number, Core>;
  /** What ids start with, for each number of rows around. */
  readonly ids: readonly Ids[];
  /** The tag of the element around it, where it is known. */
  readonly tag: string;
  /** Set for a value that is all there is in the element around it. */
  readonly isAlone?: boolean;
  /** Registers and their fields whose values were checked around it, each with the register that holds them since. */
  readonly known: ReadonlyMap<string, Core>;
}

/** The place of something inside the components around it, one step further. */
export function below({ env, locals }: Scope, path: readonly SiteStep[]): Where {
  const steps = path.map((step) => ({
    step,
    rows: step.rows.flatMap((row) => locals.get(row) ?? []),
  }));
  return new Where([...env.where.steps, ...steps]);
}

/** The place so many owners up. */
export function ownerAt(at: Scope, up: number): Scope {
  let one = at;
  for (let n = 0; n < up; n++) one = one.env.owner ?? one;
  return one;
}

/** A place with more locals, one level of ids deeper. */
export function deeper(at: Scope, locals: readonly (readonly [number, Core])[], ids: Ids): Scope {
  return { ...at, locals: new Map([...at.locals, ...locals]), ids: [...at.ids, ids] };
}

export function literal(value: unknown): Core {
  return new ExprCore({ op: 'literal', value });
}

export function register(at: Register): Core {
  return new ExprCore({ op: 'local', local: at, label: '', what: 'item' });
}

const noLocals: ReadonlyMap<number, Core> = new Map();
const nothingKnown: ReadonlyMap<string, Core> = new Map();

/** A word for a register, or for a field of what one holds; none for other values. */
export function expressionSource({ op }: Core): string | undefined {
  if (op.op === 'local') return String(op.local);
  return op.op === 'field' && op.of.op.op === 'local' ? `${op.of.op.local}.${op.key}` : undefined;
}
