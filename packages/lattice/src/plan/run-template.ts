import { type ComponentCore, markupReader, perComponent, stateNames } from '../component/index.js';
import {
  callPlace,
  deepOr,
  dev,
  type Finding,
  failure,
  finding,
  LatticeError,
  nearest,
  placeOf,
  reasonOf,
  suggest,
  tells,
} from '../problem/index.js';
import {
  accepted,
  type Content,
  type Core,
  coreOf,
  currentRun,
  deeper,
  describe,
  during,
  ExprCore,
  type HandlerCall,
  handlerCaller,
  inputsOf,
  keepsLines,
  localExpr,
  NodePlace,
  once,
  placedExprs,
  type Run,
  retryName,
  SlotNode,
  shareReader,
} from '../template/index.js';

/** What a component's template came to, the one time it ran. */
export interface Blueprint {
  readonly content: Content;
  /** What stands in its place where it cannot be shown, and the local that holds what went wrong. */
  readonly onFailure?: { readonly content: Content; readonly fault: number };
  /** What was found wrong while it ran; a template that failed has no content. */
  readonly findings: readonly Finding[];
}

shareReader.read = (name, readBy) => new ExprCore({ op: 'shared', name }, readBy).face;

/** Runs the component's template if it has not run yet. */
export const blueprintOf: (core: ComponentCore) => Blueprint = /* @__PURE__ */ perComponent((core) => {
  const run: Run = { ...emptyRun(core), ...((dev || keepsLines()) && { again: once(() => tracked(core)) }) };
  const blueprint = runTemplate(core, run);
  // In production the lines are looked for only where something is wrong.
  if (!tells || dev || blueprint.findings.length === 0) return blueprint;
  return runTemplate(core, { ...emptyRun(core), places: [] });
});

function emptyRun({ name }: ComponentCore): Run {
  return { name, read: [], findings: [], depth: 0, nextLocal: 0 };
}

/** A run that remembers where all is written. */
function tracked(core: ComponentCore): Run {
  const run: Run = { ...emptyRun(core), places: [] };
  runTemplate(core, run);
  return run;
}

function runTemplate(core: ComponentCore, run: Run): Blueprint {
  return during(run, () => {
    try {
      const { template } = core;
      if (typeof template !== 'function') {
        const texts = markupReader();
        if (!texts) throw failure(finding('markup-missing', { component: core.name }, core.source));
        const onFailure = failureContent(core);
        return {
          content: texts.content({ core, text: template, findings: run.findings }),
          findings: run.findings,
          ...(onFailure && { onFailure }),
        };
      }
      const onFailure = failureContent(core);
      const content = template({
        props: reader(core, 'prop'),
        state: reader(core, 'state'),
        slots: slotPlaces(core),
        handlers: handlerCalls(core),
        nodes: nodePlaces(core),
        accepted,
        get data() {
          return core.load
            ? new ExprCore({ op: 'data' }, Object.getOwnPropertyDescriptor(this, 'data')?.get).face
            : undefined;
        },
      }) as Content;
      if (tells && run.findings.length === 0)
        run.findings.push(...unplaced(run, [content, onFailure?.content]));
      return { content, findings: run.findings, ...(onFailure && { onFailure }) };
    } catch (thrown) {
      return { content: null, findings: failureFindings(core, run, thrown) };
    }
  });
}

/** Content for where a component cannot be shown; a function of it gets what went wrong. */
function failureContent({ onFailure }: ComponentCore): Blueprint['onFailure'] {
  if (onFailure === undefined) return undefined;
  return deeper(1, (fault) => ({
    fault,
    content:
      typeof onFailure === 'function' && !coreOf(onFailure)
        ? (onFailure as (context: object) => Content)({
            fault: localExpr(fault, 'fault', 'data').face,
            retry: handlerCaller(retryName),
          })
        : (onFailure as Content),
  }));
}

function failureFindings(core: ComponentCore, run: Run, failed: unknown): readonly Finding[] {
  const thrown = deepOr(failed, core.name);
  if (thrown instanceof LatticeError) {
    const known = new Set(run.findings.map((found) => found.message));
    return [...run.findings, ...thrown.problems.filter((problem) => !known.has(problem.message))];
  }
  const reason = reasonOf(thrown);
  const { stack } = (thrown ?? {}) as { readonly stack?: string };
  const source = (stack === undefined ? undefined : placeOf({ stack })) ?? core.source;
  return [...run.findings, finding('template-failed', { name: core.name, reason }, source)];
}

/** `props` and `state` as the template sees them: each read is an expression of its own. */
function reader(core: ComponentCore, op: 'prop' | 'state'): unknown {
  return new Proxy(
    {},
    {
      get: function read(_target, name) {
        if (typeof name === 'symbol') return undefined;
        if (op === 'state') {
          if (dev) tellMisspelt(name, core, read);
          return new ExprCore({ op, name }, read).face;
        }
        const index = core.props.at.get(name);
        if (index !== undefined) {
          return new ExprCore({ op: 'prop', name, index }, read).face;
        }
        const hint = suggest(name, core.props.names, 'prop');
        currentRun()?.findings.push(
          finding(
            'prop-unknown',
            { component: core.name, prop: name, hint, read: true },
            placeOf(callPlace(read)),
          ),
        );
        return new ExprCore({ op: 'prop', name, index: -1 }).face;
      },
      ownKeys: () => [...core.props.names],
      getOwnPropertyDescriptor: (_target, name) => ({ enumerable: true, configurable: true, value: name }),
    },
  );
}

/** A field that the first state has not, and that is nearly one it has: others may come with a handler. */
function tellMisspelt(name: string, core: ComponentCore, read: unknown): void {
  const known = stateNames(core) ?? [];
  if (known.includes(name) || nearest(name, known) === undefined) return;
  const hint = suggest(name, known, 'field');
  currentRun()?.findings.push(
    finding('name-unknown', { what: 'field of the state', name, hint }, placeOf(callPlace(read))),
  );
}

/** `slots` as the template sees it: a function for each slot, with whether it is filled. */
function slotPlaces(core: ComponentCore): unknown {
  const places = new Map<string, unknown>();
  for (const [index, name] of core.slots.names.entries()) {
    const hands = core.slots.kinds[index]?.hands ?? false;
    const place = (...args: unknown[]): SlotNode => {
      const [data, fallback] = hands ? args : [undefined, args[0]];
      return new SlotNode(name, data, fallback as Content, place);
    };
    Object.defineProperty(place, 'filled', {
      get: function filled() {
        return filledExpr(name, index, filled).face;
      },
    });
    places.set(name, place);
  }
  return new Proxy(
    {},
    {
      get: function read(_target, name) {
        if (typeof name === 'symbol') return undefined;
        const place = places.get(name);
        if (place) return place;
        const hint = suggest(name, core.slots.names, 'slot');
        const found = finding(
          'slot-unknown',
          { component: core.name, slot: name, hint, read: true },
          placeOf(callPlace(read)),
        );
        currentRun()?.findings.push(found);
        return Object.assign(() => null, { filled: false });
      },
    },
  );
}

/** Whether a use gave content for a slot. */
export function filledExpr(slot: string, index: number, readBy?: unknown): ExprCore {
  return new ExprCore({ op: 'filled', slot, index }, readBy);
}

/** `nodes` as the template sees it: what gives an element one of the names. */
function nodePlaces(core: ComponentCore): unknown {
  return new Proxy(
    {},
    {
      get: function read(_target, name) {
        if (typeof name === 'symbol') return undefined;
        const kind = Object.hasOwn(core.nodes, name) ? core.nodes[name] : undefined;
        if (kind)
          return kind.isKeyed
            ? (key: unknown) => new NodePlace(name, kind.tag, key)
            : new NodePlace(name, kind.tag, undefined);
        const hint = suggest(name, Object.keys(core.nodes), 'node');
        currentRun()?.findings.push(
          finding('name-unknown', { what: 'node', name, hint }, placeOf(callPlace(read))),
        );
        return undefined;
      },
    },
  );
}

function handlerCalls(core: ComponentCore): unknown {
  const calls: Record<string, (...args: unknown[]) => HandlerCall> = {};
  for (const name of Object.keys(core.handlers)) calls[name] = handlerCaller(name);
  return calls;
}

/**
 * Expressions that were read and then placed nowhere, save those that only fed another such one. Fields of a row's item
 * and of what a slot passes are often taken apart in one go, needed or not.
 */
function unplaced(run: Run, content: Content): Finding[] {
  const reached = placedExprs(content);
  const lost = run.read.filter((core) => !reached.has(core) && !isOfLocal(core));
  const fed = new Set(lost.flatMap(inputsOf));
  return lost
    .filter((core) => !fed.has(core))
    .map((core) => finding('value-unplaced', { name: describe(core) }, core.source));
}

function isOfLocal({ op }: Core): boolean {
  return op.op === 'local' || (op.op === 'field' && isOfLocal(op.of));
}
