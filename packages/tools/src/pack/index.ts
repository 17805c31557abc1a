export {
  bundle,
  bundleAll,
  type Entry,
  entriesOf,
  type PackEntry,
  type Packed,
  type PackedFile,
  registersItself,
  type Sizes,
  stemOf,
} from './bundle.js';
export { measured, type PackSizes } from './measured.js';
export { sizePicture } from './picture.js';
export { packedTypes } from './types.js';
