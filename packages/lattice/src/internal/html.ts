// Writing of HTML text, for `zesty-lattice-tools` of the same version. No part of the public interface: it changes without notice.

export { codeAhead, codeOf } from '../html/code/ahead.js';
export { provideCode } from '../html/code/index.js';
export { reached, waits } from '../html/facts.js';
export * from '../html/index.js';
export { mailText } from '../html/mail/index.js';
export { selectAdapter } from '../html/mail/tree.js';
export { type PrettyPart, pretty, prettyLines, withoutMarks } from '../html/pretty.js';
export { cssTokens } from '../styles/css.js';
