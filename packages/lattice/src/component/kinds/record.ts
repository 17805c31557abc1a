import { dev, printValue, refuseCall, suggest } from '../../problem/index.js';
import { type AnyKind, fault, fits, isKind, isRecord, Kind, type Presence } from '../kind.js';
import { type Rule, rule } from '../rule.js';
import { readJson } from './any.js';

/** A record: of whatever fields, or of known ones, each with its rule, and needed or not; with `more`, of others, too. */
export function recordRule(
  fields?: Readonly<Record<string, readonly [Rule, boolean]>>,
  more?: boolean,
): Rule<never> {
  if (!fields) return rule('a record', isRecord, readJson);
  const known = Object.entries(fields);
  const settled = known.flatMap(([name, [{ settle }]]) => (settle ? [[name, settle] as const] : []));
  const settle = (value: unknown): never => {
    const record: Record<string, unknown> = { ...(value as object) };
    for (const [name, settleField] of settled)
      if (record[name] !== undefined) record[name] = settleField(record[name]);
    return record as never;
  };
  const checked = rule(
    `a record with ${Object.keys(fields).join(', ')}`,
    (value) =>
      isRecord(value) &&
      (more || Object.keys(value).every((name) => Object.hasOwn(fields, name))) &&
      known.every(([name, [field, isNeeded]]) =>
        value[name] === undefined ? !isNeeded : field.accepts(value[name]),
      ),
    readJson,
  );
  return settled.length > 0 ? { ...checked, settle } : checked;
}

type FieldKinds = Readonly<Record<string, Kind<unknown, unknown, Presence>>>;
type Fields = Readonly<Record<string, AnyKind>>;
type ValueOf<K> =
  K extends Kind<infer V, infer _G, infer How> ? (How extends 'optional' ? V | undefined : V) : never;
type IsOptional<K> = K extends Kind<infer _V, infer _G, 'required'> ? false : true;

/** The record that the fields describe; fields that may be left out are optional. */
export type RecordOf<F> = {
  readonly [K in keyof F as IsOptional<F[K]> extends true ? never : K]: ValueOf<F[K]>;
} & {
  readonly [K in keyof F as IsOptional<F[K]> extends true ? K : never]?: ValueOf<F[K]> | undefined;
} extends infer R
  ? { readonly [K in keyof R]: R[K] }
  : never;

/**
 * A record. With kinds its fields are checked, with a type alone (`prop.record<Variety>()`) only that it is a record.
 * As an attribute it is JSON.
 *
 * @param fields the kind of each field
 * @param options `more: true` where a record may have fields besides; they are passed on unchecked
 * @throws LatticeError `call-invalid`, during development
 * @example prop.record({ row: prop.number(), label: prop.text().optional() })
 * @example prop.record({ name: prop.text() }, { more: true })
 * @example prop.record<Variety>()
 */
export function record<Shape extends object>(): Kind<Shape>;
export function record<const F extends FieldKinds>(
  fields: F,
  options: { readonly more: true },
): Kind<RecordOf<F> & { readonly [field: string]: unknown }>;
export function record<const F extends FieldKinds>(
  fields: F,
  options?: { readonly more?: false },
): Kind<RecordOf<F>>;
export function record(fields?: FieldKinds, { more = false }: { readonly more?: boolean } = {}): Kind<never> {
  if (fields === undefined) return anyRecord() as Kind<never>;
  if (dev) {
    if (!isRecord(fields))
      refuseCall(
        record,
        'prop.record',
        `expects a record of kinds, but received ${printValue(fields)}`,
        'Write prop.record({ row: prop.number() }).',
      );
    for (const [name, kind] of Object.entries(fields)) {
      if (!isKind(kind))
        refuseCall(
          record,
          'prop.record',
          `expects a kind for each field, but received ${printValue(kind)} for "${name}"`,
          `Write ${name}: prop.text() or the like.`,
        );
    }
  }
  // The fields' own types are the caller's; here any kind will do.
  const kinds = Object.entries(fields as Fields);
  const names = kinds.map(([name]) => name);
  const fieldFits = (value: Readonly<Record<string, unknown>>, [name, kind]: [string, AnyKind]): boolean =>
    value[name] === undefined ? !isNeeded(kind) : fits(kind, value[name]);
  return new Kind<Readonly<Record<string, unknown>>>({
    ...recordRule(
      Object.fromEntries(kinds.map(([name, kind]) => [name, [kind.rule, isNeeded(kind)] as const])),
      more,
    ),
    word: 'record',
    code: {
      name: 'recordRule',
      args: [
        Object.fromEntries(kinds.map(([name, kind]) => [name, [kind, isNeeded(kind)]])),
        ...(more ? [true] : []),
      ],
    },
    explain(value) {
      if (!isRecord(value)) return undefined;
      const unknown = more ? undefined : Object.keys(value).find((name) => !Object.hasOwn(fields, name));
      if (unknown !== undefined)
        return `received a record with the field "${unknown}", which it does not name. ${suggest(unknown, names, 'field')} Where it may have others, say so: prop.record({ … }, { more: true }).`;
      const bad = kinds.find((entry) => !fieldFits(value, entry));
      if (!bad) return undefined;
      const [name, kind] = bad;
      if (value[name] === undefined) return `has no field "${name}", which is ${kind.rules.expected}`;
      return `has a field that does not fit: "${name}" ${fault(kind, value[name])}`;
    },
    write: (value) => JSON.stringify(value),
    holds: fields,
    ...(more && { holdsMore: true }),
  }) as Kind<never>;
}

function anyRecord(): Kind<Readonly<Record<string, unknown>>> {
  return new Kind({
    ...recordRule(),
    word: 'record',
    code: { name: 'recordRule', args: [] },
    write: (value) => JSON.stringify(value),
  });
}

function isNeeded({ settings }: AnyKind): boolean {
  return settings.presence === 'required';
}
