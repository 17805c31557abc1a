import { scriptEvents } from '../generated/element-members.js';
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
