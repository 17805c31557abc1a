import type { ComponentCore } from '../component/index.js';
import { type Core, inputsOf } from '../template/index.js';
import type { TreeScope } from './scope.js';

/** Stands for a value that is known only at render time. */
export const open: unique symbol = Symbol('open');

/** What an expression comes to where some props are known; `open` where it needs more, or fails, which rendering tells. */
export function knownValue(core: Core, scope: TreeScope): unknown {
  if (!isKnown(core, scope)) return open;
  try {
    return core.get(scope.values);
  } catch {
    return open;
  }
}

function isKnown(core: Core, scope: TreeScope): boolean {
  const { op } = core;
  const areInputs = (): boolean => inputsOf(core).every((input) => isKnown(input, scope));
  switch (op.op) {
    case 'prop':
      return op.index >= 0 && scope.component !== undefined && !scope.open.has(op.index);
    case 'state':
      return scope.isStateKnown;
    case 'filled':
      return isFilledKnown(op.index, scope);
    case 'outer': {
      let owner: TreeScope | undefined = scope;
      for (let up = 0; up < op.up; up++) owner = owner?.owner;
      return owner !== undefined && isKnown(op.of, owner);
    }
    case 'local':
    case 'data':
    case 'event':
    case 'shared':
    case 'uid':
      return false;
    case 'calc':
      return op.inputs.length > 0 && areInputs();
    case 'call':
      return op.args.length > 0 && areInputs();
    default:
      return areInputs();
  }
}

function isFilledKnown(slot: number, scope: TreeScope): boolean {
  const scoped = scope.fills[slot];
  if (!scoped) return !scope.isOpen;
  const { filled } = scoped.fill.block;
  return typeof filled === 'boolean' || isKnown(filled, scoped.scope);
}

/** The first state of a use whose props are all known; undefined where it takes more to tell. */
export function knownState(
  component: ComponentCore,
  props: readonly unknown[],
): Readonly<Record<string, unknown>> | undefined {
  try {
    return component.state?.(
      Object.fromEntries(component.props.names.map((name, index) => [name, props[index]])),
    );
  } catch {
    return undefined;
  }
}
