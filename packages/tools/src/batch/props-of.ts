import { type AnyKind, attributeOf, type ComponentCore, readText } from 'zesty-lattice/internal/component';
import { type Finding, finding, printValue } from 'zesty-lattice/internal/problem';
import { isRecord } from 'zesty-lattice/internal/template';
import type { Props } from './page-of.js';
import type { RowText } from './rows.js';

/** The record that a row holds, or what is wrong with it. */
export function recordOf(text: RowText): { readonly record: Props } | { readonly found: Finding } {
  if ('fields' in text) return { record: text.fields };
  let value: unknown;
  try {
    value = JSON.parse(text.json);
  } catch (thrown) {
    return { found: finding('row-invalid', { fault: `is no JSON: ${(thrown as Error).message}` }) };
  }
  if (isRecord(value)) return { record: value };
  return { found: finding('row-invalid', { fault: `holds ${printValue(value)} where a record belongs` }) };
}

/** JSON has no dates: they are texts there. */
function isDateText({ rules: { word } }: AnyKind, value: unknown): boolean {
  return word === 'date' && typeof value === 'string';
}

/** A row's props: what it says, without what only the file's name takes; text of a table as each prop's kind reads it. */
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
    } else if (isTable ? kind.rules.word === 'text' : !isDateText(kind, value)) props[name] = value;
    else if (value !== '') props[name] = readText(kind.rule, value);
  }
  return props;
}
