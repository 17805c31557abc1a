export { classWriter, inputExprs } from './class.js';
export { styleWriter } from './style.js';
export {
  escapedTextElements,
  isWorded,
  lineEaters,
  rawTextElements,
  voidElements,
} from './tables.js';
export { type AttributeText, attributeText, isNameFit, type Report } from './text.js';
