import { isRecord, unreadable } from '../../component/kind.js';
import { isAny, readJson } from '../../component/kinds/any.js';
import { isDate, readDate } from '../../component/kinds/date.js';
import { readFlag } from '../../component/kinds/flag.js';
import { isNumber, readNumber } from '../../component/kinds/number.js';
import { readJsonOrText, type StandardSchema, schemaFault, validated } from '../../component/kinds/schema.js';
import { isScriptUrl } from '../../problem/script-url.js';
import type { LiveKind } from './live.js';

// The kinds of props as a built page has them: with the rules of `prop`, and fewer words for what is wrong.

function kind(
  expected: string,
  accepts: (value: unknown) => boolean,
  read: LiveKind['read'] = (text) => text,
): LiveKind {
  return { expected, read, fault: (value) => (accepts(value) ? undefined : `takes ${expected}`) };
}

export const textKind = /* @__PURE__ */ kind('text', (value) => typeof value === 'string');
export const numberKind = /* @__PURE__ */ kind('a number', isNumber, readNumber);
export const flagKind = /* @__PURE__ */ kind(
  'true or false',
  (value) => typeof value === 'boolean',
  readFlag,
);
export const dateKind = /* @__PURE__ */ kind('a date', isDate, readDate);
export const urlKind = /* @__PURE__ */ kind(
  'a URL that carries no script',
  (value) => typeof value === 'string' && !isScriptUrl(value),
);
export const anyKind = /* @__PURE__ */ kind('a value', isAny, readJson);
export const listKind = /* @__PURE__ */ kind('a list', (value) => Array.isArray(value), readJson);

export const anyRecordKind = /* @__PURE__ */ kind('a record', isRecord, readJson);

/** One of some texts. */
export function choiceKind(words: readonly string[]): LiveKind {
  const isOne = (value: unknown): boolean => words.includes(value as string);
  return kind(`one of ${words.join(', ')}`, isOne, (text) => (isOne(text) ? text : unreadable));
}

/** A list with items of a kind. */
export function listOf(item: LiveKind): LiveKind {
  const fits = (one: unknown): boolean => item.fault(one) === undefined;
  return kind(
    `a list, each item ${item.expected}`,
    (value) => Array.isArray(value) && value.every(fits),
    readJson,
  );
}

/** A record of known fields, each of a kind, and needed or not. */
export function recordKind(fields: Readonly<Record<string, readonly [LiveKind, boolean]>>): LiveKind {
  const accepts = (value: unknown): boolean => {
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return false;
    const record = value as Readonly<Record<string, unknown>>;
    return (
      Object.keys(record).every((name) => Object.hasOwn(fields, name)) &&
      Object.entries(fields).every(([name, [field, isNeeded]]) =>
        record[name] === undefined ? !isNeeded : field.fault(record[name]) === undefined,
      )
    );
  };
  return kind(`a record with ${Object.keys(fields).join(', ')}`, accepts, readJson);
}

/** A value that a schema checks, and may make another of. */
export function schemaKind(schema: StandardSchema<never, unknown>): LiveKind {
  return {
    expected: 'a value its schema takes',
    read: readJsonOrText,
    fault(value) {
      const { issues } = validated(schema, value);
      return issues && schemaFault(issues);
    },
    settle: (value) => (validated(schema, value) as { readonly value: unknown }).value,
  };
}

/** A kind whose values have to pass tests. */
export function testedKind(
  of: LiveKind,
  tests: readonly (readonly [passes: (value: never) => boolean, message: string])[],
): LiveKind {
  return {
    ...of,
    fault(value) {
      const settled = of.fault(value) === undefined && of.settle ? of.settle(value) : value;
      return of.fault(value) ?? tests.find(([passes]) => !passes(settled as never))?.[1];
    },
  };
}
