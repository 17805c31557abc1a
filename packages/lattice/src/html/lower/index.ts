import { type ComponentCore, perComponent } from '../../component/index.js';
import { mergedAttributes, type PlanKind, type PlanNode, type PlanOf, planOf } from '../../plan/index.js';
import type { Core } from '../../template/index.js';
import type { Form } from '../form.js';
import { type AcceptedHere, Where } from '../frame.js';
import type { How } from '../how.js';
import { Routine } from '../routine.js';
import { given, lowerAll } from './attributes.js';
import { lowerEach, lowerGiven } from './branches.js';
import { lowerData, lowerText, lowerTrusted, lowerValue } from './content.js';
import { lowerElement } from './element.js';
import { type Attributed, type Env, envOf, literal, register, type Scope, startOf } from './env.js';

export { changedSince } from './settled.js';

import { blockStart, type Lowerer, Lowering } from './lowering.js';
import { lowerSlot } from './slot.js';
import { type RoutineParts, Steps } from './steps.js';
import { lowerBody, lowerUse, stateOf } from './use.js';

/** How each kind of node is lowered. */
const lowerers: {
  readonly [Kind in PlanKind]: (node: PlanOf<Kind>, to: Steps, at: Scope) => void;
} = {
  text: lowerText,
  value: lowerValue,
  element: lowerElement,
  data: lowerData,
  given: lowerGiven,
  each: lowerEach,
  slot: lowerSlot,
  trusted: lowerTrusted,
  use: lowerUse,
};

const atTop = new Where([]);
const routinesOf = /* @__PURE__ */ perComponent(() => new Map<string, Routine>());

/** Makes what lowers nodes so that their routines are run in one of the ways. */
function lowererFor(how: How, isStrict: boolean): Lowerer {
  const by: Lowerer = {
    how,
    isStrict,
    node(node, to, at) {
      // The line for a kind takes just that kind; TypeScript cannot follow the two through one index.
      (lowerers[node.kind] as (node: PlanNode, to: Steps, at: Scope) => void)(node, to, at);
    },
    routine: (component, form, isGiven) => routineOf(component, form, by, isGiven),
    attributes: (node, handed, env, own) => attributesRoutine(node, handed, env, own, by),
  };
  return by;
}

const madeLowerers = new Map<string, Lowerer>();

function lowererOf(how: How, isStrict: boolean): Lowerer {
  const key = `${how} ${isStrict}`;
  const by = madeLowerers.get(key) ?? lowererFor(how, isStrict);
  madeLowerers.set(key, by);
  return by;
}

/** The routine of a component in a form, made once. */
export function routineOf(
  component: ComponentCore,
  form: Form,
  by = lowererOf('usual', false),
  isGiven = false,
): Routine {
  const key = `${form} ${by.how} ${by.isStrict} ${isGiven}`;
  const routines = routinesOf(component);
  let routine = routines.get(key);
  if (!routine) {
    routine = new Routine(partsOf(component, form, false, by, isGiven), by.how);
    routines.set(key, routine);
  }
  return routine;
}

/** The routine of a component for uses inline: after its props it takes what fills its slots, ready to put in. */
export function spotRoutine(component: ComponentCore, form: Form, how: How, isStrict: boolean): Routine {
  return new Routine(partsOf(component, form, true, lowererOf(how, isStrict)), how);
}

function partsOf(
  component: ComponentCore,
  form: Form,
  isOnTheSpot: boolean,
  by: Lowerer,
  isGiven = false,
): RoutineParts {
  const lowering = new Lowering(by);
  const props = component.props.names.map((name) => register(lowering.register(name)));
  const texts = isOnTheSpot ? component.slots.names.map((name) => lowering.register(name)) : undefined;
  const steps = new Steps();
  // An element's state is made outside of its shadow root, since it provides its data to all of it.
  const state =
    form === 'shadow' ? register(lowering.register('state')) : stateOf(component, props, steps, { lowering });
  const data = component.load && register(lowering.register('data'));
  const ofHost = form === 'shadow' ? (data ? 2 : 1) : 0;
  const takes = props.length + (texts?.length ?? 0) + ofHost;
  let ids: number | undefined;
  // Where a use gives attributes to the outermost element of one that does not say where they go, that is a routine of its own.
  const takesSome = component.accepts !== undefined || isGiven;
  const accepted = takesSome && form !== 'shadow' ? 'later' : undefined;
  const env = envOf({ component, form, props, state, data, texts, where: atTop, accepted });
  const idsHere = (): Core => {
    ids ??= lowering.register('ids');
    return register(ids);
  };
  const body = new Steps();
  const at = startOf(env, { lowering }, idsHere);
  lowerBody(component, at, body);
  if (ids !== undefined) steps.push({ kind: 'entry', to: ids, share: undefined });
  if (form === 'shadow') steps.text(blockStart(planOf(component).content.nodes, at));
  steps.all(body.list);
  return {
    name: component.name,
    key: [
      component.name,
      form,
      ...(isOnTheSpot ? ['spot'] : []),
      ...(by.isStrict ? ['strict'] : []),
      ...(isGiven && component.accepts === undefined ? ['given'] : []),
    ].join(' '),
    takes,
    kinds: component.props.kinds,
    hints: lowering.hints,
    steps: steps.list,
  };
}

/** An element's attributes with those passed on; it takes as many values of its own, and those passed on. */
function attributesRoutine(
  node: Attributed,
  handed: AcceptedHere,
  around: Env,
  own: number,
  by: Lowerer,
): Routine {
  const lowering = new Lowering(by);
  const numbered = (count: number): [number, Core][] =>
    Array.from({ length: count }, (_, at) => [at, given(register(lowering.register('value')))]);
  const noIds = (): Core => literal('');
  const env: Env = { ...around, where: atTop, accepted: undefined };
  const ownLocals = new Map(numbered(own));
  const owner: Scope = {
    ...startOf({ ...env, owner: undefined }, { lowering }, noIds),
    locals: new Map(numbered(handed.values.length)),
  };
  const at: Scope = { ...startOf({ ...env, owner }, { lowering }, noIds), locals: ownLocals };
  const steps = new Steps();
  const all = mergedAttributes(node.attributes, handed.attributes, node.tags, (found) =>
    steps.push({ kind: 'report', found, where: atTop }),
  );
  lowerAll(all, node, steps, at);
  const takes = own + handed.values.length;
  const parts = { name: 'attributes', key: '', takes, kinds: [], hints: lowering.hints, steps: steps.list };
  return new Routine(parts, by.how);
}

/** Content that stands in no component, for one rendering. */
export function lowerOnTheSpot(
  nodes: readonly PlanNode[],
  form: Form,
  ids: string,
  how: How,
  isStrict: boolean,
): RoutineParts {
  const lowering = new Lowering(lowererOf(how, isStrict));
  const at = startOf(envOf({ form, fills: [], where: atTop }), { lowering }, () => literal(ids));
  const to = new Steps();
  lowering.into(nodes, to, at);
  return { name: 'content', key: '', takes: 0, kinds: [], hints: lowering.hints, steps: to.list };
}
