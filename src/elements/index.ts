export { type ElementClass, elementClass } from './element-class.js';
export { register } from './register.js';
