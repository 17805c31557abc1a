export { type ClassPart, classWord, writtenClass } from './class.js';
export {
  declaration,
  isDeclared,
  type StylePart,
  styleText,
  valueEnd,
  valueFault,
  writtenStyle,
} from './style.js';
export {
  type AttributeRule,
  attributeRule,
  escapedTextElements,
  isChangingTag,
  lineEaters,
  rawTextElements,
  type UrlRule,
  voidElements,
} from './tables.js';
export {
  type AttributeText,
  attributeText,
  documentAttribute,
  isNameFit,
  nameBreakers,
  plainAttribute,
  type Report,
  urlAttribute,
  wordedAttribute,
} from './text.js';
