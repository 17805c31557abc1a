import { type AnyKind, isKind, kindFacts } from '../../component/index.js';

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
  const isPlainlyFit = plainFit(kind);
  return (value) => isPlainlyFit(value) || (value !== undefined && kind.rule.accepts(value));
}

type Fits = (value: unknown) => boolean;

/** A quick test for lists and records, which are asked for each row: what it says no to is looked at more closely. */
function plainFit({ rules, settings }: AnyKind): Fits {
  if (settings.tests.length > 0) return never;
  const { holds, holdsMore, word } = rules;
  if (word === 'list' && isKind(holds)) {
    const isItem = checkOf(holds);
    return (value) => Array.isArray(value) && value.every(isItem);
  }
  if (word !== 'record' || holdsMore || typeof holds !== 'object' || holds === null) return never;
  const names = Object.keys(holds);
  const kinds = Object.values(holds as Readonly<Record<string, AnyKind>>);
  const needed = kinds.map(({ settings: { presence } }) => presence === 'required');
  const checks = kinds.map(checkOf);
  return (value) => {
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return false;
    let count = 0;
    for (let at = 0; at < names.length; at++) {
      const one = (value as Readonly<Record<string, unknown>>)[names[at] as string];
      if (one === undefined && !needed[at]) continue;
      if (!checks[at]?.(one)) return false;
      count++;
    }
    for (const _name in value) count--;
    return count === 0;
  };
}

const never: Fits = () => false;

/** What a prop of a kind always holds, where that can be shown with no question: `text`, or a `number`. */
export function shownTypeOf({ rules, settings }: AnyKind): 'text' | 'number' | undefined {
  if (settings.presence === 'optional' || rules.settle) return undefined;
  const { type } = kindFacts[rules.word];
  if (type === 'number') return type;
  return type === 'string' ? 'text' : undefined;
}
