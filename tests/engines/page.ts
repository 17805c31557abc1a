import { startParts } from './parts.js';

Object.assign(window, { startParts });
