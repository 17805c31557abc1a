export { DocSearch } from './components/doc-search.js';
