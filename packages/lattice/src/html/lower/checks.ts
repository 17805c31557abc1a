import { type AnyKind, kindFacts } from '../../component/index.js';

/** The type that values of a kind have, where that is all there is to check (and numbers being finite). */
export function plainTypeOf({ rules, settings }: AnyKind): string | undefined {
  const { takesAll, type } = kindFacts[rules.word];
  return settings.tests.length > 0 || rules.settle || !takesAll ? undefined : type;
}

/** A test that a value is of a kind and stays as it is: none is where the kind makes another of it. */
export function checkOf(kind: AnyKind): (value: unknown) => boolean {
  switch (plainTypeOf(kind)) {
    case 'string':
      return (value) => typeof value === 'string';
    case 'number':
      return Number.isFinite;
    case 'boolean':
      return (value) => typeof value === 'boolean';
  }
  if (kind.rules.settle) return () => false;
  return (value) => value !== undefined && kind.rule.accepts(value);
}

/** What a prop of a kind always holds, where that can be shown with no question: `text`, or a `number`. */
export function shownTypeOf({ rules, settings }: AnyKind): 'text' | 'number' | undefined {
  if (settings.presence === 'optional' || rules.settle) return undefined;
  const { type } = kindFacts[rules.word];
  if (type === 'number') return type;
  return type === 'string' ? 'text' : undefined;
}
