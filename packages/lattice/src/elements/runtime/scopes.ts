import type { Scope } from '../../template/scope.js';

/** A scope with locals of its own, which start as those around it. */
export function derived(scope: Scope): Scope {
  const { name, props, fills, owner, site, at, state, shared, accepted, data } = scope;
  const locals = scope.locals?.slice() ?? [];
  return { name, props, locals, fills, owner, site, at, state, shared, accepted, data };
}

/** Brings a derived scope in step with the one around it, save its own locals: what changes there is not the same object. */
export function refresh(scope: Scope, around: Scope, own: number, count: number): void {
  scope.data = around.data;
  // An element's own scope has none before its rows give it some.
  const { locals = [] } = around;
  for (let local = 0; local < locals.length; local++) {
    if (local < own || local >= own + count) scope.locals[local] = locals[local];
  }
}
