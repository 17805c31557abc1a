import { dev, refuseCall } from '../../problem/index.js';
import { authored, Kind } from '../kind.js';
import type { Rule } from '../rule.js';
import { readJson } from './any.js';

/** The open Standard Schema interface, version 1, as far as it is used here (https://standardschema.dev). */
export interface StandardSchema<Input = unknown, Output = Input> {
  readonly '~standard': {
    readonly version: 1;
    readonly vendor: string;
    readonly validate: (value: unknown) => SchemaResult<Output> | Promise<SchemaResult<Output>>;
    readonly types?: { readonly input: Input; readonly output: Output } | undefined;
  };
}

type SchemaResult<Output> =
  | { readonly value: Output; readonly issues?: undefined }
  | { readonly issues: readonly SchemaIssue[] };

interface SchemaIssue {
  readonly message: string;
  readonly path?: readonly (PropertyKey | { readonly key: PropertyKey })[] | undefined;
}

/**
 * A value checked by any schema that speaks the open Standard Schema interface. The template sees the schema's
 * output, a use gives its input. The schema must answer at once: one that answers with a promise is refused.
 *
 * @throws LatticeError `call-invalid`, during development
 * @example prop.schema(shiftSchema)
 */
export function schema<Input, Output>(standard: StandardSchema<Input, Output>): Kind<Output, Input> {
  if (dev && typeof standard?.['~standard']?.validate !== 'function')
    refuseCall(
      schema,
      'prop.schema',
      'expects a schema with the Standard Schema interface, which this one does not have',
      'Most schema libraries do in their newer versions (https://standardschema.dev).',
    );
  return new Kind<Output, Input>({
    ...(schemaRule(standard as StandardSchema<never, unknown>) as Rule<Output>),
    word: 'schema',
    code: { name: 'schemaRule', args: [authored] },
    holds: standard,
    write: (value) => (typeof value === 'string' ? value : (JSON.stringify(value) ?? null)),
  });
}

/** A value that a schema checks, and may make another of. */
export function schemaRule(schema: StandardSchema<never, unknown>): Rule {
  return {
    expected: 'a value its schema takes',
    accepts: (value) => !validated(schema, value).issues,
    explain: (value) => schemaFault(validated(schema, value).issues ?? []),
    settle: (value) => (validated(schema, value) as { readonly value: unknown }).value,
    read: readJsonOrText,
  };
}

/** What a schema says of a value. */
function validated<Output>(schema: StandardSchema<never, Output>, value: unknown): SchemaResult<Output> {
  const result = schema['~standard'].validate(value);
  if (!(result instanceof Promise)) return result;
  result.catch(() => undefined);
  return {
    issues: [{ message: 'the schema answers later, with a promise; props need one that answers at once' }],
  };
}

/** What is wrong with a value, from what its schema says. */
function schemaFault(issues: readonly SchemaIssue[]): string {
  return `does not fit its schema: ${issues.map(issueText).join('; ')}`;
}

/** An attribute's text as JSON, or as the very text. */
function readJsonOrText(written: string): unknown {
  const value = readJson(written);
  return typeof value === 'symbol' ? written : value;
}

function issueText(issue: SchemaIssue): string {
  const path = (issue.path ?? []).map((step) => String(typeof step === 'object' ? step.key : step)).join('.');
  return path === '' ? issue.message : `${path}: ${issue.message}`;
}
