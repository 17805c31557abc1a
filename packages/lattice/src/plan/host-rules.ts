import type { ComponentCore } from '../component/index.js';

/** Whether a component has rules for its own element. */
export function hasHostRules({ styles }: ComponentCore): boolean {
  return styles !== '' && /:host\b/.test(styles);
}
