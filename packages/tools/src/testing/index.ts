export { type Mounted, type MountOptions, mount } from './mount.js';
export { plainHtml, readableHtml } from './plain.js';
export { type RenderedSample, type SampleOptions, samplesOf } from './samples-of.js';
