import type { ComponentCore } from '../component/index.js';
import { scriptEvents } from '../generated/element-members.js';
import { type Block, blocksOf, type PlanUse } from '../plan/index.js';
import { type Finding, finding, nearest } from '../problem/index.js';

/**
 * An event that no element sends, and that is nearly one that elements do: components have events of any name, and these are
 * often one of an element's with an ending, such as `changed`.
 */
export function misspeltEvent(tag: string, event: string): Finding | undefined {
  const name = event.toLowerCase();
  if (scriptEvents.has(name) || [...scriptEvents].some((known) => name.startsWith(known))) return undefined;
  const near = nearest(name, scriptEvents);
  return near === undefined || name.length < 4 ? undefined : finding('event-misspelt', { event, tag, near });
}

/**
 * An event that is listened to at a component's tag, and that neither it, nor what stands in it, declares; those of elements
 * come through it as well.
 */
export function undeclaredEvent({ component, fills }: PlanUse, event: string): Finding | undefined {
  if (scriptEvents.has(event.toLowerCase())) return undefined;
  const declared = new Set<string>();
  const seen = new Set<ComponentCore>();
  let isOpen = false;
  const add = (core: ComponentCore): void => {
    if (seen.has(core)) return;
    seen.add(core);
    for (const name of Object.keys(core.events)) declared.add(name);
    for (const block of blocksOf(core)) inside(block);
  };
  const inside = (block: Block): void => {
    for (const use of block.uses) add(use.component);
    // A custom element from elsewhere sends what it likes, and so may what is inserted as it is.
    isOpen ||= block.all('element').some(({ tag }) => typeof tag !== 'string' || tag.includes('-'));
    isOpen ||= block.all('trusted').length > 0;
  };
  add(component);
  for (const fill of fills) if (fill) inside(fill.block);
  if (isOpen || declared.has(event)) return undefined;
  const near = nearest(event, [...declared, ...scriptEvents]);
  return finding('event-misspelt', {
    event,
    tag: component.name,
    near,
    declares: Object.keys(component.events),
  });
}
