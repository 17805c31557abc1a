export { type WrittenComponent, writeComponent } from './component.js';
export { NotWritten, own } from './constants.js';
export type { KindPart, Sources } from './writer.js';
