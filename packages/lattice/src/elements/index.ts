export { type ElementClass, type ElementOf, elementClass, register } from './register.js';
export type { PageSheets, SheetOptions } from './runtime/page-sheets.js';
