export { type CheckOptions, type CheckReport, check } from './check.js';
export { jsonReport } from './report/json.js';
export { sarifReport } from './report/sarif.js';
export { textReport } from './report/text.js';
export type { Settings } from './settings.js';
