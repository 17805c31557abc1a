export { NotWritten, own } from '../../code/constants.js';
export { type WrittenComponent, writeComponent } from './component.js';
export type { KindPart, Sources } from './writer.js';
