import {
  type AnyComponent,
  type AnyKind,
  type ComponentCore,
  componentCore,
  fallbackOf,
  isKind,
  isMade,
} from 'zesty-lattice/internal/component';
import { failure, safeUrlPattern } from 'zesty-lattice/internal/problem';
import { notAComponent } from 'zesty-lattice/internal/tree';

/** A JSON Schema, draft 2020-12 (https://json-schema.org/draft/2020-12/json-schema-core). */
export type JsonSchema = Readonly<Record<string, unknown>>;

/**
 * The props of a component as JSON Schema: what a record of JSON has to be that its props are read from. Tests of
 * `where` and schemas of other libraries are not in it, since only running them tells what they take.
 *
 * @throws LatticeError `component-unknown`
 * @example propsSchema(PriceTag).properties // { cents: { type: 'number' }, per: { type: 'string', enum: ['crate', 'kilo'], default: 'crate' } }
 */
export function propsSchema(component: AnyComponent): JsonSchema {
  const core = componentCore(component);
  if (!core) throw failure(notAComponent(component));
  return schemaOf(core);
}

export function schemaOf({ accepts, description, name, props }: ComponentCore): JsonSchema {
  // JSON has no functions: a page sets such a prop as a property.
  const kinds = props.names
    .map((prop, index) => [prop, props.kinds[index] as AnyKind] as const)
    .filter(([, { rules }]) => rules.word !== 'function');
  const required = kinds.filter(([, { settings }]) => settings.presence === 'required').map(([prop]) => prop);
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: name,
    ...(description !== undefined && { description }),
    type: 'object',
    properties: Object.fromEntries(kinds.map(([prop, kind]) => [prop, propSchema(kind)])),
    ...(required.length > 0 && { required }),
    // A component that renders as one of several elements takes their attributes, too.
    additionalProperties: accepts !== undefined,
  };
}

/** A prop, with what it is when it is left out. */
function propSchema(kind: AnyKind): JsonSchema {
  const { description, presence } = kind.settings;
  const fallback =
    presence === 'fallback' && !isMade(kind.settings.fallbackValue) ? fallbackOf(kind) : undefined;
  return {
    ...kindSchema(kind),
    ...(description !== undefined && { description }),
    ...(fallback !== undefined && { default: fallback instanceof Date ? fallback.toISOString() : fallback }),
  };
}

/** ISO 8601: a day, or a day and a time with its zone. That the day is one is what `format` says. */
const datePattern =
  '^\\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\\d|3[01])([T ]\\d{2}:\\d{2}:\\d{2}(\\.\\d+)?(Z|[+-]\\d{2}:\\d{2}))?$';

function kindSchema({ rules: { holds, holdsMore = false, word } }: AnyKind): JsonSchema {
  switch (word) {
    case 'text':
      return { type: 'string' };
    case 'number':
      return { type: 'number' };
    case 'flag':
      return { type: 'boolean' };
    case 'choice':
    case 'tag':
      return { type: 'string', enum: holds };
    case 'url':
      return { type: 'string', pattern: safeUrlPattern };
    case 'date':
      return { type: 'string', pattern: datePattern, anyOf: [{ format: 'date-time' }, { format: 'date' }] };
    case 'list':
      return isKind(holds) ? { type: 'array', items: kindSchema(holds) } : { type: 'array' };
    case 'record':
      return recordSchema(holds, holdsMore);
    case 'any':
    case 'function':
    case 'schema':
      return {};
  }
}

function recordSchema(holds: unknown, more: boolean): JsonSchema {
  if (typeof holds !== 'object' || holds === null) return { type: 'object' };
  const fields = Object.entries(holds as Record<string, AnyKind>);
  const required = fields
    .filter(([, { settings }]) => settings.presence === 'required')
    .map(([name]) => name);
  return {
    type: 'object',
    properties: Object.fromEntries(fields.map(([name, kind]) => [name, propSchema(kind)])),
    ...(required.length > 0 && { required }),
    additionalProperties: more,
  };
}
