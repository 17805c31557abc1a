import type { Frame } from '../../template/frame.js';

/** A frame with locals of its own, which start as those around it. */
export function derived(frame: Frame): Frame {
  const { name, props, fills, owner, site, at, state, shared, accepted } = frame;
  return { name, props, locals: frame.locals.slice(), fills, owner, site, at, state, shared, accepted };
}

/** Brings the locals of a derived frame in step with those around it, save its own. */
export function refresh(frame: Frame, around: Frame, own: number, count: number): void {
  for (let local = 0; local < around.locals.length; local++) {
    if (local < own || local >= own + count) frame.locals[local] = around.locals[local];
  }
}
