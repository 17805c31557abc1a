export { type RenderedSample, type SampleOptions, samplesOf } from './samples-of.js';
