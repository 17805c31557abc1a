export { elementClass } from './element-class.js';
export { register } from './register.js';
