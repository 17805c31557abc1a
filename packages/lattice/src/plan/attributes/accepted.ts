import { attributeRule, type Core, ExprCore, type Report, urlAttribute } from '../../template/index.js';
import { ItemPlace } from './bound-to.js';
import { type AttributeTable, byAttribute, markKey, type PlanAttribute } from './plan-attribute.js';
import { type Tags, tagOf } from './plan-attributes.js';

type Attributes = readonly PlanAttribute[];

/**
 * Attributes with those that the component's use gives where they are to go. These come later: classes stand together, styles
 * are merged by property, listeners by event; of all else the use's wins, and nothing takes away
 * (`docs/presets.md` has the table). What the use gives is read in the scope it is written in, one owner up.
 */
export function mergedAttributes(
  own: Attributes,
  given: Attributes | undefined,
  tags: Tags,
  report: Report,
): Attributes {
  if (!own.some(({ kind }) => kind === 'accepted')) return own;
  const merged: PlanAttribute[] = own.filter(({ kind }) => kind !== 'accepted');
  for (const one of given ?? []) {
    const theirs = checked(mapAttribute(one, outer), tags, report);
    const at = merged.findIndex(({ key }) => key === one.key);
    const before = merged[at];
    if (before) merged[at] = mergedOne(before, theirs);
    else merged.push(theirs);
  }
  return merged;
}

/** The marks among attributes: of those whose uses gave them. */
export function markIn(attributes: Attributes): string | undefined {
  const mark = attributes.find(({ key }) => key === markKey);
  return mark?.kind === 'fixed' ? String(mark.text) : undefined;
}

function mergedOne(before: PlanAttribute, after: PlanAttribute): PlanAttribute {
  if (before.kind === 'class' && after.kind === 'class')
    return { ...before, parts: [...before.parts, ...after.parts] };
  if (before.kind === 'style' && after.kind === 'style') {
    const names = new Set(after.parts.map(([name]) => name));
    return { ...before, parts: [...before.parts.filter(([name]) => !names.has(name)), ...after.parts] };
  }
  // The marks of all who gave something.
  if (before.key === markKey && before.kind === 'fixed' && after.kind === 'fixed')
    return { ...before, text: `${before.text} ${after.text}` };
  return after;
}

/** The rule of the element that takes an attribute counts as well as that of the component it was given to. */
function checked(one: PlanAttribute, tags: Tags, report: Report): PlanAttribute {
  if (one.kind !== 'value' && one.kind !== 'fixed') return one;
  const rule = attributeRule(tags, one.key);
  if (rule === one.rule || rule === 'plain' || rule === 'worded' || rule === 'document') return one;
  if (one.kind === 'value') return { ...one, rule: one.rule === 'plain' ? rule : 'any' };
  const text = urlAttribute(tagOf(tags), one.name, rule, one.text, report);
  return text === null ? { kind: 'none', key: one.key } : { ...one, rule };
}

function outer(core: Core): Core {
  if (core.op.op === 'literal') return core;
  return new ExprCore(
    core.op.op === 'outer' ? { ...core.op, up: core.op.up + 1 } : { op: 'outer', of: core, up: 1 },
  );
}

/** An attribute with its expressions changed. */
export function mapAttribute(attribute: PlanAttribute, map: (core: Core) => Core): PlanAttribute {
  return byAttribute(mapped, attribute, map);
}

const mapped: AttributeTable<[map: (core: Core) => Core], PlanAttribute> = {
  fixed: (one) => one,
  value: (one, map) => ({ ...one, value: map(one.value) }),
  class: (one, map) => ({
    ...one,
    parts: one.parts.map((part) =>
      part.kind === 'text'
        ? { ...part, text: map(part.text) }
        : { ...part, when: part.when && map(part.when) },
    ),
  }),
  style: (one, map) => ({ ...one, parts: one.parts.map(([name, value]) => [name, map(value)] as const) }),
  listener: (one, map) => ({ ...one, args: one.args.map(map) }),
  named: (one, map) => ({ ...one, of: one.of && map(one.of) }),
  leaving: (one) => one,
  property: (one, map) => ({ ...one, value: map(one.value) }),
  binding: (one, map) => ({
    ...one,
    value: map(one.value),
    own: map(one.own),
    path: one.path.map((key) => {
      if (typeof key === 'string') return key;
      return key instanceof ItemPlace ? new ItemPlace(map(key.list), key.key, map(key.value)) : map(key);
    }),
  }),
  chosen: (one, map) => ({ ...one, chosen: one.chosen && map(one.chosen), own: map(one.own) }),
  none: (one) => one,
  accepted: (one) => one,
};
