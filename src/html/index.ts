export { provideCode } from './code/index.js';
export { escapeAttribute, escapeText } from './escape.js';
export { type PageOptions, renderPage, renderPageBytes } from './page.js';
export { type RenderOptions, renderBytes, renderHtml } from './render.js';
