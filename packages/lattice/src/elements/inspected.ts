import type { Scope } from '../template/index.js';
import type { Site } from '../template/scope.js';
import type { Attach } from './runtime/block.js';
import type { Instance } from './runtime/instance.js';

/** Who wrote an element of a shadow root. */
export interface Written {
  /** The scope of the component that wrote it. */
  readonly scope: Scope;
  /** Of the element whose shadow root it stands in, or in which what is handed to another was written. */
  readonly instance: Instance;
  /** Where the element of a component was written, as a use of it. */
  readonly site?: Site;
}

const written = new WeakMap<Node, Written>();

/** Who wrote an element, where that was noted: while a page is being developed and looked at. */
export function writtenBy(element: Node): Written | undefined {
  return written.get(element);
}

/** Notes who wrote an element. */
export function noting(level: number, site?: Site): Attach {
  return (node, scopes, _block, instance) => {
    const scope = scopes[level];
    if (scope) written.set(node, { scope, instance, ...(site && { site }) });
  };
}
