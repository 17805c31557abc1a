import type { AtRule, Root, Rule } from 'postcss';
import { type ComponentCore, perComponent } from '../component/index.js';
import { isMarkedInShadow, markSelectors, marksIn, type SelectorMarks } from '../plan/index.js';
import { type Finding, finding } from '../problem/index.js';
import { isCssFault, parseCss, parseSelector } from './css.js';

/** A component's rules, rewritten for markup without shadow roots, and what could not be carried over. */
export interface ScopedRules {
  readonly css: string;
  readonly findings: readonly Finding[];
}

/** A component's rules where it has no shadow root of its own, worked out once. */
export const scopedRules: (component: ComponentCore) => ScopedRules = /* @__PURE__ */ perComponent(
  ({ styles, name }) => scopeRules(styles, name, marksIn(name).host),
);

/**
 * A component's rules in its own shadow root: as they are written, unless something stands in it that the template has
 * not written, which they must not reach.
 */
export const shadowRules: (component: ComponentCore) => string = /* @__PURE__ */ perComponent((component) =>
  isMarkedInShadow(component)
    ? scopeRules(component.styles, component.name, undefined).css
    : component.styles,
);

/**
 * Keeps rules to the elements a component's template has written. `:host` stands for the template's outermost elements,
 * where there is no shadow root; names of keyframes get the component's name in front.
 */
function scopeRules(css: string, name: string, host: string | undefined): ScopedRules {
  const findings: Finding[] = [];
  const report: ReportFault = (fault, hint) =>
    findings.push(finding('styles-invalid', { component: name, fault, hint }));
  let sheet: Root;
  try {
    sheet = parseCss(css);
  } catch (thrown) {
    report(`cannot be read: ${faultText(thrown)}`, 'Mend the rule.');
    return { css: '', findings };
  }
  sheet.walkAtRules('import', (rule) => {
    report(
      'hold @import, which no component may',
      'Put the imported rules in, or load them for the whole page.',
    );
    rule.remove();
  });
  renameKeyframes(sheet, name);
  const marks: SelectorMarks = { own: marksIn(name).own, host };
  sheet.walkRules((rule) => {
    if (isInKeyframes(rule)) return;
    const marked = markedSelectors(rule, marks, report);
    if (marked === undefined) rule.remove();
    else rule.selector = marked;
  });
  return { css: compact(sheet), findings };
}

type ReportFault = (fault: string, hint: string) => void;

function faultText(thrown: unknown): string {
  if (isCssFault(thrown))
    return `${thrown.reason.toLowerCase()}, line ${thrown.line}, column ${thrown.column}`;
  return thrown instanceof Error ? thrown.message : String(thrown);
}

function isInKeyframes(rule: Rule): boolean {
  return rule.parent?.type === 'atrule' && /keyframes$/.test((rule.parent as AtRule).name);
}

/** The rule's selectors with the marks; undefined where none is left. */
function markedSelectors(rule: Rule, marks: SelectorMarks, report: ReportFault): string | undefined {
  try {
    const list = parseSelector(rule.selector);
    const selectors = list.nodes
      .map(String)
      .filter((selector) => marks.host === undefined || !reachesOut(selector, report));
    return selectors.length > 0 ? markSelectors(selectors.join(','), marks) : undefined;
  } catch (thrown) {
    report(
      `have a selector that cannot be read, ${JSON.stringify(rule.selector)}: ${faultText(thrown)}`,
      'Mend the selector.',
    );
    return undefined;
  }
}

function reachesOut(selector: string, report: ReportFault): boolean {
  if (!selector.includes('::slotted')) return false;
  report(
    'reach into slot content with ::slotted',
    'Style content where it is written; the rule has no effect in markup.',
  );
  return true;
}

function renameKeyframes(sheet: Root, name: string): void {
  const names = new Set<string>();
  sheet.walkAtRules(/^(-\w+-)?keyframes$/, (rule) => {
    names.add(rule.params);
    rule.params = `${name}-${rule.params}`;
  });
  if (names.size === 0) return;
  sheet.walkDecls(/^(-\w+-)?animation(-name)?$/, (declaration) => {
    declaration.value = declaration.value.replace(/[\w-]+/g, (word) =>
      names.has(word) ? `${name}-${word}` : word,
    );
  });
}

/** The sheet on one line, without comments. */
function compact(sheet: Root): string {
  sheet.walkComments((comment) => {
    comment.remove();
  });
  sheet.walk((node) => {
    node.raws.before = '';
    if ('nodes' in node) {
      node.raws.between = '';
      node.raws.after = '';
      node.raws.semicolon = false;
    }
    if (node.type === 'decl') node.raws.between = ':';
    if (node.type === 'atrule') node.raws.afterName = node.params === '' ? '' : ' ';
  });
  sheet.raws.after = '';
  return sheet.toString();
}
