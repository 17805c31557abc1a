import { type AnyKind, isKind } from './kind.js';

/** The words of a choice or of a tag; undefined of other kinds. */
export function wordsIn({ rules: { holds, word } }: AnyKind): readonly string[] | undefined {
  return word === 'choice' || word === 'tag' ? (holds as readonly string[]) : undefined;
}

/** The kind of a list's items, where it says one. */
export function itemIn({ rules: { holds, word } }: AnyKind): AnyKind | undefined {
  return word === 'list' && isKind(holds) && holds.rules.word !== 'any' ? holds : undefined;
}

/** The kinds of a record's fields, where it says them. Names that every record has are no fields of anybody's. */
export function fieldsIn({ rules: { holds, word } }: AnyKind): Readonly<Record<string, AnyKind>> | undefined {
  const isKnown = word === 'record' && typeof holds === 'object' && holds !== null;
  return isKnown ? Object.assign(Object.create(null), holds) : undefined;
}
