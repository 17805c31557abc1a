import { dev, placeOf } from '../problem/index.js';
import {
  type ComponentCore,
  componentCore,
  declared,
  type HandlerFunction,
  type TemplateText,
} from './core.js';
import type { NamedComponent, StylesInput } from './definition.js';
import type { AnyEventKind } from './event.js';
import type { AnyKind } from './kind.js';
import { textSlots } from './markup-reader.js';
import type { AnyNodeKind } from './node-kind.js';
import type { Placement } from './placement.js';
import { type AnySlotKind, slot } from './slot.js';

/** A definition without the types that only its author needs. */
export interface LooseDefinition {
  readonly description?: string;
  readonly deprecated?: string;
  readonly props?: Readonly<Record<string, AnyKind>>;
  readonly slots?: Readonly<Record<string, AnySlotKind>>;
  readonly accepts?: string;
  readonly placement?: Placement;
  readonly styles?: StylesInput | readonly StylesInput[];
  readonly events?: Readonly<Record<string, AnyEventKind>>;
  readonly state?: ComponentCore['state'];
  readonly load?: ComponentCore['load'];
  readonly loadTimeOut?: number;
  readonly keepLoaded?: boolean;
  readonly onFailure?: unknown;
  readonly handlers?: Readonly<Record<string, HandlerFunction>>;
  readonly connected?: (context: never) => void;
  readonly shown?: HandlerFunction;
  readonly states?: ComponentCore['states'];
  readonly aria?: ComponentCore['aria'];
  readonly elementMethods?: Readonly<Record<string, HandlerFunction>>;
  readonly follows?: Readonly<Record<string, string>>;
  readonly nodes?: Readonly<Record<string, AnyNodeKind>>;
  readonly field?: ComponentCore['field'];
  readonly provides?: ComponentCore['provides'];
  readonly reactions?: Readonly<Record<string, HandlerFunction>>;
  readonly template: ((context: unknown) => unknown) | string | TemplateText;
  readonly uses?: readonly NamedComponent[];
  readonly helpers?: ComponentCore['helpers'];
  readonly joinLines?: boolean;
  readonly foreign?: readonly (string | RegExp)[];
}

/** Where a tool leaves what is to be called with each component that is made. */
export const noticing: unique symbol = Symbol.for('zesty-lattice.noticing');
export type Noticed = { [noticing]?: ((core: ComponentCore) => void) | undefined };

/** What a definition comes to, as the rest of the library reads it. */
export function coreFrom(name: string, parts: LooseDefinition, place: object | undefined): ComponentCore {
  const template = typeof parts.template === 'string' ? { text: parts.template } : parts.template;
  const sheets = [parts.styles ?? []].flat().map((one) => (typeof one === 'string' ? { text: one } : one));
  const core: ComponentCore = {
    name,
    description: parts.description,
    deprecated: parts.deprecated,
    props: declared(parts.props),
    slots: declared(parts.slots),
    accepts: parts.accepts,
    placement: parts.placement,
    events: parts.events ?? {},
    handlers: parts.handlers ?? {},
    load: parts.load,
    loadTimeOut: parts.loadTimeOut,
    keepLoaded: parts.keepLoaded,
    onFailure: parts.onFailure,
    state: parts.state,
    connected: parts.connected,
    shown: parts.shown,
    states: parts.states,
    aria: parts.aria,
    elementMethods: parts.elementMethods ?? {},
    follows: parts.follows ?? {},
    nodes: parts.nodes ?? {},
    field: parts.field,
    provides: parts.provides,
    reactions: parts.reactions ?? {},
    sheets,
    styles: sheets.map(({ text }) => text).join('\n'),
    template,
    get uses() {
      return (parts.uses ?? []).map(componentCore).filter((one) => one !== undefined);
    },
    helpers: parts.helpers ?? {},
    joinLines: parts.joinLines ?? false,
    foreign: parts.foreign ?? [],
    get source() {
      return placeOf(place);
    },
  };
  if (typeof template !== 'function' && !parts.slots) declareLater(core, template);
  // A tool that reads modules sees those that they do not export, too.
  if (dev) (globalThis as Noticed)[noticing]?.(core);
  return core;
}

/** Slots that only the text declares are read from it when they are first asked for. */
function declareLater(core: ComponentCore, text: TemplateText): void {
  let slots: ComponentCore['slots'] | undefined;
  Object.defineProperty(core, 'slots', {
    configurable: true,
    enumerable: true,
    get: () => {
      slots ??= declared(slotsOfText(text));
      return slots;
    },
  });
}

function slotsOfText(text: TemplateText): Readonly<Record<string, AnySlotKind>> {
  return Object.fromEntries(
    [...textSlots(text)].map(([name, hands]) => [name, hands ? slot.with() : slot()]),
  );
}
