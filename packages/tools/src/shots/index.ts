export { compare, type Difference } from './compare.js';
export { type SamplePages, samplePages } from './sample-pages.js';
export { type Scheme, shoot, slugOf } from './shoot.js';
