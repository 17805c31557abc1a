export { type ElementClass, elementClass, register } from './register.js';
