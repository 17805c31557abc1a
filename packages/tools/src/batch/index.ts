export { type BatchReport, batch, type Progress, type RowProblems, threads } from './batch.js';
export { linkedRules } from './linked-rules.js';
export { patternFault } from './names.js';
export { type PageSettings, pageOf } from './page-of.js';
export { propsOf } from './props-of.js';
export { QueueMissing, queued, workFor } from './queue.js';
export { fieldsOfSettings, settingsOf } from './row-settings.js';
export { kindOfRows, standardInput, UnreadableRows } from './rows.js';
export { sourcesOf } from './sources.js';
