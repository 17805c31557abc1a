import type { AnyKind, ComponentCore } from '../component/index.js';
import type { Core, Get } from '../template/index.js';
import { escapeAttribute } from './escape.js';

/**
 * Where a value is read from. Props and fields of row items are most of what a template reads, so the places that
 * show them read them straight away, without a function call in between.
 */
export type Source =
  | { readonly from: 'prop'; readonly index: number }
  | { readonly from: 'field'; readonly local: number; readonly key: string }
  | { readonly from: 'calculation'; readonly get: Get };

export function sourceOf(core: Core): Source {
  const { op } = core;
  if (op.op === 'prop' && op.index >= 0) return { from: 'prop', index: op.index };
  if (op.op === 'field' && op.of.op.op === 'local')
    return { from: 'field', local: op.of.op.local, key: op.key };
  return { from: 'calculation', get: core.get };
}

export type Item = Readonly<Record<string, unknown>> | null | undefined;

/** Whether a prop always holds text, so that an attribute of it is always there. */
export function isTextProp(core: Core, component: ComponentCore | undefined): boolean {
  if (core.op.op !== 'prop') return false;
  const kind = component?.props.kinds[core.op.index];
  return (
    kind?.settings.presence !== 'optional' && (kind?.rules.word === 'text' || kind?.rules.word === 'choice')
  );
}

/** Whether what a prop holds can be written with no escapes: numbers, and words that have nothing to escape. */
export function isPlainProp(core: Core, component: ComponentCore | undefined): boolean {
  if (core.op.op !== 'prop') return false;
  const kind: AnyKind | undefined = component?.props.kinds[core.op.index];
  if (kind?.settings.presence === 'optional') return false;
  const { word, schema } = kind?.rules ?? {};
  if (word === 'number') return true;
  return (
    word === 'choice' &&
    ((schema?.enum ?? []) as readonly string[]).every((one) => one !== '' && escapeAttribute(one) === one)
  );
}
