export { type ClassPiece, classParts, classPieces, classWriter, inputExprs, pieceWriter } from './class.js';
export { styleParts, styleWriter } from './style.js';
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
