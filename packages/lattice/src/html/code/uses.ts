import { type Core, inputsOf, type OpOf } from '../../template/index.js';
import { partsOf } from '../lower/step-parts.js';
import type { Step } from '../lower/steps.js';

/** How often values are read and shown, by a word for each: what is shown or read twice is worked out once. */
export interface Uses {
  readonly shown: ReadonlyMap<string, number>;
  /** Those that are shown in attributes. */
  readonly quoted: ReadonlyMap<string, number>;
  readonly read: ReadonlyMap<string, number>;
}

/** A word for a register, or for a field of what one holds. */
export function useOf({ op }: Core): string {
  if (op.op === 'local') return String(op.local);
  if (op.op !== 'field' && op.op !== 'member') return '';
  return op.of.op.op === 'local' ? `${op.of.op.local}.${String(fieldKey(op))}` : '';
}

/** The name of the field that an operation reads, where that is fixed. */
export function fieldKey(op: OpOf<'field'> | OpOf<'member'>): unknown {
  if (op.op === 'field') return op.key;
  return op.key.op.op === 'literal' ? op.key.op.value : '';
}

export function usesIn(steps: readonly Step[]): Uses {
  const shown = new Map<string, number>();
  const quoted = new Map<string, number>();
  const read = new Map<string, number>();
  const count = (counts: Map<string, number>, core: Core): void => {
    const use = useOf(core);
    if (use !== '') counts.set(use, (counts.get(use) ?? 0) + 1);
  };
  const reads = (core: Core): void => {
    count(read, core);
    inputsOf(core).forEach(reads);
  };
  const visit = (all: readonly Step[]): void => {
    for (const step of all) {
      if (step.kind === 'attribute') count(quoted, step.value);
      else if (step.kind === 'show' && step.as !== 'plain')
        count(step.as === 'content' || step.as === 'part' ? shown : quoted, step.value);
      const { inner, values } = partsOf(step);
      values.forEach(reads);
      inner.forEach(visit);
    }
  };
  visit(steps);
  return { shown, quoted, read };
}
