import type { ComponentCore } from '../component/index.js';
import { type Finding, type Problem, placed } from '../problem/index.js';
import { pathOf, type Scope, type Site, stepText } from '../template/index.js';
import type { Program } from './program.js';

/** One rendering: it gathers what is found wrong with values while they are written, and the styles it needs. */
export class Pass {
  readonly form: 'markup' | 'elements';
  readonly problems: Problem[] = [];
  /** The components whose styles content on the spot needs. */
  styled: Set<ComponentCore> | undefined;
  /** The components with rules whose elements may stand in the shadow root that is being written; none outside of any. */
  inRoot: ReadonlySet<ComponentCore> | undefined;
  /** What the components around the part that is being written provide. */
  shared: Map<string, unknown> | undefined;

  constructor(form: 'markup' | 'elements' = 'markup') {
    this.form = form;
    this.styled = undefined;
    this.shared = undefined;
    this.inRoot = undefined;
  }

  report(found: Finding, scope: Scope): void {
    this.problems.push(placed(found, pathOf(scope)));
  }

  /** Reports what is wrong with content on the spot, which stands in no component. */
  reportAt(found: Finding, site: Site | undefined): void {
    this.problems.push(placed(found, (site?.path ?? []).map((step) => stepText(step)).join(' › ')));
  }

  /** Takes note of a component that content on the spot uses. */
  reached(program: Program): void {
    if (program.styled.size === 0) return;
    this.styled ??= new Set();
    for (const component of program.styled) this.styled.add(component);
  }
}
