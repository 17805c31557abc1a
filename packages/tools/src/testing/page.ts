// The door as a browser has it: samples are files, which Node reads.
export { type Mounted, type MountOptions, mount } from './mount.js';
export { plainHtml, readableHtml } from './plain.js';
