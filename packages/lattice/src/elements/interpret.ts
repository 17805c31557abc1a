import { isMade } from '../component/index.js';
import { misplaced } from '../plan/index.js';
import { type Finding, finding } from '../problem/index.js';
import { type Core, describe, htmlFragment, isCore, type Scope } from '../template/index.js';
import {
  Call,
  CompiledBinding,
  Constant,
  FaultsOf,
  FillTest,
  FromDefinition,
  HandlerArguments,
  InPage,
  MisfitWords,
  Named,
  OfRow,
  ViewOnDemand,
} from './compile/call.js';
import { Fallback, RuleOf } from './compile/props.js';
import { Anchor, type CountNodes, StaticHtml, type StaticNode, StaticText } from './compile/static.js';
import { CompiledView } from './compile/view.js';
import { type Attach, attempt, Block, type Put } from './runtime/block.js';
import * as called from './runtime/called.js';
import { newElement, safe, setAttribute } from './runtime/dom.js';
import type { Feature, Instance } from './runtime/instance.js';
import { type Paired, pairOf } from './runtime/paired.js';
import { report } from './runtime/report.js';
import { type BlockClass, type View, view } from './runtime/view.js';

const views = new WeakMap<CompiledView, View>();

/** The view that a compiled one comes to in a page. */
export function viewInPage(compiled: CompiledView): View {
  let made = views.get(compiled);
  if (!made) {
    const parts = compiled.parts.map(({ at, work }): Part => [at, inPage(work) as Attach | Binding]);
    made = view('', madeOf(compiled, parts), () => nodesOf(compiled.content));
    views.set(compiled, made);
  }
  return made;
}

/** A part that shows one value of one scope. */
interface Binding {
  readonly level: number;
  readonly mask: number;
  get(scope: Scope, instance: Instance): unknown;
  put: Put;
}

/** What is done at one node of each block: which of the nodes on the way to all parts it is, and what. */
type Part = readonly [at: number, part: Attach | Binding];

/** The blocks of a view in a page that made it itself: what a build writes as code is gone through here. */
function madeOf({ attributes, steps }: CompiledView, parts: readonly Part[]): BlockClass {
  return class extends Block {
    static readonly own = Object.fromEntries(
      parts.flatMap(([at], part) => (attributes.has(at) ? [[part, attributes.get(at) ?? []]] : [])),
    );

    declare parts: readonly (Node | null)[];
    declare values: unknown[];

    find(first: Node): void {
      const found = locate(steps, first);
      this.parts = parts.map(([at]) => found[at] as Node);
      // No part has shown anything: in place of its value stands what no value is.
      this.values = [...parts];
    }

    override take(shape: Block): void {
      this.parts = (shape.parts ?? []).map((one) => (one as Paired | null)?.[pairOf]?.node ?? null);
      this.values = [...parts];
    }

    put(mask: number, level: number, _scope: Scope, instance: Instance): void {
      parts.forEach(([, part], at) => {
        if (typeof part === 'function') {
          if (mask < 0) part(safe(this.parts[at] as Node), this.scopes, this, instance);
        } else if (mask < 0 || (part.level === level && part.mask & mask))
          attempt(instance, () => {
            const value = part.get(this.scopes[part.level] as Scope, instance);
            if (value === this.values[at]) return;
            this.values[at] = value;
            part.put(safe(this.parts[at] as Node), value, instance);
          });
      });
    }
  };
}

/** The nodes on the way to all parts; the first stands for what is around them. */
function locate(steps: CompiledView['steps'], first: Node): (Node | null)[] {
  const nodes: (Node | null)[] = [null];
  for (let at = 0; at < steps.length; at += 2) {
    const around = nodes[steps[at] as number];
    let node: Node | null = around ? safe(around).firstChild : first;
    for (let child = steps[at + 1] as number; child; child--) node = safe(node as Node).nextSibling;
    nodes.push(node);
  }
  return nodes;
}

/** What something compiled is in a page. */
export function inPage(compiled: unknown): unknown {
  if (isCore(compiled)) return compiled.get;
  if (compiled instanceof Call) {
    // All of them are called for some template or other: none could be left out.
    // biome-ignore lint/performance/noDynamicNamespaceImportAccess: the names are known when a template is compiled.
    const make = called[compiled.name] as (...args: unknown[]) => unknown;
    return make(...compiled.args.map(inPage));
  }
  if (compiled instanceof CompiledBinding) {
    const { get, level, mask, put } = compiled;
    return { level, mask, get: inPage(get), put: inPage(put) };
  }
  // As above.
  // biome-ignore lint/performance/noDynamicNamespaceImportAccess: the names are known when a template is compiled.
  if (compiled instanceof Named) return called[compiled.name];
  if (compiled instanceof CompiledView) return viewInPage(compiled);
  if (compiled instanceof Constant) return compiled.value;
  if (compiled instanceof InPage) return inPage(compiled.value);
  if (compiled instanceof FromDefinition) return partOf(compiled);
  if (compiled instanceof HandlerArguments) return argumentsOf(compiled.args);
  if (compiled instanceof OfRow) return ofRow(compiled);
  if (compiled instanceof FillTest) return fillTest(compiled.filled);
  if (compiled instanceof RuleOf) return compiled.kind.rule;
  if (compiled instanceof MisfitWords) return misfitWords(compiled.value);
  if (compiled instanceof FaultsOf) return telling(compiled.findings);
  if (compiled instanceof ViewOnDemand) return onDemand(compiled);
  if (Array.isArray(compiled)) return compiled.map(inPage);
  if (typeof compiled !== 'object' || compiled === null) return compiled;
  const made = Object.fromEntries(Object.entries(compiled).map(([name, value]) => [name, inPage(value)]));
  const { fallback } = compiled as { readonly fallback?: unknown };
  return fallback instanceof Fallback && isMade(fallback.value)
    ? Object.defineProperty(made, 'fallback', { get: fallback.value })
    : made;
}

/**
 * The function, or the record of them. Each looks for itself when it is called: a component may become another while a
 * page is being developed.
 */
function partOf({ core, key }: FromDefinition): unknown {
  const value = core[key];
  if (key !== 'reactions' && key !== 'field' && key !== 'elementMethods')
    return (context: never) => (core[key] as ((context: never) => unknown) | undefined)?.(context);
  const names = key === 'reactions' ? core.props.names : Object.keys(value ?? {});
  return Object.fromEntries(
    names.map((name) => {
      const part = (value as Readonly<Record<string, unknown>> | undefined)?.[name];
      // Functions have arguments of their own each.
      const call = (...args: unknown[]): unknown => (core[key] as unknown as Functions)[name]?.(...args);
      return [name, typeof part === 'string' ? part : call];
    }),
  );
}

type Functions = Readonly<Record<string, ((...args: unknown[]) => unknown) | undefined>>;

/** Arguments may read the event itself, such as its detail. */
function argumentsOf(args: readonly Core[]): (scope: Scope, event: Event) => readonly unknown[] {
  return (scope, event) => args.map(({ get }) => get({ ...scope, event }));
}

function ofRow({ core: { get }, item }: OfRow): (value: unknown, index: number, scope: Scope) => unknown {
  return (value, index, scope) => {
    scope.locals[item] = value;
    scope.locals[item + 1] = index;
    return get(scope);
  };
}

function fillTest({ get }: Core): { isFilled(owner: Scope): boolean } {
  return { isFilled: (owner) => !!get(owner) };
}

function misfitWords(core: Core): (value: unknown, instance: Instance) => void {
  return (value, instance) => {
    const { message, hint } = misplaced(value);
    const found = finding('content-not-allowed', { what: '', place: '', hint });
    report(instance, { ...found, message: `${describe(core)}: ${message}` });
  };
}

function telling(findings: readonly Finding[]): (instance: Instance) => Feature {
  return (instance) => ({
    before() {
      for (const found of findings) report(instance, found);
    },
  });
}

function onDemand({ get }: ViewOnDemand): (tag?: unknown) => View | undefined {
  return (tag) => {
    const compiled = get(typeof tag === 'string' ? tag : '');
    return compiled && viewInPage(compiled);
  };
}

const svgSpace = 'http://www.w3.org/2000/svg';

/** The static nodes of a view, in a page. */
function nodesOf(content: readonly StaticNode[]): DocumentFragment {
  const fragment = new DocumentFragment();
  for (const one of content) fragment.appendChild(nodeOf(one));
  return fragment;
}

function nodeOf(node: StaticNode): Node {
  if (node instanceof StaticText) return new Text(node.text);
  if (node instanceof StaticHtml) return htmlFragment(node.html);
  if (node instanceof Anchor) return node.kind === 'text' ? new Text() : new Comment();
  const { tag, isSvg, attributes, content } = node;
  const element = newElement(tag, isSvg ? svgSpace : undefined);
  for (const [name, value] of attributes) {
    // A page's policy may refuse style attributes, and never the style object.
    if (name === 'style') (safe(element) as HTMLElement).style.cssText = value;
    else setAttribute(safe(element), name, value);
  }
  const home = element instanceof HTMLTemplateElement ? element.content : element;
  safe(home).insertBefore(nodesOf(content), null);
  return element;
}

/** Counts the nodes of ready-made HTML in a page. */
export const countInPage: CountNodes = (html) => htmlFragment(html).childNodes.length;
