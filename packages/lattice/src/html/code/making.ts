import type { ComponentCore } from '../../component/index.js';
import type { Frame } from '../frame.js';
import type { RoutineParts, Run } from '../lower/steps.js';
import type { ReadyContent } from '../runtime.js';
import { lattice } from './names.js';
import { type WrittenRoutine, writeRoutine, writeSpotRoutine } from './writer.js';

// Stands for '#code' in package.json where code may be made while running; elsewhere that is making-none.ts.

declare const process: { readonly versions?: { readonly node?: string } } | undefined;

/** A routine for inline uses, as code. */
export type SpotRun = (
  frame: Frame,
  out: string,
  props: Readonly<Record<string, unknown>>,
  given: unknown,
  fills: readonly (ReadyContent | undefined)[] | undefined,
) => string | undefined;

// Of the plan alone, through quoting functions: see src/html/code/writer.ts.
const made = ({ code, constants }: WrittenRoutine): unknown =>
  new Function('lattice', 'values', code)(lattice, constants);

/** How code is made of a routine; undefined in runtimes that have none of the writer. */
export const makers:
  | {
      /** Whether code may be made from text, which Node's options can forbid. */
      mayMake(): boolean;
      run(parts: RoutineParts, isNamed: boolean): Run;
      spotRun(parts: RoutineParts, component: ComponentCore): SpotRun;
    }
  | undefined = {
  mayMake() {
    if (typeof process !== 'object' || process.versions?.node === undefined) return false;
    try {
      return new Function('return true')() === true;
    } catch {
      return false;
    }
  },
  run: (parts, isNamed) => made(writeRoutine(parts, isNamed)) as Run,
  spotRun: (parts, component) => made(writeSpotRoutine(parts, component)) as SpotRun,
};
