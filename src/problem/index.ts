export { dev, finding, problemText, tells } from '#dev';
export { refuseCall } from './called.js';
export { failure, LatticeError } from './error.js';
export { nearest, nearestOr, suggest, tagName } from './nearest.js';
export { callPlace, placeOf } from './place.js';
export type { Finding, Problem, ProblemCode, Severity, SourcePlace } from './problem.js';
export { placed } from './problem.js';
export { isDataUrl, isScriptUrl } from './script-url.js';
export { show } from './show.js';
