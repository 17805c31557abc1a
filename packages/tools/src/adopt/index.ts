export { type Adopted, type AdoptOptions, adopt } from './adopt.js';
