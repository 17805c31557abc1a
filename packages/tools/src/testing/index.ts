export { type Mounted, type MountOptions, mount, nextEvent, type Reported } from './mount.js';
export { plainHtml, plainHtmlAsync, readableHtml } from './plain.js';
export { type RenderedSample, type SampleOptions, samplesOf } from './samples-of.js';
