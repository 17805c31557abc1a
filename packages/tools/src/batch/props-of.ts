import {
  type AnyKind,
  attributeOf,
  type ComponentCore,
  isKind,
  readText,
} from 'zesty-lattice/internal/component';
import { type Finding, finding, LatticeError, placed, printValue } from 'zesty-lattice/internal/problem';
import { isRecord } from 'zesty-lattice/internal/template';
import type { Props } from './page-of.js';
import type { Row, RowText } from './rows.js';

/** The record that a row holds, or what is wrong with it. */
export function recordOf(text: Row['text']): { readonly record: Props } | { readonly found: Finding } {
  if ('fault' in text) return { found: rowInvalid(text.fault) };
  if ('fields' in text) return { record: text.fields };
  let value: unknown;
  try {
    value = JSON.parse(text.json);
  } catch (thrown) {
    return { found: rowInvalid(`is no JSON: ${(thrown as Error).message}`) };
  }
  if (isRecord(value)) return { record: value };
  return { found: rowInvalid(`holds ${printValue(value)} where a record belongs`) };
}

/** @param fault completes "The row … " */
export const rowInvalid = (fault: string): Finding => finding('row-invalid', { fault });

/**
 * A row's props: what it says, without what only the file's name takes; text of a table as each prop's kind reads it.
 *
 * @throws LatticeError where a column of yes and no says neither
 */
export function propsOf(
  text: RowText,
  record: Props,
  { props: { at, kinds, names } }: ComponentCore,
  forName: ReadonlySet<string>,
): Props {
  const isTable = 'fields' in text;
  const props: Record<string, unknown> = {};
  for (const [field, value] of Object.entries(record)) {
    const name = at.has(field) ? field : (names.find((one) => attributeOf(one) === field) ?? field);
    const kind = kinds[at.get(name) ?? -1];
    if (!kind) {
      if (!forName.has(field)) props[field] = value;
    } else if (!isTable) props[name] = fromJson(kind, value);
    else if (kind.rules.word === 'text') props[name] = value;
    else if (kind.rules.word === 'flag') {
      const flag = flagOf(String(value), field);
      if (flag !== undefined) props[name] = flag;
    } else if (value !== '')
      props[name] = fromJson(kind, kind.rules.word === 'date' ? value : readText(kind.rule, value));
  }
  return props;
}

/** A day, or a day and a time, as ISO 8601 has them (https://html.spec.whatwg.org/#dates-and-times). */
const isoDate = /^\d{4}-\d\d-\d\d(?:[T ]\d\d:\d\d(?::\d\d(?:\.\d+)?)?(?:Z|[+-]\d\d:\d\d)?)?$/;

/** JSON has no dates: they are texts there, in lists and records as well. */
function fromJson(kind: AnyKind, value: unknown): unknown {
  const { holds, word } = kind.rules;
  // Some texts are a date to one engine alone: they stay texts, which are no dates.
  if (word === 'date')
    return typeof value === 'string' && isoDate.test(value) ? readText(kind.rule, value) : value;
  if (word === 'list')
    return isKind(holds) && Array.isArray(value) ? value.map((one) => fromJson(holds, one)) : value;
  if (word !== 'record' || !isRecord(holds) || !isRecord(value)) return value;
  return Object.fromEntries(
    Object.entries(value).map(([name, one]) => {
      const field = Object.hasOwn(holds, name) ? holds[name] : undefined;
      return [name, isKind(field) ? fromJson(field, one) : one];
    }),
  );
}

/** What programs that keep tables write for yes and no, whatever its case. */
const yes = ['true', 'yes', 'y', 'on', '1'];
const no = ['false', 'no', 'n', 'off', '0'];

/** Yes or no; undefined for an empty field, which says nothing. */
function flagOf(text: string, column: string): boolean | undefined {
  const word = text.trim().toLowerCase();
  if (word === '') return undefined;
  if (yes.includes(word)) return true;
  if (no.includes(word)) return false;
  const fault = `has ${JSON.stringify(text)} in the column "${column}", which is neither yes nor no: write one of ${yes.join(', ')}, or one of ${no.join(', ')}`;
  throw new LatticeError([placed(rowInvalid(fault), '')]);
}
