// Elements and what they are compiled to, for `zesty-lattice-tools` of the same version. No part of the public interface: it changes without notice.

export {
  constantCode,
  NotWritten,
  own,
  type Sources,
  styleMark,
  type WrittenComponent,
  writeComponent,
} from '../elements/code/index.js';
export { StaticElement, StaticHtml, type StaticNode, StaticText } from '../elements/compile/static.js';
export type { CompiledView } from '../elements/compile/view.js';
export { defineInPage, knownLives } from '../elements/in-page.js';
export * from '../elements/index.js';
export { type Written, writtenBy } from '../elements/inspected.js';
export { instanceOf } from '../elements/runtime/element.js';
export type { Instance } from '../elements/runtime/instance.js';
