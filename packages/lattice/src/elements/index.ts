export {
  type ElementClass,
  type ElementOf,
  elementClass,
  type FieldElementOf,
  type FieldMembers,
  register,
} from './register.js';
export { type Moment, registerWhen } from './register-when.js';
export type { PageSheets, SheetOptions } from './runtime/page-sheets.js';
