export { classPieces, classWriter, inputExprs, pieceWriter } from './class.js';
export { styleWriter } from './style.js';
export {
  escapedTextElements,
  isChangingTag,
  isWorded,
  lineEaters,
  rawTextElements,
  urlShape,
  voidElements,
} from './tables.js';
export { type AttributeText, attributeText, isNameFit, type Report } from './text.js';
