export { type WrittenComponent, writeComponent } from './component.js';
export { NotWritten, own, type Sources } from './writer.js';
