import type { ComponentCore } from '../component/index.js';
import type { Fill, Scope, Site } from '../template/index.js';

const nothing: readonly never[] = Object.freeze([]);

/** The locals of a scope that has none. */
export const noLocals: unknown[] = [];

/** The scope of content that stands in no component. */
export function emptyScope(): Scope {
  return {
    name: '',
    props: nothing,
    locals: [],
    fills: nothing,
    owner: undefined,
    site: undefined,
    at: [''],
    state: undefined,
    shared: undefined,
    accepted: undefined,
  };
}

/** The scope of one use of a component. */
export function scopeOf(
  component: ComponentCore,
  props: readonly unknown[],
  fills: readonly (Fill | undefined)[],
  owner: Scope | undefined,
  site: Site | undefined,
  at: string[] | undefined,
  locals: unknown[] = [],
): Scope {
  const scope: Scope = {
    name: component.name,
    props,
    locals,
    fills,
    owner,
    site,
    at,
    state: undefined,
    shared: undefined,
    accepted: undefined,
  };
  if (component.state) scope.state = component.state(propRecord(component, props));
  return scope;
}

export function propRecord(
  component: ComponentCore,
  values: readonly unknown[],
): Readonly<Record<string, unknown>> {
  return Object.fromEntries(component.props.names.map((name, index) => [name, values[index]]));
}
