// The door as a browser has it: samples are files, which Node reads.
export { type Mounted, type MountOptions, mount, nextEvent, type Reported } from './mount.js';
export { plainHtml, plainHtmlAsync, readableHtml } from './plain.js';
