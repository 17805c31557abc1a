import { type AnyKind, isKind, kindFacts, wordsIn } from '../../component/index.js';
import { isPlainUrl, isScriptUrl } from '../../problem/index.js';

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
  if (kind.settings.tests.length === 0) {
    if (kind.rules.word === 'url')
      return (value) => isPlainUrl(value) || (typeof value === 'string' && !isScriptUrl(value));
    const words = kind.rules.word === 'choice' && wordsIn(kind);
    if (Array.isArray(words)) return (value) => words.includes(value);
  }
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
  return recordFit(holds as Readonly<Record<string, AnyKind>>);
}

/** A test of records that have these fields and no others. Most have them in one order: then a field is read without a search. */
function recordFit(fields: Readonly<Record<string, AnyKind>>): Fits {
  const names = Object.keys(fields);
  const kinds = Object.values(fields);
  const needed = kinds.map(({ settings: { presence } }) => presence === 'required');
  const types = kinds.map(plainTypeOf);
  const checks = kinds.map(checkOf);
  const isFit = (one: unknown, at: number): boolean => {
    const type = types[at];
    // Called for what is of no plain type alone.
    if (
      type === undefined
        ? checks[at]?.(one)
        : typeof one === type && (type !== 'number' || Number.isFinite(one))
    )
      return true;
    return one === undefined && needed[at] === false;
  };
  return (value) => {
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return false;
    const record = value as Readonly<Record<string, unknown>>;
    let at = 0;
    for (const name in record) {
      if (name !== names[at]) return isFitInAnyOrder(record, names, isFit);
      if (!isFit(record[name], at)) return false;
      at++;
    }
    return at === names.length || isFitInAnyOrder(record, names, isFit);
  };
}

function isFitInAnyOrder(
  record: Readonly<Record<string, unknown>>,
  names: readonly string[],
  isFit: (one: unknown, at: number) => boolean,
): boolean {
  let count = 0;
  for (let at = 0; at < names.length; at++) {
    const one = record[names[at] as string];
    if (!isFit(one, at)) return false;
    if (one !== undefined) count++;
  }
  for (const _name in record) count--;
  return count === 0;
}

const never: Fits = () => false;

/** What a prop of a kind always holds, where that can be shown with no question: `text`, or a `number`. */
export function shownTypeOf({ rules, settings }: AnyKind): 'text' | 'number' | undefined {
  if (settings.presence === 'optional' || rules.settle) return undefined;
  const { type } = kindFacts[rules.word];
  if (type === 'number') return type;
  return type === 'string' ? 'text' : undefined;
}
