import {
  type Builder,
  type Content,
  isRecord,
  mergeAttributes,
  type VoidBuilder,
} from '../template/index.js';
import type { Component, Use } from './component.js';
import { componentCore } from './core.js';
import type { PropInputs, Show } from './types.js';

/** Props of which some are filled in already, and so may be left out. */
type Filled<Props, Keys> = Show<
  { [K in keyof Props as K extends Keys ? never : K]: Props[K] } & {
    [K in keyof Props as K extends Keys ? K : never]?: Props[K] | undefined;
  }
>;

/**
 * A builder or a component with attributes or props filled in: how a team speaks in its own words. What a use gives
 * is merged in after: classes stand together, styles merge by property, listeners by event, all else the use wins.
 * A preset can be made of a preset.
 *
 * @example
 * const press = preset(el.button, { type: 'button', class: 'press' });
 * press({ class: 'wide' }, 'Save'); // <button type="button" class="press wide">Save</button>
 * const LateCard = preset(VarietyCard, { season: 'late' });
 */
export function preset<Attributes extends object>(
  builder: Builder<Attributes>,
  attributes: NoInfer<Attributes>,
): Builder<Attributes>;
export function preset<Attributes extends object>(
  builder: VoidBuilder<Attributes>,
  attributes: NoInfer<Attributes>,
): VoidBuilder<Attributes>;
export function preset<Props, Slots, const Given extends Partial<PropInputs<Props>>>(
  component: Component<Props, Slots>,
  props: Given,
): Component<Filled<Props, keyof Given>, Slots>;
export function preset(make: unknown, given: Readonly<Record<string, unknown>>): unknown {
  if (componentCore(make)) {
    const component = make as (props: unknown, content?: unknown) => Use;
    const use = (props?: Readonly<Record<string, unknown>>, content?: unknown): Use =>
      component({ ...given, ...props }, content);
    return Object.defineProperty(use, 'name', { value: component.name });
  }
  const builder = make as (...args: unknown[]) => Content;
  return (first?: unknown, ...content: Content[]): Content => {
    if (isRecord(first)) return builder(mergeAttributes(given, first), ...content);
    return first === undefined ? builder(given, ...content) : builder(given, first, ...content);
  };
}
