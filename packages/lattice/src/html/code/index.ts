import type { ComponentCore } from '../../component/index.js';
import type { Frame } from '../frame.js';
import type { RoutineParts, Run } from '../lower/steps.js';
import type { ReadyContent } from '../runtime.js';
import { lattice } from './names.js';
import { writeRoutine, writeSpotRoutine } from './writer.js';

declare const process: { readonly versions?: { readonly node?: string } } | undefined;

/** A function that makes a routine's function: of what the library gives, and of the values the routine needs. */
export type Factory = (given: typeof lattice, values: readonly unknown[]) => Run;

/** How routines are run. What is decided here is changed by tests alone, which hold all ways against each other. */
export const making = {
  /** `usual` is code where it may be made or was written ahead, once a routine has run a few times. */
  how: 'usual' as 'usual' | 'instructions' | 'code' | 'ahead',
  /** Whether uses of plain values on the spot take the short way. */
  isQuick: true,
  /** All routines, where somebody wants to know of them. */
  watched: undefined as Set<{ start(): void }> | undefined,
};

/** Whether code is made from text: in Node, unless it was told not to. Pages and edge runtimes are not asked. */
let mayMake: boolean | undefined;

function isMade(): boolean {
  mayMake ??= typeof process === 'object' && process.versions?.node !== undefined && canMake();
  return mayMake;
}

function canMake(): boolean {
  try {
    return new Function('return true')() === true;
  } catch {
    return false;
  }
}

/** Code that a build wrote ahead, by the key of its text. */
const ahead = new Map<string, Factory>();

/**
 * Gives code that was written ahead, for where none may be made while running. A build writes this call.
 *
 * @example provideCode({ 'k3f9…': (lattice, values) => { … } })
 */
export function provideCode(factories: Readonly<Record<string, Factory>>): void {
  for (const [key, factory] of Object.entries(factories)) ahead.set(key, factory);
}

/** The key of a text of code: two hashes and its length. */
export function keyOf(code: string): string {
  let [a, b] = [0xdeadbeef, 0x41c6ce57];
  for (let at = 0; at < code.length; at++) {
    const unit = code.charCodeAt(at);
    a = Math.imul(a ^ unit, 2654435761);
    b = Math.imul(b ^ unit, 1597334677);
  }
  return `${(a >>> 0).toString(36)}-${(b >>> 0).toString(36)}-${code.length.toString(36)}`;
}

/** A routine for uses on the spot, as code. */
export type SpotRun = (
  frame: Frame,
  out: string,
  props: Readonly<Record<string, unknown>>,
  given: unknown,
  fills: readonly (ReadyContent | undefined)[] | undefined,
) => string | undefined;

const reported = new Set<string>();

/** Reports a fault of this library, once for a component. Its text is written by the interpreter, which needs no code. */
export function reportOwnFault(name: string, thrown: unknown): void {
  if (reported.has(name)) return;
  reported.add(name);
  console.error(
    `zesty-lattice: the code that writes ${name} is wrong. That is a fault of the library, not of your component: please report it with this error. The component is rendered without compiled code.`,
    thrown,
  );
}

/** The routine of a component for uses on the spot as code; undefined where none may be made. */
export function spotRun(parts: RoutineParts, component: ComponentCore): SpotRun | undefined {
  if (making.how !== 'code' && !(making.how === 'usual' && isMade())) return undefined;
  try {
    const { code, constants } = writeSpotRoutine(parts, component);
    return (new Function('lattice', 'values', code) as (...given: unknown[]) => SpotRun)(lattice, constants);
  } catch (thrown) {
    if (making.how === 'code') throw thrown;
    reportOwnFault(parts.name, thrown);
    return undefined;
  }
}

/** A routine as code; undefined where none may be made and none was written ahead. */
export function codeRun(parts: RoutineParts): Run | undefined {
  const { how } = making;
  if (how === 'instructions') return undefined;
  if (how === 'code' || (how === 'usual' && isMade())) {
    try {
      // Of the plan alone, through quoting functions: see src/html/code/writer.ts.
      const { code, constants } = writeRoutine(parts, how === 'code');
      return (new Function('lattice', 'values', code) as Factory)(lattice, constants);
    } catch (thrown) {
      // Tests make code of everything, and see what cannot be made.
      if (how === 'code') throw thrown;
      reportOwnFault(parts.name, thrown);
      return undefined;
    }
  }
  if (ahead.size === 0) return undefined;
  const { code, constants } = writeRoutine(parts, false);
  return ahead.get(keyOf(code))?.(lattice, constants);
}
