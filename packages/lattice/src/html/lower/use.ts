import {
  type AnyKind,
  attributeOf,
  type ComponentCore,
  isMade,
  perComponent,
} from '../../component/index.js';
import {
  dissolvedContent,
  fillsWithData,
  givenHere,
  givenIn,
  hostAttributesIn,
  hostContent,
  inHostBox,
  isInteractive,
  type Plan,
  type PlanAttribute,
  type PlanUse,
  planOf,
  settledProp,
  sharesOf,
  standsApart,
  unplacedOwn,
} from '../../plan/index.js';
import { type Core, ExprCore } from '../../template/index.js';
import { dissolvedIn, isMovable, makesIds, showsFailure, styledIn } from '../facts.js';
import { innerForm, marksParts } from '../form.js';
import type { Where } from '../frame.js';
import { refuseAsElement, refuseBroken } from '../refuse.js';
import { dataBlock, hostStyle, propAttribute, propAttributeIn, sharedMark, withNonce } from '../runtime.js';
import { lowerAttributes, taken } from './attributes.js';
import { choose } from './branches.js';
import { plainTypeOf } from './checks.js';
import { jsonKnown } from './content.js';
import {
  type Attributed,
  below,
  deeper,
  type Env,
  envOf,
  expressionSource,
  literal,
  register,
  type Scope,
  type Spliced,
  startOf,
} from './env.js';
import { between, blockStart } from './lowering.js';
import { closeUse, openUse } from './noted-use.js';
import { askedFill, givenFill } from './slot.js';
import { type Handed, type Make, type Step, Steps } from './steps.js';
import { joined, lower } from './values.js';

/** A use: its component inlined where it is small enough, else called. */
export function lowerUse(node: PlanUse, to: Steps, at: Scope): void {
  if (at.env.component === undefined) refuseBroken(node.component);
  const failure = planOf(node.component).onFailure;
  if (failure) return lowerGuarded(node, failure, to, at);
  lowerStanding(node, to, at);
}

/** A use with what stands in its place where it cannot be shown. */
function lowerGuarded(
  node: PlanUse,
  { block, fault }: NonNullable<Plan['onFailure']>,
  to: Steps,
  at: Scope,
): void {
  const { component, site } = node;
  const { lowering } = at;
  const inner = new Steps();
  lowerStanding(node, inner, at);
  const where = below(at, site.path);
  const wrong = lowering.register('fault');
  const form = innerForm(at.env.form);
  const env = envOf({ component, form, fills: [], owner: at, where, accepted: acceptedIn(node, at) });
  const ids = (): Core => joined('', idsOf(node, at), 'f');
  const outer = startOf(env, at, ids);
  const inside = deeper(outer, [[fault, register(wrong)]], ids);
  const fallback = lowering.apart(inHostBox(component, block), inside);
  to.push({ kind: 'guard', component, inner: inner.list, fault: wrong, fallback, where });
}

function lowerStanding(node: PlanUse, to: Steps, at: Scope): void {
  const { component } = node;
  const { lowering, env } = at;
  const isOnTheSpot = env.component === undefined;
  if (staysElement(component, at)) return lowerHost(node, to, at);
  if (node.own.length > 0) refuseUnplaced(node, to, at);
  if (isOnTheSpot) return lowerCall(node, to, at);
  const addsLater = env.accepted === 'later' && (givenIn(node, env.component) ?? []).some(isPlace);
  // What an element is going to hydrate is written out where the element writes it out: it looks for the same marks
  // in the same places.
  if (marksParts(env.form)) {
    if (!standsApart(component)) return addsLater ? lowerCall(node, to, at) : splice(node, to, at);
    return between(to, at, () => {
      to.text(blockStart([node], at));
      lowerCall(node, to, at);
    });
  }
  if (!addsLater && lowering.hasRoom && !isInside(at, component)) return splice(node, to, at);
  lowerCall(node, to, at);
}

/** Whether a component is an element where it is used here. */
function staysElement(component: ComponentCore, { env }: Scope): boolean {
  return env.form !== 'markup' && isInteractive(component);
}

/** Reports attributes for which a component that is flattened has no one element. */
function refuseUnplaced(node: PlanUse, to: Steps, at: Scope): void {
  const found = unplacedOwn(node, (component) => staysElement(component, at));
  if (found) to.push({ kind: 'report', found, where: below(at, node.site.path) });
}

const isPlace = ({ kind }: PlanAttribute): boolean => kind === 'accepted';

function isInside(at: Scope, component: ComponentCore): boolean {
  return around(at).has(component);
}

/** The components whose templates are around a place. */
function around({ env }: Scope): ReadonlySet<ComponentCore> {
  const all = new Set<ComponentCore>();
  for (let one: Env | undefined = env; one; one = one.owner?.env) if (one.component) all.add(one.component);
  return all;
}

/** The values of a use's props, and what is known since they were checked. */
interface Bound {
  readonly props: readonly Core[];
  readonly known: Scope['known'];
}

/** Binds a use's props: those that change are checked each time, and each value once. */
function boundProps(node: PlanUse, where: Where, to: Steps, at: Scope): Bound {
  const { component, place } = node;
  const known = new Map(at.known);
  const props = node.props.map(({ expr, name, value: constant }, index) => {
    if (!expr) return literal(constant);
    const value = lower(expr, at);
    if (value.op.op === 'literal') {
      let isWrong = false;
      const settled = settledProp(component, index, value.op.value, () => {
        isWrong = true;
      });
      if (!isWrong) return literal(settled);
    }
    const declared = component.props.kinds[index] as AnyKind;
    const type = declared.settings.presence === 'required' ? plainTypeOf(declared) : undefined;
    if (type !== undefined && value.op.op === 'local' && at.lowering.types.get(value.op.local) === type)
      return value;
    const kept = at.lowering.register(name);
    to.push({ kind: 'let', to: kept, value, check: { component, index, declared, place, where } });
    const from = expressionSource(value);
    if (type !== undefined) {
      at.lowering.types.set(kept, type);
      if (from !== undefined) known.set(from, register(kept));
    }
    return register(kept);
  });
  return { props, known };
}

function splice(node: PlanUse, to: Steps, at: Scope): void {
  const { component, site } = node;
  const { lowering } = at;
  const where = below(at, site.path);
  const { known, props } = boundProps(node, where, to, at);
  openUse(component, props, where, to, at);
  const state = stateOf(component, props, to, at);
  const env = envOf({
    component,
    form: innerForm(at.env.form),
    props,
    state,
    data: dataOf(component, at),
    fills: node.fills.map((fill): Spliced | undefined =>
      fill && (fill.data !== undefined || fill.block.filled !== false) ? { fill, at } : undefined,
    ),
    owner: at,
    where,
    accepted: acceptedIn(node, at),
  });
  lowerBody(
    component,
    startOf(env, { lowering, known }, () => idsOf(node, at)),
    to,
  );
  closeUse(to, at);
}

/** What a component's own template comes to, with what is read and provided around it. */
export function lowerBody(component: ComponentCore, at: Scope, to: Steps): void {
  const inner = new Steps();
  const content = at.env.form === 'shadow' ? planOf(component).content : dissolvedContent(component);
  at.lowering.into(content.nodes, inner, at);
  // What an element provides is provided around its shadow root: its own template reads what is around the element.
  const isAround = at.env.form === 'shadow' && component.provides !== undefined;
  for (const [share, register] of at.env.shared) to.push({ kind: 'entry', to: register, share, isAround });
  // An element provides its data to its children, too, so that is done around it.
  if (at.env.form === 'shadow') to.all(inner.list);
  else provided(component, at.env, inner, to);
}

/** What is written while a component provides its data, where it does. */
function provided(component: ComponentCore, env: Env, inner: Steps, to: Steps): void {
  // What loads is interactive: in this form it is the element itself that is written here.
  const { props, state } = env;
  const isHost = env.form === 'elements';
  if (!component.provides) return loaded(component, env, inner.list, to, isHost);
  const all: Step = {
    kind: 'provide',
    component,
    props,
    state: state ?? literal(undefined),
    inner: inner.list,
  };
  loaded(component, env, [all], to, isHost);
}

/** What is written when a component's data is there, where it loads some. */
function loaded(
  component: ComponentCore,
  { data, form, props, where }: Pick<Env, 'data' | 'form' | 'props' | 'where'>,
  inner: readonly Step[],
  to: Steps,
  isHost: boolean,
): void {
  if (data?.op.op !== 'local') return to.all(inner);
  to.push({
    kind: 'load',
    component,
    props,
    to: data.op.local,
    inner,
    showsFailure: showsFailure(component),
    isMovable: () => !marksParts(form) && (isHost || isMovable(component)),
    where,
  });
}

/** The register for what a component loads. */
function dataOf(component: ComponentCore, { lowering }: Pick<Scope, 'lowering'>): Core | undefined {
  return component.load && register(lowering.register('data'));
}

/** The state of a component that has some, as HTML text shows it. */
export function stateOf(
  component: ComponentCore,
  props: readonly Core[],
  to: Steps,
  { lowering }: Pick<Scope, 'lowering'>,
): Core | undefined {
  if (!component.state) return undefined;
  const kept = lowering.register('state');
  to.push({ kind: 'state', to: kept, component, props });
  return register(kept);
}

function acceptedIn(node: PlanUse, { env }: Scope): readonly PlanAttribute[] | undefined {
  const { accepted, component } = env;
  return accepted === 'later' ? givenIn(node, component) : givenHere(node, { accepted, component });
}

function idsOf({ site }: PlanUse, { ids }: Scope): Core {
  return joined('', ids.at(-1)?.() ?? literal(''), site.id);
}

function lowerCall(node: PlanUse, to: Steps, at: Scope): void {
  const { component, site } = node;
  const { lowering, env } = at;
  const form = innerForm(env.form);
  const where = below(at, site.path);
  const { props: args } = boundProps(node, where, to, at);
  openUse(component, args, where, to, at);
  const handed = handedBy(node, at);
  const isGiven = handed !== undefined && component.accepts === undefined;
  to.push({
    kind: 'call',
    routine: once(() => lowering.lowerer.routine(component, form, isGiven)),
    args,
    fills: node.fills.map((fill) => givenFill(fill, at)),
    ids: makesIds(component) || fillsWithData(node) ? idsOf(node, at) : literal(''),
    accepted: handed,
    where,
    onTheSpot: env.component ? undefined : { component, form },
  });
  closeUse(to, at);
}

function once<T>(make: () => T): () => T {
  let made: T | undefined;
  return () => {
    made ??= make();
    return made;
  };
}

function handedBy(node: PlanUse, at: Scope): Handed | undefined {
  const accepted = acceptedIn(node, at);
  if (!accepted) return undefined;
  const [attributes, values] = taken(accepted, at);
  return { attributes, values, addsOwn: at.env.accepted === 'later' && accepted.some(isPlace) };
}

/** A use that stays an element: its props as attributes, its shadow root declared, its content as its children. */
function lowerHost(node: PlanUse, to: Steps, at: Scope): void {
  const { component, site } = node;
  const { lowering, env } = at;
  refuseAsElement(component);
  const where = below(at, site.path);
  const { known, props } = boundProps(node, where, to, at);
  const styled = styledIn(component, 'shadow');
  const own = new Steps();
  lowerAttributes(hostElement(node, at), own, at);
  own.text(node.host);
  const content = new Steps();
  lowering.into(hostContent(node), content, { ...at, tag: '' });
  if (env.component && lowering.hasRoom && !isLendingIn(component) && !fillsWithData(node))
    return spliceHost(node, own, { props, known, where }, content, to, at);
  const isLent = fillsWithData(node);
  const data = dataOf(component, at);
  const host = new Steps();
  const used = isLent && !env.component ? node.fills.flatMap((fill) => fill?.block.uses ?? []) : [];
  const lent = used
    .filter((use) => !isInteractive(use.component))
    .flatMap((use) => [...styledIn(use.component, 'inside')]);
  host.push({
    kind: 'host',
    host: {
      component,
      shadow: once(() => lowering.lowerer.routine(component, 'shadow')),
      styled,
      style: once(() => hostStyle(component, styled)),
      lent: isLent ? lent : undefined,
      isOnTheSpot: env.component === undefined,
    },
    props,
    data,
    own: own.list,
    fills: node.fills.map((fill) => (fill?.data === undefined ? askedFill(fill, at) : givenFill(fill, at))),
    content: content.list,
    where,
  });
  loaded(component, { data, form: env.form, props, where }, host.list, to, true);
}

/** An element (https://html.spec.whatwg.org/#attr-template-shadowrootmode) whose shadow root is written where it stands. */
function spliceHost(
  { component, fills }: PlanUse,
  own: Steps,
  { known, props, where }: Bound & { readonly where: Where },
  content: Steps,
  to: Steps,
  at: Scope,
): void {
  const { env: around, lowering } = at;
  const state = stateOf(component, props, to, at);
  const inner = new Steps();
  inner.text(`<${component.name}`);
  for (const [index, value] of props.entries()) lowerPropAttribute(component, index, value, inner, at);
  inner.all(own.list);
  inner.text(`><template shadowrootmode="open">`);
  const shares = sharesOf(component);
  if (shares.length > 0)
    inner.push({ kind: 'made', make: ({ pass }) => sharedMark(pass, component, shares), values: [], where });
  inner.push({ kind: 'made', make: pageLinks, values: [], where });
  const { isStrict } = lowering.lowerer;
  if (isStrict) inner.push({ kind: 'made', make: rootOpened, values: [], where });
  const style = hostStyle(component, styledIn(component, 'shadow'));
  if (style !== '')
    inner.push({ kind: 'made', make: ({ pass }) => withNonce(style, pass), values: [], where });
  const data = dataOf(component, at);
  if (data) inner.push({ kind: 'made', make: loadedBlock, values: [data], where });
  const spliced = fills.map((fill): Spliced | undefined => fill && { fill, at });
  const env = envOf({ component, form: 'shadow', props, state, data, fills: spliced, owner: at, where });
  const inside = startOf(env, { lowering, known }, () => literal(''));
  inner.text(blockStart(planOf(component).content.nodes, inside));
  lowerBody(component, inside, inner);
  if (isStrict) inner.push({ kind: 'made', make: rootClosed, values: [], where });
  inner.text('</template>');
  inner.all(content.list);
  inner.text(`</${component.name}>`);
  provided(component, { ...inside.env, form: around.form }, inner, to);
}

/** A prop as the attribute of an element; one that is at its fallback needs none. */
function lowerPropAttribute(
  component: ComponentCore,
  index: number,
  value: Core,
  to: Steps,
  at: Scope,
): void {
  const { op } = value;
  const known = op.op === 'literal' ? jsonKnown(() => propAttribute(component, index, op.value)) : undefined;
  if (known !== undefined) return to.text(known);
  const kind = component.props.kinds[index] as AnyKind;
  const name = attributeOf(component.props.names[index] as string);
  const { fallbackValue, presence } = kind.settings;
  const { where } = at.env;
  const { word } = kind.rules;
  if (presence === 'required' && word === 'text')
    return to.push({ kind: 'attribute', name, tag: component.name, rule: 'plain', value, where });
  if (presence === 'optional' || word !== 'number')
    return to.push({ kind: 'made', make: propMake(component, index), values: [value], where });
  const written = new Steps();
  written.text(` ${name}="`);
  written.push({ kind: 'show', value, as: 'plain', name: () => name, where });
  written.text('"');
  const isOther = { op: 'binary', operator: '!=', left: value, right: literal(fallbackValue) } as const;
  const isAlways = presence === 'required' || isMade(fallbackValue);
  choose(isAlways ? literal(true) : new ExprCore(isOther), written.list, [], to);
}

const rootOpened: Make = ({ pass }) => {
  pass.openRoot();
  return '';
};
const rootClosed: Make = ({ pass }) => pass.closeRoot();

/** What was loaded, for the element to go on with. */
const loadedBlock: Make = (_frame, _where, data) => dataBlock(data);

/** Links to the style sheets that the page has for its shadow roots. */
const pageLinks: Make = ({ pass }) => pass.links;

function propMake(component: ComponentCore, index: number): Make {
  return function attribute(frame, where, value) {
    return propAttributeIn(frame, where, component, index, value);
  };
}

/** Whether an element's shadow root, or one in it, has elements that fill slots which pass data: these lend their rules. */
const isLendingIn: (component: ComponentCore) => boolean = /* @__PURE__ */ perComponent((component) =>
  [...dissolvedIn(component)].some((one) => planOf(one).content.uses.some(fillsWithData)),
);

/** A component's own element as one that its attributes are written of. */
function hostElement(node: PlanUse, { env }: Scope): Attributed {
  const { name } = node.component;
  const { accepted, component } = env;
  const attributes = accepted === undefined ? node.own : hostAttributesIn(node, component);
  return { tag: name, tags: [name], attributes };
}
