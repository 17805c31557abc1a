import './node.js';

export { type Catalog, type CatalogOptions, catalog } from './document/catalog.js';
export { type DocumentOptions, type RenderedDocument, renderDocument } from './document/render-document.js';
export { markupFile } from './markup-file.js';
