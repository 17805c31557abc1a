export { bundle, type Entry, entriesOf, type Packed, registersItself, type Sizes } from './bundle.js';
export { measured, type PackSizes } from './measured.js';
export { sizePicture } from './picture.js';
export { packedTypes } from './types.js';
