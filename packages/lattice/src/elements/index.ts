export { type ElementClass, type ElementOf, elementClass, register } from './register.js';
export { type Moment, registerWhen } from './register-when.js';
export type { PageSheets, SheetOptions } from './runtime/page-sheets.js';
