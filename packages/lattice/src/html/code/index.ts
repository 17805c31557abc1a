import { makers } from '#code';
import type { ComponentCore } from '../../component/index.js';
import type { How } from '../how.js';
import type { RoutineParts, Run } from '../lower/steps.js';
import type { SpotRun } from './making.js';
import { lattice } from './names.js';
import { printOf } from './print.js';

/** A function that makes a routine's function: of what the library gives, and of the routine's parts. */
export type Factory = (given: typeof lattice, parts: RoutineParts) => Run;

/** Whether code is made from text: in Node, unless its options forbid it. Pages and edge runtimes are not asked. */
let mayMake: boolean | undefined;

function isMade(): boolean {
  mayMake ??= makers?.mayMake() ?? false;
  return mayMake;
}

/** Code that a build wrote ahead, by component, form and kind, and by the print of what it was written of. */
const ahead = new Map<string, Map<string, Factory>>();

/**
 * Gives code that was written ahead, for where none may be made while running. A build writes this call. Two components
 * may have one name: each has its own print.
 *
 * @example provideCode({ 'variety-card markup': ['k3f9…', (lattice, parts) => { … }] })
 */
export function provideCode(written: Readonly<Record<string, readonly [print: string, Factory]>>): void {
  for (const [key, [print, factory]] of Object.entries(written)) {
    const known = ahead.get(key) ?? new Map<string, Factory>();
    ahead.set(key, known.set(print, factory));
  }
}

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

/** The routine of a component for uses inline as code; undefined where none may be made. */
export function spotRun(parts: RoutineParts, component: ComponentCore, how: How): SpotRun | undefined {
  if (how !== 'code' && !(how === 'usual' && isMade())) return undefined;
  try {
    return makers?.spotRun(parts, component);
  } catch (thrown) {
    if (how === 'code') throw thrown;
    reportOwnFault(parts.name, thrown);
    return undefined;
  }
}

/** A routine as code; undefined where none may be made and none was written ahead. */
export function codeRun(parts: RoutineParts, how: How): Run | undefined {
  if (how === 'instructions') return undefined;
  if (how === 'code' || (how === 'usual' && isMade())) {
    try {
      return makers?.run(parts, how === 'code');
    } catch (thrown) {
      // Tests make code of everything, and see what cannot be made.
      if (how === 'code') throw thrown;
      reportOwnFault(parts.name, thrown);
      return undefined;
    }
  }
  const written = ahead.get(parts.key);
  const factory = written?.get(printOf(parts));
  // Tests write all of it ahead, and see what is not found again.
  if (how === 'ahead' && written && !factory)
    throw new Error(`${parts.key} is not what it was when it was written.`);
  return factory?.(lattice, parts);
}
