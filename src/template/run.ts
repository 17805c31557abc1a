import type { ComponentCore } from '../component/core.js';
import { perComponent } from '../component/per-component.js';
import {
  callPlace,
  dev,
  type Finding,
  failure,
  finding,
  LatticeError,
  placeOf,
  suggest,
} from '../problem/index.js';
import { accepted } from './accepted.js';
import { describe, ExprCore, inputsOf } from './expr.js';
import { isFilled } from './frame.js';
import { HandlerCall } from './handler-call.js';
import type { Content } from './node.js';
import { SlotNode } from './nodes/index.js';
import { placedExprs } from './placed.js';
import { currentRun, during, type Run } from './run-state.js';
import { shareReader } from './share.js';

/** What a component's template came to, the one time it ran. */
export interface Blueprint {
  readonly content: Content;
  /** What was found wrong while it ran; a template that failed has no content. */
  readonly findings: readonly Finding[];
}

/** A template written as HTML text, and the file it was read from. */
export interface TemplateText {
  readonly text: string;
  /** The file's path, where the text is the whole of a file. */
  readonly file?: string | undefined;
}

/** What a template text's reader is given of its component. */
export interface TextContext {
  readonly core: ComponentCore;
  readonly text: TemplateText;
  readonly findings: Finding[];
}

/** Reads template texts: kept apart, so that a page whose templates are functions loads none of it. */
export interface MarkupReader {
  content(context: TextContext): Content;
  /** The slots a text places, for components that declare none: each with whether it hands data. */
  slots(text: TemplateText): ReadonlyMap<string, boolean>;
}

/** Shared by every copy of this library in the program, as the run at hand is. */
const shared = globalThis as { [key: symbol]: MarkupReader | undefined };
const readerKey = Symbol.for('zesty-lattice.markup-reader');

export function setMarkupReader(reader: MarkupReader): void {
  shared[readerKey] ??= reader;
}

/** The slots that a template text places; none where nothing can read it, which running it will tell. */
export function textSlots(text: TemplateText): ReadonlyMap<string, boolean> {
  return shared[readerKey]?.slots(text) ?? new Map();
}

shareReader.read = (name, readBy) =>
  new ExprCore({ op: 'shared', name }, (frame) => frame.shared?.get(name), readBy).face;

/** Runs the component's template if it has not run yet. */
export const blueprintOf: (core: ComponentCore) => Blueprint = /* @__PURE__ */ perComponent(runTemplate);

function runTemplate(core: ComponentCore): Blueprint {
  const run: Run = { name: core.name, tracks: dev, read: [], findings: [], depth: 0, nextLocal: 0 };
  return during(run, () => {
    try {
      const { template } = core;
      if (typeof template !== 'function') {
        const markupReader = shared[readerKey];
        if (!markupReader) throw failure(finding('markup-missing', { component: core.name }, core.source));
        return {
          content: markupReader.content({ core, text: template, findings: run.findings }),
          findings: run.findings,
        };
      }
      const content = template({
        props: reader(core, 'prop'),
        state: reader(core, 'state'),
        slots: slotPlaces(core),
        handlers: handlerCalls(core),
        accepted,
      }) as Content;
      if (dev && run.findings.length === 0) run.findings.push(...unplaced(run, content));
      return { content, findings: run.findings };
    } catch (thrown) {
      return { content: null, findings: failureFindings(core, run, thrown) };
    }
  });
}

function failureFindings(core: ComponentCore, run: Run, thrown: unknown): readonly Finding[] {
  if (thrown instanceof LatticeError) {
    const known = new Set(run.findings.map((found) => found.message));
    return [...run.findings, ...thrown.problems.filter((problem) => !known.has(problem.message))];
  }
  const reason = thrown instanceof Error ? thrown.message : String(thrown);
  return [...run.findings, finding('template-failed', { name: core.name, reason }, core.source)];
}

/** `props` and `state` as the template sees them: each read is an expression of its own. */
function reader(core: ComponentCore, op: 'prop' | 'state'): unknown {
  return new Proxy(
    {},
    {
      get: function read(_target, name) {
        if (typeof name === 'symbol') return undefined;
        if (op === 'state') return new ExprCore({ op, name }, (frame) => frame.state?.[name], read).face;
        const index = core.props.at.get(name);
        if (index !== undefined) {
          return new ExprCore({ op: 'prop', name, index }, (frame) => frame.props[index], read).face;
        }
        const hint = suggest(name, core.props.names, 'prop');
        currentRun()?.findings.push(
          finding(
            'prop-unknown',
            { component: core.name, prop: name, hint, read: true },
            placeOf(callPlace(read)),
          ),
        );
        return new ExprCore({ op: 'prop', name, index: -1 }, () => undefined).face;
      },
      ownKeys: () => [...core.props.names],
      getOwnPropertyDescriptor: (_target, name) => ({ enumerable: true, configurable: true, value: name }),
    },
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
  return new ExprCore({ op: 'filled', slot, index }, (frame) => isFilled(frame, index), readBy);
}

function handlerCalls(core: ComponentCore): unknown {
  const calls: Record<string, (...args: unknown[]) => HandlerCall> = {};
  for (const name of Object.keys(core.handlers)) calls[name] = (...args) => new HandlerCall(name, args);
  return calls;
}

/** Expressions that were read and then placed nowhere, save those that only fed another such one. */
function unplaced(run: Run, content: Content): Finding[] {
  const reached = placedExprs(content);
  const lost = run.read.filter((core) => !reached.has(core));
  const fed = new Set(lost.flatMap(inputsOf));
  return lost
    .filter((core) => !fed.has(core))
    .map((core) => finding('value-unplaced', { name: describe(core) }, core.source));
}
