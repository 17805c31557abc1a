import { TextLine } from './parts.js';
TextLine({ tag: 'h1', for: 'grower' }, 'Grower');
