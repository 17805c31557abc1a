import type { ComponentCore } from './core.js';

/** Whether a component's rules reach what fills its slots (https://www.w3.org/TR/css-scoping-1/#slotted-pseudo). */
export function reachesGiven({ styles }: Pick<ComponentCore, 'styles'>): boolean {
  return styles.includes('::slotted');
}
