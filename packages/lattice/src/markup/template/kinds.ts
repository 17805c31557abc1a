import { type AnyKind, type ComponentCore, fieldsIn, itemIn } from '../../component/index.js';
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
      if (of?.rules.word === 'list') return typeof key === 'number' ? itemIn(of) : undefined;
      return of && typeof key === 'string' ? fieldsIn(of)?.[key] : undefined;
    }
    default:
      return undefined;
  }
}

/** What to write instead of a field that a record of the kind does not have; undefined where it may have it. */
export function fieldFault(kind: AnyKind | undefined, name: string): string | undefined {
  const fields = kind && !kind.rules.holdsMore ? fieldsIn(kind) : undefined;
  return fields && !(name in fields) ? suggest(name, Object.keys(fields), 'field') : undefined;
}
