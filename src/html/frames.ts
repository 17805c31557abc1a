import type { ComponentCore } from '../component/index.js';
import type { Fill, Frame, Site } from '../template/index.js';

const nothing: readonly never[] = Object.freeze([]);

/** The locals of a frame that has none. */
export const noLocals: unknown[] = [];

/** The frame of content that stands in no component. */
export function emptyFrame(): Frame {
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

/** The frame of one use of a component. */
export function frameOf(
  component: ComponentCore,
  props: readonly unknown[],
  fills: readonly (Fill | undefined)[],
  owner: Frame | undefined,
  site: Site | undefined,
  at: string[] | undefined,
  locals: unknown[] = [],
): Frame {
  const frame: Frame = {
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
  if (component.state) frame.state = component.state(propRecord(component, props));
  return frame;
}

export function propRecord(
  component: ComponentCore,
  values: readonly unknown[],
): Readonly<Record<string, unknown>> {
  return Object.fromEntries(component.props.names.map((name, index) => [name, values[index]]));
}
