import { readMarkup } from '../../packages/lattice/src/markup/syntax/read-page.js';

Object.assign(window, { read: (text: string) => readMarkup(text).nodes });
