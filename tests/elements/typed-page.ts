import { startFields, startProvider, startReader, startSlots, startTyped } from './typed-parts.js';

Object.assign(window, { startFields, startProvider, startReader, startSlots, startTyped });
