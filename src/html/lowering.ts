import type { ComponentCore } from '../component/index.js';
import { type ExprCore, inputsOf } from '../template/index.js';
import type { Form, Program } from './program.js';

/** What is learnt about one template while it is compiled. */
export class Lowering {
  makesIds = false;
  varies = false;
  readonly styled = new Set<ComponentCore>();
  /** The component whose elements carry its mark, where it has styles. */
  readonly mark: string | undefined;

  /** Whether its outermost elements carry a mark of their own, for rules with `:host`. */
  readonly marksHost: boolean;

  readonly component: ComponentCore | undefined;

  readonly form: Form;

  constructor(component: ComponentCore | undefined, form: Form) {
    this.component = component;
    this.form = form;
    this.marksHost = /:host\b/.test(component?.styles ?? '');
    this.mark = component && component.styles !== '' && form !== 'shadow' ? component.name : undefined;
  }

  /** The form of the components used in it. */
  get inner(): Form {
    return this.marksPlaces ? 'inside' : this.form;
  }

  /** Whether places that change stand between comments. */
  get marksPlaces(): boolean {
    return this.form === 'shadow' || this.form === 'inside';
  }

  /** Takes note of an expression that is placed. */
  note(core: ExprCore): void {
    const { op } = core;
    if (op.op === 'uid') this.makesIds = true;
    if (op.op === 'shared') this.varies = true;
    if (op.op === 'calc' && op.inputs.length === 0) this.varies = true;
    for (const input of inputsOf(core)) this.note(input);
  }

  /** Takes note of a use; a program not known as yet may do anything. */
  noteUse(program: Program | undefined): void {
    if (!program) {
      this.makesIds = true;
      this.varies = true;
      return;
    }
    this.makesIds ||= program.makesIds;
    this.varies ||= program.varies;
    for (const component of program.styled) this.styled.add(component);
  }
}

/** Where in a template something is compiled. */
export interface At {
  readonly lowering: Lowering;
  /** How many row and slot functions enclose it. */
  readonly depth: number;
  /** The tag of the element around it, where it is known. */
  readonly tag: string;
  /** Whether it stands inside no element of the template. */
  readonly isOutermost: boolean;
  /** The state that a `select` around it is tied to, and whose frame it is read in. */
  readonly choice?: { readonly of: ExprCore; readonly in: Lowering } | undefined;
}
