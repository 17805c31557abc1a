import type { PlanAttribute } from '../plan/index.js';
import {
  type Core,
  type Fill,
  type Scope,
  type SiteStep,
  stepText,
  type Whereabouts,
} from '../template/index.js';
import type { Pass } from './pass.js';

/** Content given to a slot, ready to write. */
export interface HtmlFill extends Fill {
  /** What a block of it starts with, where an element is going to take it over. */
  readonly start: string;
  /** Whether it always comes to something, so that it need not be asked. */
  readonly isAlways: boolean;
  /** Whether it takes what the slot passes. */
  readonly takesData: boolean;
  /** Whether it comes to anything; with data and the start of its ids, where it takes data. */
  comesTo(data: unknown, ids: string): boolean;
  /** Writes it behind what is written already; with data and the start of its ids, where it takes data. */
  write(out: string, data: unknown, ids: string): string;
}

/** What a use hands to the element that its component renders as: attributes, and the values that they read by number. */
export interface AcceptedHere {
  readonly attributes: readonly PlanAttribute[];
  readonly values: readonly (() => unknown)[];
}

const nobody = {} as Scope;
const nothing: readonly never[] = Object.freeze([]);

/**
 * One call of a routine. What is written inside of it, its own template and those of components that were inlined in,
 * shares its registers. It counts as a scope for expressions that were lowered to read registers.
 */
export class Frame implements Scope {
  readonly pass: Pass;
  /** The frame that it was called from, and where in there. */
  readonly up: Frame | undefined;
  where: Where | undefined;
  /** The registers; where a routine is code, only the numbers of its rows. */
  locals: unknown[] = noLocals;
  /** The last record that was seen to be plain data; instructions look at each once. */
  plain: unknown = undefined;
  readonly fills: readonly (HtmlFill | undefined)[];
  ids: string;
  readonly given: AcceptedHere | undefined;
  /** The frame of what it calls with nothing to fill slots: such calls follow one another, and take it in turns. */
  private next: Frame | undefined = undefined;

  constructor(
    pass: Pass,
    up: Frame | undefined,
    where: Where | undefined,
    ids: string,
    fills: readonly (HtmlFill | undefined)[] = nothing,
    given: AcceptedHere | undefined = undefined,
  ) {
    this.pass = pass;
    this.up = up;
    this.where = where;
    this.fills = fills;
    this.ids = ids;
    this.given = given;
  }

  /** A frame for a call from this one, which lasts until the next such call. */
  called(where: Where, ids: string): Frame {
    const { next, pass } = this;
    // Where something is waited for, several calls go on at once.
    if (next === undefined || pass.late !== undefined) {
      this.next = new Frame(pass, this, where, ids);
      return this.next;
    }
    next.where = where;
    next.ids = ids;
    return next;
  }

  /** Lets go of what calls have left behind. */
  protected letGo(): void {
    this.next = undefined;
    this.plain = undefined;
  }

  /** The same with registers of its own, for what is written when these have gone on. */
  kept(): Frame {
    const { pass, up, where, ids, fills, given } = this;
    const same = new Frame(pass, up, where, ids, fills, given);
    same.locals = [...this.locals];
    return same;
  }

  /** The path of components down to it. */
  get path(): string {
    return this.where && this.up ? this.where.path(this.up) : '';
  }

  // What expressions of a scope may ask for; those that were lowered ask for registers and fills alone.
  declare readonly name: string;
  declare readonly props: readonly unknown[];
  declare readonly owner: Scope;
  declare readonly site: undefined;
  declare readonly at: undefined;
  declare readonly state: undefined;
  declare readonly shared: undefined;
  declare readonly accepted: undefined;
}

const noLocals: unknown[] = [];

Object.assign(Frame.prototype, { name: '', props: nothing, owner: nobody });

/** The place of something in a routine: the components that were inlined around it, below the routine's own. */
export class Where {
  readonly steps: readonly WhereStep[];

  constructor(steps: readonly WhereStep[]) {
    this.steps = steps;
  }

  path(frame: Scope): string {
    const steps = this.steps.map(
      ({ rows, step }) => stepText(step) + rows.map((row) => `[${Number(row.get(frame)) + 1}]`).join(''),
    );
    return joined([(frame as Frame).path, ...steps]);
  }

  /** The same as a tree has it: without the numbers of rows. */
  treePath({ up, where }: Frame): string {
    return joined([where && up ? where.treePath(up) : '', ...this.steps.map(({ step }) => stepText(step))]);
  }
}

function joined(steps: readonly string[]): string {
  return steps.filter((step) => step !== '').join(' › ');
}

export interface WhereStep {
  readonly step: SiteStep;
  /** The numbers of the rows around it. */
  readonly rows: readonly Core[];
}

/** A calculation as it was written, and where it stands. */
export class Named implements Whereabouts {
  readonly name: string;
  readonly where: Where;

  constructor(name: string, where: Where) {
    this.name = name;
    this.where = where;
  }

  path(frame: Scope): string {
    return this.where.path(frame);
  }
}
