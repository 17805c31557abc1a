import { startFields, startProvider, startReader, startTyped } from './typed-parts.js';

Object.assign(window, { startFields, startProvider, startReader, startTyped });
