import type { AnyKind } from '../../component/index.js';
import {
  type BoundProp,
  isInteractive,
  mergedAttributes,
  type PlanAttribute,
  type PlanUse,
  readsShared,
  settledProp,
} from '../../plan/index.js';
import type { Core, Scope } from '../../template/index.js';
import { type At, between, blockStart } from '../compiling.js';
import { Direct, type Output, type Values, type Write } from '../output.js';
import type { Pass } from '../pass.js';
import { withShared } from '../provide.js';
import { refuseBroken } from '../refuse.js';
import { noLocals, scopeOf } from '../scopes.js';
import { type Item, type Source, sourceOf } from '../sources.js';
import { writeHost } from './host.js';
import { type HtmlFill, htmlFill } from './slot.js';

/** A use: its props' values in a scope of its own, its content as fills, its component's program. */
export function writeUse(node: PlanUse, to: Output, at: At): void {
  const { accepted, component, site } = node;
  const { compiling, depth } = at;
  const { compiler, inner: form } = compiling;
  if (compiling.component === undefined) refuseBroken(component);
  if (compiling.form !== 'markup' && isInteractive(component)) return writeHost(node, to, at, valuesOf(node));
  if (to instanceof Direct) return to.text(useOnTheSpot(node, to, at));
  const values = valuesOf(node);
  const ahead = compiler.programAhead(component, form);
  const fills = node.fills.map((fill) => htmlFill(fill, compiling, depth));
  const blocks = node.fills.flatMap((fill) => (fill ? [fill.block] : []));
  const makesIds = (ahead?.makesIds ?? true) || blocks.some((block) => compiler.makesIds(block, form));
  const passesSlots = blocks.some((block) => block.placesSlots);
  const shares = component.provides !== undefined || readsShared(component);
  const mayMakeIds = makesIds || passesSlots;
  const idsFor = (scope: Scope): string[] | undefined =>
    makesIds || (passesSlots && scope.at) ? [(scope.at?.[depth] ?? '') + site.id] : undefined;
  const acceptedIn = handedOn(accepted);
  let program = ahead;
  const write: Write = (scope, pass) => {
    program ??= compiler.program(component, form);
    const ids = mayMakeIds ? idsFor(scope) : undefined;
    const locals = program.locals === 0 ? noLocals : [];
    const inner = scopeOf(component, values(scope, pass), fills, scope, site, ids, locals);
    if (accepted) inner.accepted = acceptedIn(scope);
    if (!shares) return program.write(inner, pass);
    return withShared(component, inner, pass, program.write);
  };
  if (ahead) return to.dynamic(write);
  // A component inside itself: an element makes what stands there when it is really there.
  between(to, at, () => {
    to.text(blockStart([node], at));
    to.dynamic(write);
  });
}

/** A use that is built for one rendering. Where something is wrong with it, nothing is written: it is all refused. */
function useOnTheSpot(node: PlanUse, { scope, pass }: Direct, { compiling, depth }: At): string {
  const { accepted, component, site } = node;
  if (pass.problems.length > 0) return '';
  const program = compiling.compiler.program(component, compiling.form);
  pass.reached(program);
  const fills = new Array<HtmlFill | undefined>(node.fills.length);
  for (let one = 0; one < fills.length; one++) fills[one] = htmlFill(node.fills[one], compiling, depth);
  const ids = [(scope.at?.[depth] ?? '') + site.id];
  const values = constantsOf(node) ?? valuesOf(node)(scope, pass);
  const inner = scopeOf(component, values, fills, scope, site, ids);
  inner.accepted = accepted;
  return withShared(component, inner, pass, program.write);
}

/** What a use hands to the element that its component renders as, with what its own component was handed for it. */
function handedOn(accepted: readonly PlanAttribute[] | undefined): (scope: Scope) => unknown {
  if (!accepted?.some(({ kind }) => kind === 'accepted')) return () => accepted;
  const none: readonly PlanAttribute[] = [];
  const known = new WeakMap<object, unknown>();
  return (scope) => {
    const given = (scope.accepted as readonly PlanAttribute[] | undefined) ?? none;
    let all = known.get(given);
    if (!all) {
      all = mergedAttributes(accepted, given, undefined, () => undefined);
      known.set(given, all);
    }
    return all;
  };
}

/** The settled prop values of a use, where none of them changes. */
function constantsOf({ props }: PlanUse): readonly unknown[] | undefined {
  const constants = new Array<unknown>(props.length);
  for (let at = 0; at < props.length; at++) {
    const { expr, value } = props[at] as BoundProp;
    if (expr) return undefined;
    constants[at] = value;
  }
  return constants;
}

/** How to have the settled prop values of a use; those that change are checked each time. */
function valuesOf(node: PlanUse): Values {
  const constants = constantsOf(node);
  if (constants) return () => constants;
  const readers = node.props.map((prop, index) =>
    prop.expr ? reader(node, index, prop.expr) : () => prop.value,
  );
  const [a, b, c, d] = readers;
  if (a && b && c && d && readers.length === 4) {
    return (scope, pass) => [a(scope, pass), b(scope, pass), c(scope, pass), d(scope, pass)];
  }
  if (a && b && c && readers.length === 3)
    return (scope, pass) => [a(scope, pass), b(scope, pass), c(scope, pass)];
  if (a && b && readers.length === 2) return (scope, pass) => [a(scope, pass), b(scope, pass)];
  if (a && readers.length === 1) return (scope, pass) => [a(scope, pass)];
  return (scope, pass) => readers.map((read) => read(scope, pass));
}

type Reader = (scope: Scope, pass: Pass) => unknown;

/** The type that values of a kind have, where that is all there is to check. */
const plainTypes: Readonly<Record<string, string>> = { text: 'string', number: 'number', flag: 'boolean' };

/** Reads one changing prop; a value that fits at once is handed on as it is. */
function reader(node: PlanUse, index: number, expr: Core): Reader {
  const kind = node.component.props.kinds[index] as AnyKind;
  const late: Late = (value, scope, pass) => settleLate(node, index, value, scope, pass);
  const { get } = expr;
  if (kind.settings.tests.length > 0 || kind.rules.settle)
    return (scope, pass) => late(get(scope), scope, pass);
  const type = plainTypes[kind.rules.word];
  if (type !== undefined) return typeReader(sourceOf(expr), type, late);
  const { accepts } = kind.rules;
  return (scope, pass) => {
    const value = get(scope);
    return value !== undefined && accepts(value) ? value : late(value, scope, pass);
  };
}

type Late = (value: unknown, scope: Scope, pass: Pass) => unknown;

function typeReader(source: Source, type: string, late: Late): Reader {
  const isFit = (value: unknown): boolean =>
    typeof value === type && (type !== 'number' || Number.isFinite(value));
  if (source.from === 'field') {
    const { local, key } = source;
    if (type !== 'number')
      return (scope, pass) => {
        const value = (scope.locals[local] as Item)?.[key];
        return typeof value === type ? value : late(value, scope, pass);
      };
    return (scope, pass) => {
      const value = (scope.locals[local] as Item)?.[key];
      return isFit(value) ? value : late(value, scope, pass);
    };
  }
  if (source.from === 'prop') {
    const { index } = source;
    return (scope, pass) => {
      const value = scope.props[index];
      return isFit(value) ? value : late(value, scope, pass);
    };
  }
  const { get } = source;
  return (scope, pass) => {
    const value = get(scope);
    return isFit(value) ? value : late(value, scope, pass);
  };
}

/** A value that is missing, does not fit, or is handed on changed. */
function settleLate(node: PlanUse, index: number, value: unknown, scope: Scope, pass: Pass): unknown {
  return settledProp(node.component, index, value, (found) => {
    const place = scopeOf({ ...node.component, state: undefined }, [], [], scope, node.site, undefined);
    pass.report(node.source ? { ...found, source: node.source } : found, place);
  });
}
