export { constantCode, NotWritten, own } from '../../code/constants.js';
export { type WrittenComponent, writeComponent } from './component.js';
export { styleMark } from './static-html.js';
export type { Sources } from './writer.js';
