import { finding, type Problem, placed, printValue, type SourcePlace } from '../../problem/index.js';
import type { Core } from '../../template/index.js';

/** A calculation of constants, which was worked out when its component was planned. */
interface Settled {
  readonly core: Core;
  readonly value: unknown;
  readonly source: SourcePlace | undefined;
  readonly component: string;
}

/** At which rendering one is looked at again, and after how many the next time. */
interface Turn {
  due: number;
  gap: number;
}

const settled = new Map<Settled, Turn>();
let renderings = 0;
/** The rendering at which the first of them is due. */
let first = Number.POSITIVE_INFINITY;

/** A program that makes components as it goes would fill the memory. */
const most = 1000;

/** Remembers a calculation of constants, to see whether it comes to the same later; during development alone. */
export function remember(one: Settled): void {
  if (settled.size >= most) return;
  const turn = { due: renderings + 1, gap: 1 };
  settled.set(one, turn);
  first = Math.min(first, turn.due);
}

/**
 * Calculations of constants that come to something else by now, each once. Each is looked at seldom: at the second rendering
 * since it was worked out, the fourth, the eighth and so on.
 */
export function changedSince(): readonly Problem[] {
  if (++renderings < first) return [];
  first = Number.POSITIVE_INFINITY;
  const problems: Problem[] = [];
  for (const [one, turn] of settled) {
    if (turn.due <= renderings) {
      turn.gap *= 2;
      turn.due = renderings + turn.gap;
      const value = again(one);
      if (!isAlike(one.value, value)) {
        settled.delete(one);
        problems.push(changed(one, value));
        continue;
      }
    }
    first = Math.min(first, turn.due);
  }
  return problems;
}

function changed({ component, source, value }: Settled, now: unknown): Problem {
  const facts = { before: printValue(value), after: printValue(now) };
  return placed(finding('constant-changed', facts, source), component);
}

function again({ core, value }: Settled): unknown {
  try {
    return core.get({} as never);
  } catch {
    return value;
  }
}

function isAlike(one: unknown, other: unknown): boolean {
  if (Object.is(one, other)) return true;
  try {
    return JSON.stringify(one) === JSON.stringify(other);
  } catch {
    return true;
  }
}
