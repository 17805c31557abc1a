export { type WrittenComponent, writeComponent } from './component.js';
export { NotWritten, type Sources } from './writer.js';
