import {
  type AnyKind,
  type ComponentCore,
  fallbackOf,
  isKind,
  isMade,
} from 'zesty-lattice/internal/component';
import type { FieldFacts, SlotFacts } from './facts.js';

/** What a field is made from, of a prop or of a part of one. */
export function fieldFacts(name: string, { rules, settings }: AnyKind): FieldFacts {
  const { description = '', presence } = settings;
  return {
    name,
    kind: rules.word,
    expected: rules.expected,
    description,
    isNeeded: presence === 'required',
    fallback: presence === 'fallback' ? fallbackText({ rules, settings } as AnyKind) : '',
    words: wordsOf(rules.holds),
    parts: partsOf(rules.holds),
  };
}

function wordsOf(holds: unknown): readonly string[] {
  return Array.isArray(holds) ? holds.map(String) : [];
}

function partsOf(holds: unknown): readonly FieldFacts[] {
  if (isKind(holds)) return [fieldFacts('', holds)];
  if (typeof holds !== 'object' || holds === null || Array.isArray(holds)) return [];
  return Object.entries(holds).flatMap(([name, kind]) => (isKind(kind) ? [fieldFacts(name, kind)] : []));
}

function fallbackText(kind: AnyKind): string {
  if (isMade(kind.settings.fallbackValue)) return 'made for each use';
  const value = fallbackOf(kind);
  if (typeof value === 'string') return value;
  return value instanceof Date ? value.toISOString() : (JSON.stringify(value) ?? '');
}

export function slotFacts({ slots }: ComponentCore): readonly SlotFacts[] {
  return slots.names.map((name, index) => {
    const kind = slots.kinds[index];
    return {
      name,
      description: kind?.description ?? '',
      isNeeded: kind?.needed ?? false,
      hands: kind?.hands ?? false,
    };
  });
}
