import type { ComponentCore } from 'zesty-lattice/internal/component';
import type { ModuleCode } from './module.js';

/** Finds the module of the project behind an import, if it is one. */
export type Resolve = (source: string, importer: string) => Promise<string | undefined>;

export type Compute = (...values: never[]) => unknown;

/** Where a component is made: its module, and which of the calls there. */
export interface ExportPlace {
  readonly file: string;
  readonly at: number;
}

/** Where something stands that an author handed to the library: its module, and which of those there. */
export interface AuthoredPlace {
  readonly file: string;
  readonly number: number;
  /** What the parameters that it uses were, when it was handed over. */
  readonly captured: readonly unknown[];
}

/** Modules of components, loaded: what they export, and which line each component and function comes from. */
export interface Loading {
  /** What a module exports; throws what it throws. */
  load(file: string): Promise<Readonly<Record<string, unknown>>>;
  /** The code of a module that was loaded. */
  module(file: string): ModuleCode | undefined;
  /** The module of the project, or of its packages of components, behind an import of a module that was loaded. */
  imported(file: string, source: string): string | undefined;
  placeOf(core: ComponentCore): ExportPlace | undefined;
  /** Where the component of a name is made, which is one in a page. */
  placeNamed(name: string): ExportPlace | undefined;
  /** The components of a module that was loaded, by their number there. */
  componentsOf(file: string): ReadonlyMap<number, ComponentCore>;
  /** Where something stands that was handed to the library: a function for `calc`, a test, a schema, a fallback. */
  authoredAt(value: unknown): AuthoredPlace | undefined;
}
