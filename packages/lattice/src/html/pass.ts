import type { ComponentCore } from '../component/index.js';
import { causeOf, type Finding, type Problem, placed, problemText } from '../problem/index.js';
import { type Site, stepText } from '../template/index.js';
import type { Frame } from './frame.js';
import { hashOf } from './hash.js';
import type { How } from './how.js';
import type { GuardStep, LoadStep, RowsStep } from './lower/steps.js';
import type { Write, WriteWith } from './runtime.js';

/** Where text goes that is ready before all of it is. */
export interface Sink {
  take(text: string): void;
}

/** How a rendering that waits for data writes what comes later. */
export interface LateWriting {
  load(
    frame: Frame,
    out: string,
    step: LoadStep,
    props: Readonly<Record<string, unknown>>,
    write: WriteWith,
  ): string;
  guard(frame: Frame, out: string, step: GuardStep, inner: Write, fallback: WriteWith): string;
  rows(frame: Frame, out: string, step: RowsStep, list: unknown, row: Write, empty: Write): string;
  apart(frame: Frame, out: string, inner: Write, change: (text: string) => string): string;
}

export function tellOnConsole(problem: Problem, cause?: unknown): void {
  console.error(problemText(problem), ...(cause === undefined ? [] : [cause]));
}

/** Rules that stand for style attributes: each is found by what it says. */
export class StyleRules {
  private readonly known = new Map<string, string>();
  private waiting: string[] = [];

  /** Adds a rule for the elements that hold these declarations as data. */
  addData(declarations: string): void {
    if (this.known.has(declarations)) return;
    this.known.set(declarations, '');
    this.waiting.push(`[data-style=${JSON.stringify(declarations)}]${strong} { ${declarations} }`);
  }

  /** The value of the attribute by which a rule of these declarations finds its elements. */
  add(declarations: string): string {
    let key = this.known.get(declarations);
    if (key === undefined) {
      key = `s${hashOf(declarations)}`;
      this.known.set(declarations, key);
      this.waiting.push(`[data-style="${key}"]${strong} { ${declarations} }`);
    }
    return key;
  }

  /** The rules that were not taken before. */
  take(): string {
    return this.waiting
      .splice(0)
      .join('\n')
      .replace(/<\/(style)/gi, '<\\/$1');
  }
}

/** Makes a rule stronger than what components and pages say, as a style attribute is. */
const strong = ':not(#_)'.repeat(4);

/** Shared data, and the tag of the component that provides it. */
export interface SharedValue {
  readonly value: unknown;
  readonly by: string;
  /** The one use that provides it, and what is provided around that. */
  readonly use: object;
  readonly around: SharedValue | undefined;
}

/** A use of a component as it was written. */
export interface WrittenUse {
  readonly component: ComponentCore;
  /** With the numbers of rows, and without. */
  readonly path: string;
  readonly treePath: string;
  readonly props: readonly unknown[];
}

/** One rendering: it gathers what is found wrong with values while they are written, and the styles it needs. */
export class Pass {
  readonly form: 'markup' | 'elements';
  problems: Problem[] = [];
  /** The components whose styles inline content needs. */
  styled: ReadonlySet<ComponentCore> | undefined;
  /** The components with rules whose elements may stand in the shadow root that is being written; none outside of any. */
  inRoot: ReadonlySet<ComponentCore> | undefined;
  /** What the components around the part that is being written provide. */
  shared: Map<string, SharedValue> | undefined;
  /** The innermost use that provides something. */
  provider: object | undefined;
  /** What the `select` elements around are tied to, the innermost last. */
  choices: unknown[] = [];
  /** Takes what is ready; none where text is written apart, and looked at as a whole. */
  sink: Sink | undefined;

  /** Writes what comes later, where the rendering waits for data. */
  late: LateWriting | undefined;
  /** Whether components that load do so in the page. */
  loadsInPage = false;
  /** Receives what went wrong where something else is shown instead, and what was thrown. */
  onProblem: (problem: Problem, cause?: unknown) => void = tellOnConsole;
  readonly tell = (problem: Problem): void => this.onProblem(problem, causeOf(problem));

  /** How routines are run. */
  how: How = 'usual';
  /** The nonce of style and script elements, as an attribute. */
  nonce = '';
  /** Whether rules stand for style attributes, since a page's policy refuses these. */
  isStrict = false;
  readonly styleRules = new StyleRules();
  /** Takes note of each use that is written, where that is asked for. */
  uses: WrittenUse[] | undefined;
  /** The tags of the components that the page registers, where that is said. */
  registered: ReadonlySet<string> | undefined;
  /** Links to the page's own style sheets, for each shadow root. */
  links = '';
  /** Whether it is asked for styles. */
  readonly wantsStyles: boolean;

  constructor(
    form: 'markup' | 'elements' = 'markup',
    sink: Sink | undefined = undefined,
    wantsStyles = true,
  ) {
    this.form = form;
    this.wantsStyles = wantsStyles;
    this.styled = undefined;
    this.shared = undefined;
    this.provider = undefined;
    this.inRoot = undefined;
    this.sink = sink;
    this.late = undefined;
    this.uses = undefined;
    this.registered = undefined;
  }

  /** The rules for style attributes in the shadow roots that are open, innermost last. */
  roots: StyleRules[] = [];

  /** Begins a shadow root, or a part of one that comes later. */
  openRoot(): void {
    if (this.isStrict) this.roots.push(new StyleRules());
  }

  /** Ends it: with a style element where it needs one, which an element takes out when it takes the root over. */
  closeRoot(): string {
    const rules = this.roots.pop()?.take() ?? '';
    return rules === '' ? '' : `<style${this.nonce} data-inline>${rules}</style>`;
  }

  report(found: Finding, where: string): void {
    this.problems.push(placed(found, where));
  }

  /** Reports what is wrong with inline content, which stands in no component. */
  reportAt(found: Finding, site: Site | undefined): void {
    this.report(found, (site?.path ?? []).map((step) => stepText(step)).join(' › '));
  }

  /** Takes note of components whose rules inline content needs. */
  needs(components: ReadonlySet<ComponentCore>): void {
    if (components.size === 0 || !this.wantsStyles) return;
    // Most content uses one component, whose set is known by itself: its style sheet is made once.
    const { styled } = this;
    if (styled === undefined) this.styled = components;
    else if (styled !== components && [...components].some((one) => !styled.has(one)))
      this.styled = new Set([...styled, ...components]);
  }

  /** Hands on what is ready; gives what is to be written behind of. */
  hand(ready: string): string {
    if (!this.sink) return ready;
    this.sink.take(ready);
    return '';
  }
}
