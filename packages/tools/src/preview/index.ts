export { openPreview, type Preview, type PreviewOptions } from './server.js';
