import type { ComponentCore } from '../component/index.js';
import type { Scope } from '../template/index.js';
import type { Write } from './output.js';
import type { Pass } from './pass.js';
import { propRecord } from './scopes.js';

/** Writes a component with what it provides at hand for all that is written in it. */
export function withShared(component: ComponentCore, scope: Scope, pass: Pass, write: Write): string {
  scope.shared = pass.shared;
  if (!component.provides) return write(scope, pass);
  const context = { props: propRecord(component, scope.props), state: scope.state ?? {} };
  pass.shared ??= new Map();
  const { shared } = pass;
  const before = component.provides(context as never).map(({ share, value }) => {
    const had: readonly [string, boolean, unknown] = [share, shared.has(share), shared.get(share)];
    shared.set(share, value);
    return had;
  });
  try {
    return write(scope, pass);
  } finally {
    for (const [share, was, value] of before.reverse()) {
      if (was) shared.set(share, value);
      else shared.delete(share);
    }
  }
}
