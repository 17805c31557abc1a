import { type AnyKind, type ComponentCore, settle } from '../../component/index.js';
import type { Frame } from '../../template/index.js';
import {
  alwaysPlaces,
  fillTest,
  isInteractive,
  type PlanFill,
  type PlanUse,
  planOf,
  propFault,
} from '../../tree/index.js';
import { Bits } from '../bits.js';
import type { Block } from '../block.js';
import { buildAll, viewOf } from '../build.js';
import { filledBits } from '../filled-bits.js';
import type { Filler, FillerHost } from '../fillers.js';
import type { Instance } from '../instance.js';
import { forward, type Scope, type Spot, type View } from '../view.js';
import { derived, refresh } from './slot.js';

/** A use: an element of its own where the component has something to do in a page, else its template in place. */
export function buildUse(node: PlanUse, parent: Node, view: View, spot: Spot): void {
  if (isInteractive(node.component)) return buildHost(node, parent, view, spot);
  if (isInside(spot.scope, node.component)) return buildLater(node, parent, view, spot);
  const scope = enter(node, view, spot);
  buildAll(planOf(node.component).content, parent, view, { ...spot, scope, depth: 0, isOutermost: true });
}

function isInside(scope: Scope | undefined, component: ComponentCore): boolean {
  for (let one = scope; one; one = one.use?.owner) if (one.use?.node.component === component) return true;
  return false;
}

/** Makes the scope of a use: a frame of its own, kept in step with what the use's props read. */
function enter(node: PlanUse, view: View, spot: Spot): Scope {
  const { component, site } = node;
  const owner = spot.scope;
  const scope: Scope = {
    index: view.numbers.next++,
    bits: new Bits(),
    use: { node, owner, depth: spot.depth },
    mark: component.styles === '' ? undefined : component.name,
  };
  if (component.styles !== '') view.numbers.styled.add(component);
  const fills = node.fills.map((fill) => fill && { isFilled: fillTest(fill) });
  const changing = node.props.flatMap(({ expr, name }, at) =>
    expr ? [{ at, expr, bit: scope.bits.of(`prop ${name}`) }] : [],
  );
  view.makers.push((frames) => {
    const around = frames[owner.index] as Frame;
    const frame: Frame = {
      name: component.name,
      props: node.props.map((prop) => prop.value),
      locals: [],
      fills,
      owner: around,
      site,
      at: around.at && [`${around.at[spot.depth] ?? ''}-${site.number}`],
      state: undefined,
      shared: undefined,
      accepted: undefined,
    };
    for (const { at, expr } of changing)
      (frame.props as unknown[])[at] = settled(node, at, expr.get(around), undefined);
    frames[scope.index] = frame;
  });
  keepInStep(node, scope, owner, changing, view);
  return scope;
}

interface Changing {
  readonly at: number;
  readonly expr: NonNullable<PlanUse['props'][number]['expr']>;
  readonly bit: number;
}

function keepInStep(
  node: PlanUse,
  scope: Scope,
  owner: Scope,
  changing: readonly Changing[],
  view: View,
): void {
  const bits = changing.reduce((all, { expr }) => all | owner.bits.read(expr), 0);
  const fillBits = node.fills.map((fill) =>
    fill && !alwaysPlaces(fill) ? filledBits(fill.content, owner) : 0,
  );
  view.note(owner, bits | fillBits.reduce((all, one) => all | one, 0));
  view.place(view.top, (_found, frames, block, instance) => {
    const run = (): void => {
      const { props } = frames[scope.index] as Frame;
      let changed = 0;
      for (const { at, expr, bit } of changing) {
        const value = settled(node, at, expr.get(frames[owner.index] as Frame), instance);
        if (value === props[at]) continue;
        (props as unknown[])[at] = value;
        changed |= bit;
      }
      if (changed !== 0) block.update(scope.index, changed);
    };
    if (bits !== 0) block.updaters.push({ scope: owner.index, bits, run });
    for (const [at, filled] of fillBits.entries()) {
      const name = node.component.slots.names[at];
      if (filled === 0) continue;
      const bit = scope.bits.of(`slot ${name}`);
      block.updaters.push({ scope: owner.index, bits: filled, run: () => block.update(scope.index, bit) });
    }
  });
}

function settled(node: PlanUse, at: number, value: unknown, instance: Instance | undefined): unknown {
  const kind = node.component.props.kinds[at] as AnyKind;
  const found = propFault(node.component, at, value);
  if (found) {
    instance?.report(found);
    return undefined;
  }
  return value === undefined ? kind.settings.fallbackValue : settle(kind, value);
}

/** A component inside itself: its view is made when the first one is really there. */
function buildLater(node: PlanUse, parent: Node, view: View, spot: Spot): void {
  const mark = parent.appendChild(document.createComment(''));
  let later: View | undefined;
  const everything = ~0;
  view.note(spot.scope, everything);
  view.place(mark, (found, frames, block, instance) => {
    later ??= laterView(node, view, spot);
    const inner = later.mount(found, [...frames], instance);
    forward(block, new Map([[spot.scope.index, everything]]), (one, bits) => inner.update(one, bits));
  });
}

function laterView(node: PlanUse, view: View, spot: Spot): View {
  // Entered as if it stood outside: the next one inside is made later again.
  const owner: Scope = {
    ...spot.scope,
    use: spot.scope.use && { ...spot.scope.use, node: { ...spot.scope.use.node, component: nobody } },
  };
  return viewOf([node], view.numbers, { ...spot, scope: cutAbove(owner, node.component) });
}

/** Stands for a component that is nobody's. */
const nobody = {} as ComponentCore;

function cutAbove(scope: Scope, component: ComponentCore): Scope {
  const { use } = scope;
  if (!use) return scope;
  const own = use.node.component === component ? { ...use.node, component: nobody } : use.node;
  return { ...scope, use: { ...use, node: own, owner: cutAbove(use.owner, component) } };
}

/** A component that stays an element: its props go to it as properties, its content as its children. */
function buildHost(node: PlanUse, parent: Node, view: View, spot: Spot): void {
  const { component } = node;
  const host = document.createElement(component.name);
  parent.appendChild(host);
  view.uses.add(component);
  buildFills(node, host, view, spot);
  const owner = spot.scope;
  for (const { expr, name, from, value } of node.props) {
    if (!expr && from !== 'given') continue;
    const bits = expr ? owner.bits.read(expr) : 0;
    view.note(owner, bits);
    view.place(host, (found, frames, block) => {
      const run = (): void => {
        // The element has a property for each prop of its component.
        (found as unknown as Record<string, unknown>)[name] = expr
          ? expr.get(frames[owner.index] as Frame)
          : value;
      };
      run();
      if (bits !== 0) block.updaters.push({ scope: owner.index, bits, run });
    });
  }
}

/** Content of an element's slots. Text for a named slot needs an element to say which; it has no box of its own. */
function buildFills(node: PlanUse, host: Element, view: View, spot: Spot): void {
  for (const [at, fill] of node.fills.entries()) {
    const name = node.component.slots.names[at] as string;
    if (!fill) continue;
    if (fill.data !== undefined) {
      buildFiller(fill, fill.data, name, host, view, spot);
      continue;
    }
    if (name === 'default') {
      buildAll(fill.content, host, view, { ...spot, isOutermost: false });
      continue;
    }
    const isElement = fill.content.every((one) => one.kind === 'element' && typeof one.tag === 'string');
    const home = isElement ? document.createDocumentFragment() : document.createElement('span');
    if (home instanceof HTMLElement) home.style.display = 'contents';
    if (home instanceof HTMLElement) host.appendChild(home);
    const target = home instanceof HTMLElement ? home : host;
    const before = target.childNodes.length;
    buildAll(fill.content, target, view, { ...spot, isOutermost: false });
    if (home instanceof HTMLElement) home.slot = name;
    else
      for (const child of [...target.childNodes].slice(before))
        if (child instanceof Element) child.slot = name;
  }
}

/** Content of a slot that hands data, as a function of the element: it makes a block for each piece of data. */
function buildFiller(
  fill: PlanFill,
  local: number,
  name: string,
  host: Element,
  view: View,
  spot: Spot,
): void {
  const owner = spot.scope;
  const content = viewOf(fill.content, view.numbers, { ...spot, depth: spot.depth + 1, isOutermost: true });
  for (const [index, bits] of content.reads) view.note({ ...owner, index }, bits);
  const reads = new Map(content.reads);
  view.place(host, (found, frames, block, instance) => {
    const live = new Set<{ readonly block: Block; readonly frame: Frame }>();
    const filler: Filler = (data) => {
      const frame = derived(frames[owner.index] as Frame);
      frame.locals[local] = data;
      const copies = [...frames];
      copies[owner.index] = frame;
      const made = instance.anew(() => content.create(copies, instance));
      const one = { block: made.block, frame };
      live.add(one);
      return { content: made.fragment, release: () => live.delete(one) };
    };
    const element = found as FillerHost;
    element.fillers = { ...element.fillers, [name]: filler };
    forward(block, reads, (scope, bits) => {
      for (const one of live) {
        if (scope === owner.index) refresh(one.frame, frames[owner.index] as Frame, local, 1);
        one.block.update(scope, bits);
      }
    });
  });
}
