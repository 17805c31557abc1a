import { dev, printValue, refuseCall } from '../../problem/index.js';
import { type AnyKind, fault, fits, isKind, Kind, type Presence } from '../kind.js';
import { type Rule, rule } from '../rule.js';
import { any, readJson } from './any.js';

/** A list, of any items or of those of a rule. */
export function listRule(item?: Rule): Rule<never> {
  const { settle } = item ?? {};
  return {
    ...rule(
      item ? `a list, each item ${item.expected}` : 'a list',
      (value) => Array.isArray(value) && (!item || value.every((one) => item.accepts(one))),
      readJson,
    ),
    ...(settle && { settle: (value) => (value as readonly unknown[]).map((one) => settle(one)) as never }),
  };
}

/**
 * A list. With a kind every item is checked; with a type alone (`prop.list<Variety>()`) only that it is a list.
 * As an attribute it is JSON.
 *
 * @throws LatticeError `call-invalid`, during development
 * @example prop.list(prop.text())
 * @example prop.list<Variety>()
 */
export function list<Item, Given = Item>(
  item: Kind<Item, Given, Presence> = any<Item>() as never,
): Kind<readonly Item[], readonly Given[]> {
  const kind = item as AnyKind;
  if (dev && !isKind(kind))
    refuseCall(
      list,
      'prop.list',
      `expects the kind of its items, but received ${printValue(kind)}`,
      'Write prop.list(prop.text()), or prop.list<Variety>() for any items.',
    );
  const loose = kind.rules.word === 'any';
  return new Kind<readonly Item[], readonly Given[]>({
    ...listRule(loose ? undefined : kind.rule),
    word: 'list',
    code: { name: 'listRule', args: loose ? [] : [kind] },
    explain(value) {
      if (!Array.isArray(value)) return undefined;
      const index = value.findIndex((one) => !fits(kind, one));
      return `has an item that does not fit: item ${index} ${fault(kind, value[index])}`;
    },
    write: (value) => JSON.stringify(value),
    holds: kind,
  });
}
