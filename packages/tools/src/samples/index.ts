export { type ModuleSample, moduleSamples } from './module-samples.js';
export { isSampleFile, type TextSample, textSamples } from './text-samples.js';
