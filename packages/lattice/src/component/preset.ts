import { dev, printValue, refuseCall } from '../problem/index.js';
import {
  type Builder,
  type Content,
  isRecord,
  mergeAttributes,
  type TemplateNode,
  type VoidBuilder,
} from '../template/index.js';
import type { Component, EventsOf, SendingComponent, TagComponent, Use } from './component.js';
import { componentCore } from './core.js';
import type { Listening, PropInputs, Show } from './types.js';

/** Props of which some are filled in already, and so may be left out. */
type Filled<Props, Keys> = Show<
  { [K in keyof Props as K extends Keys ? never : K]: Props[K] } & {
    [K in keyof Props as K extends Keys ? K : never]?: Props[K] | undefined;
  }
>;

/** A builder of an element, or a component. */
type Presettable = (...args: never[]) => TemplateNode;

/** What may be filled in. */
type FilledBy<Make> = [EventsOf<Make>] extends [never]
  ? Make extends Component<infer Props, infer _Slots>
    ? Partial<PropInputs<Props>>
    : Make extends TagComponent<infer Props, infer _Slots, infer At, infer _Kind>
      ? Partial<PropInputs<Omit<Props, At>>>
      : Make extends Builder<infer Attributes>
        ? Attributes
        : Make extends VoidBuilder<infer Attributes>
          ? Attributes
          : never
  : Make extends SendingComponent<infer Props, infer _Slots, infer Events>
    ? Partial<PropInputs<Props>> & Listening<Events>
    : never;

/** A builder stays as it is; of a component, what is filled in may be left out. */
type Preset<Make, Keys> = [EventsOf<Make>] extends [never]
  ? Make extends Component<infer Props, infer Slots>
    ? Component<Filled<Props, Keys>, Slots>
    : Make extends TagComponent<infer Props, infer Slots, infer At, infer Kind>
      ? TagComponent<Filled<Props, Keys>, Slots, At & keyof Filled<Props, Keys>, Kind>
      : Make
  : Make extends SendingComponent<infer Props, infer Slots, infer Events>
    ? SendingComponent<Filled<Props, Keys>, Slots, Events>
    : never;

/**
 * A builder or a component with attributes or props filled in: how a team speaks in its own words. What a use gives
 * is merged in after: classes stand together, styles merge by property, listeners by event, all else the use wins.
 * A preset can be made of a preset.
 *
 * @throws LatticeError `call-invalid`, during development
 * @example
 * const press = preset(el.button, { type: 'button', class: 'press' });
 * press({ class: 'wide' }, 'Save'); // <button type="button" class="press wide">Save</button>
 * const LateCard = preset(VarietyCard, { season: 'late' });
 */
export function preset<const Make extends Presettable, Keys extends keyof FilledBy<Make> = never>(
  make: Make,
  given: FilledBy<Make> & Pick<FilledBy<Make>, Keys>,
): Preset<Make, Keys> {
  if (dev && typeof make !== 'function')
    refuseCall(
      preset,
      'preset',
      `is made of a builder or a component, but received ${printValue(make)}`,
      "Write preset(el.button, { type: 'button' }).",
    );
  if (dev && !isRecord(given))
    refuseCall(
      preset,
      'preset',
      `expects a record of what is filled in, but received ${printValue(given)}`,
      "Write preset(el.button, { type: 'button' }).",
    );
  return filled(make, given) as Preset<Make, Keys>;
}

function filled(make: unknown, given: Readonly<Record<string, unknown>>): unknown {
  if (componentCore(make)) {
    const component = make as (props: unknown, content?: unknown) => Use;
    const use = (props?: Readonly<Record<string, unknown>>, content?: unknown): Use =>
      component({ ...given, ...props }, content);
    return Object.defineProperty(use, 'name', { value: component.name });
  }
  const builder = make as (...args: unknown[]) => Content;
  // By its name a place knows that this line is not the one that wrote the element.
  const latticePreset = (first?: unknown, ...content: Content[]): Content => {
    if (isRecord(first)) return builder(mergeAttributes(given, first), ...content);
    return first === undefined ? builder(given, ...content) : builder(given, first, ...content);
  };
  return latticePreset;
}
