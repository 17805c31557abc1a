import { isBlank } from './blank.js';

/**
 * What one use of a component reads from while it is rendered. Expressions hold places in it, never values,
 * so that one compiled template serves every use.
 */
export interface Scope {
  /** The component's name; empty for content that stands in no component. */
  readonly name: string;
  /** Settled prop values, in the order the component declares them. */
  readonly props: readonly unknown[];
  /** Items, indexes and slot data, each at the number its expression was given when the template ran. */
  readonly locals: unknown[];
  /** What fills each declared slot, in their order. */
  readonly fills: readonly (Fill | undefined)[];
  /** The scope in which this use is written; its content is rendered there. */
  readonly owner: Scope | undefined;
  /** Where in the owner's template this use stands. */
  readonly site: Site | undefined;
  /** The id path at each depth of rows, kept only where something below asks for ids. */
  at: string[] | undefined;
  state: Readonly<Record<string, unknown>> | undefined;
  /** What the component has loaded, a `LoadState`, where it loads. */
  data?: unknown;
  /** What components above provide, by name; set where the component reads some of it. */
  shared: ReadonlyMap<string, unknown> | undefined;
  /** What the use gives to the element that the component renders as; its values are read in the owner's scope. */
  accepted: unknown;
  /** The event that calls a handler, while the handler's arguments are read. */
  readonly event?: unknown;
}

/** Content given to a slot, in the form the renderer at hand wants it. */
export interface Fill {
  /** Whether the content comes to anything, given the scope it is written in. */
  isFilled(owner: Scope): boolean;
}

/** Whether a slot is filled with something. */
export function isFilled({ fills, owner }: Scope, slot: number): boolean {
  const fill = fills[slot];
  return fill !== undefined && (owner === undefined || fill.isFilled(owner));
}

/** Whether a value shows as anything where content is placed; white space alone does not. */
export function isSomething(value: unknown): boolean {
  if (typeof value === 'string') return !isBlank(value);
  return value !== null && value !== undefined && value !== false;
}

/** Whether a value is a list with something in it. */
export function isFull(value: unknown): boolean {
  return Array.isArray(value) && value.length > 0;
}

/** The scope so many owners up. */
export function ownerOf(scope: Scope, up: number): Scope {
  let one = scope;
  for (let n = 0; n < up; n++) one = one.owner ?? one;
  return one;
}

/** A use's fixed place in a template. */
export interface Site {
  /** The components from the template's own down to this use, outermost first. */
  readonly path: readonly SiteStep[];
  /** Different for each use in a template; part of the ids below it. */
  readonly id: string;
}

export interface SiteStep {
  readonly name: string;
  /** Which of the uses of that name, from 1, where there are several. */
  readonly nth: number | undefined;
  /** The locals that hold the row number, where the use stands in rows. */
  readonly rows: readonly number[];
}

/** The path of components down to a scope: `fair-page › variety-list › variety-card[2]`. */
export function pathOf(scope: Scope | undefined): string {
  if (!scope) return '';
  const { owner, site } = scope;
  if (!owner || !site) return scope.name;
  return [pathOf(owner), ...site.path.map((step) => stepText(step, owner))]
    .filter((step) => step !== '')
    .join(' › ');
}

/** One step of a path; the row number is written where the scope that holds it is at hand. */
export function stepText(step: SiteStep, owner?: Scope): string {
  const rows = owner ? step.rows.map((local) => `[${Number(owner.locals[local]) + 1}]`).join('') : '';
  return step.name + (step.nth === undefined ? '' : `[${step.nth}]`) + rows;
}
