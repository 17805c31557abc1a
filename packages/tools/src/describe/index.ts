export type { DescribedModule } from './described.js';
export { type EditorData, editorData } from './editor-data.js';
export { type ElementsManifest, elementsManifest } from './manifest.js';
export { type JsonSchema, propsSchema } from './schema.js';
export { tagTypes } from './tag-types.js';
