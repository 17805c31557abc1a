import { type AnyKind, type ComponentCore, isKind } from '../../component/index.js';
import { suggest } from '../../problem/index.js';
import type { Core } from '../../template/index.js';

/** The declared kinds of what rows and slots hand over, by the expressions that stand for it. */
export type LocalKinds = WeakMap<Core, AnyKind>;

/** The declared kind of what an expression leads to, so far as it is known: of props, their fields and items. */
export function kindOf(core: Core, component: ComponentCore, locals: LocalKinds): AnyKind | undefined {
  const { op } = core;
  switch (op.op) {
    case 'prop':
      return component.props.kinds[op.index];
    case 'local':
      return locals.get(core);
    case 'written':
      return kindOf(op.of, component, locals);
    case 'member': {
      const of = kindOf(op.of, component, locals);
      const key = op.key.op.op === 'literal' ? op.key.op.value : undefined;
      if (of?.rules.word === 'list') return typeof key === 'number' ? itemOf(of) : undefined;
      return typeof key === 'string' ? fieldsOf(of)?.[key] : undefined;
    }
    default:
      return undefined;
  }
}

/** The kind of a list's items. */
export function itemOf(kind: AnyKind | undefined): AnyKind | undefined {
  const { holds, word } = kind?.rules ?? {};
  return word === 'list' && isKind(holds) && holds.rules.word !== 'any' ? holds : undefined;
}

function fieldsOf(kind: AnyKind | undefined): Readonly<Record<string, AnyKind>> | undefined {
  const { holds, word } = kind?.rules ?? {};
  const isKnown = word === 'record' && typeof holds === 'object' && holds !== null;
  // Names that every record has are no fields of anybody's.
  return isKnown ? Object.assign(Object.create(null), holds) : undefined;
}

/** What to write instead of a field that a record of the kind does not have; undefined where it may have it. */
export function fieldFault(kind: AnyKind | undefined, name: string): string | undefined {
  const fields = kind?.rules.holdsMore ? undefined : fieldsOf(kind);
  return fields && !(name in fields) ? suggest(name, Object.keys(fields), 'field') : undefined;
}
