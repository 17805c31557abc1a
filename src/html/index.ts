export { escapeAttribute, escapeText } from './escape.js';
export { type PageOptions, renderPage } from './page.js';
export { type RenderOptions, renderHtml } from './render.js';
