export { attributeOf, propsByAttribute } from './attribute-of.js';
export type {
  AnyComponent,
  AnyProps,
  Component,
  EventsOf,
  MethodsOf,
  MethodTypes,
  PropsFor,
  PropsOf,
  SendingComponent,
  SlotsOf,
  TagComponent,
  Use,
} from './component.js';
export { component } from './component.js';
export { componentsIn } from './components-in.js';
export type { ComponentCore, Declared, TemplateText } from './core.js';
export { componentCore } from './core.js';
export {
  type Definition,
  definition,
  type NamedComponent,
  type NoneDeclaredAbove,
  type NoProps,
  type SlotsOfText,
  type StylesInput,
  type WrittenDefinition,
} from './definition.js';
export { type AnyEventKind, EventKind, event } from './event.js';
export { fieldsIn, itemIn, wordsIn } from './holds.js';
export { isHostAttribute } from './host-attribute.js';
export type { AnyKind, Presence } from './kind.js';
export { authored, fallbackOf, fault, fits, isKind, isMade, Kind, settle, unreadable } from './kind.js';
export { type KindWord, kindFacts } from './kind-words.js';
export * as prop from './kinds/index.js';
export type { StandardSchema } from './kinds/schema.js';
export { TagKind } from './kinds/tag.js';
export { type Noticed, noticing } from './make-core.js';
export { type MarkupReader, markupReader, setMarkupReader, type TextContext } from './markup-reader.js';
export { nameFault } from './name.js';
export { type AnyNodeKind, NodeKind, node } from './node-kind.js';
export { forgetComponents, perComponent } from './per-component.js';
export type { Placement } from './placement.js';
export { preset } from './preset.js';
export { propNameFaults } from './prop-names.js';
export { reachesGiven } from './reaches-given.js';
export { type Rule, readText } from './rule.js';
export { saidOf } from './said-of.js';
export { type AnySlotKind, SlotKind, slot } from './slot.js';
export { stateNames } from './state-names.js';
export type {
  ActingContext,
  AriaOfElement,
  Changes,
  ConnectedContext,
  ContentArgument,
  ContentArguments,
  EventKinds,
  FailureContext,
  FieldParts,
  GivenProps,
  GivenSlots,
  HandlerCalls,
  HandlerContext,
  HostAttributes,
  HostAttributesBeside,
  ItemTypes,
  Listening,
  LoadContext,
  NodeKinds,
  NodePlaces,
  NodesFound,
  Omittable,
  PropExprs,
  PropInputs,
  PropKinds,
  PropsArgument,
  PropValues,
  SentEvent,
  Show,
  ShownContext,
  SlotKinds,
  SlotPlaces,
  StateExprs,
  TemplateContext,
  UseArguments,
  ValidityFlag,
} from './types.js';
export { type SlotContent, sortedAlready, UseNode } from './use-node.js';
