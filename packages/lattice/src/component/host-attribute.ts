import type { ComponentCore } from './core.js';

/** Attributes that any element may have and that say something of it where it stands, whatever its component is. */
const hostNames = /^(?:id|class|style|part|exportparts|slot|hidden|inert|popover|role|tabindex|lang|dir)$/;

/**
 * Whether something a use gives, by the name of an attribute, is for the component's element. Props that a component declares
 * are its own, whatever they are called.
 */
export function isHostAttribute(name: string, { accepts, field }: ComponentCore): boolean {
  if (accepts !== undefined) return false;
  return (
    hostNames.test(name) ||
    /^(?:data|aria)-./.test(name) ||
    (field !== undefined && /^(?:name|form)$/.test(name))
  );
}
