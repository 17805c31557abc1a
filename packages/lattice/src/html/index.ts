export { escapeAttribute, escapeText } from '../template/escape.js';
export { type LoadPool, loadPool } from './late/load-pool.js';
export type { LoadOptions } from './late/loads.js';
export {
  type HtmlStream,
  type LateOptions,
  renderHtmlAsync,
  type StreamOptions,
  streamHtml,
} from './late/render.js';
export { type PageOptions, renderPage, renderPageBytes } from './page.js';
export { type RenderOptions, renderBytes, renderHtml } from './render.js';
