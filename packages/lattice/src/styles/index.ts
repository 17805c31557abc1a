import type { AtRule, Node, Root, Rule } from 'postcss';
import { type ComponentCore, perComponent } from '../component/index.js';
import {
  isMarkedInShadow,
  markSelectors,
  marksIn,
  type SelectorMarks,
  slottedSelector,
} from '../plan/index.js';
import { type Finding, finding, reasonOf, type SourcePlace } from '../problem/index.js';
import { cssTokens, isCssFault, parseCss, parseSelector } from './css.js';

export { parseCss, parseSelector };

/** A component's rules, rewritten for markup without shadow roots, and what could not be carried over. */
export interface LineAndColumns {
  readonly css: string;
  readonly findings: readonly Finding[];
}

/** A component's rules where it has no shadow root of its own, worked out once. */
export const scopedRules: (component: ComponentCore) => LineAndColumns = /* @__PURE__ */ perComponent(
  (component) => scopeRules(component, marksIn(component.name).host),
);

/**
 * A component's rules in its own shadow root: as they are written, unless something stands in it that the template has
 * not written, which they must not reach.
 */
export const shadowRules: (component: ComponentCore) => string = /* @__PURE__ */ perComponent((component) =>
  isMarkedInShadow(component) ? scopeRules(component, undefined).css : wholeRules(component),
);

/** Rules as they are written, where they can be read: what cannot might change what other components' rules mean. */
function wholeRules({ styles }: ComponentCore): string {
  return unreadable(styles) ? '' : styles;
}

/**
 * Keeps rules to the elements a component's template has written. `:host` stands for the box around the template
 * where there is no shadow root; names of keyframes get the component's name in front.
 */
function scopeRules(component: ComponentCore, host: string | undefined): LineAndColumns {
  const { name, styles } = component;
  const findings: Finding[] = [];
  const report: ReportFault = (fault, hint, at) =>
    findings.push(finding('styles-invalid', { component: name, fault, hint }, at && placeIn(component, at)));
  const wrong = unreadable(styles);
  if (wrong) {
    report(
      `cannot be read: ${wrong.fault}`,
      'Fix the rule. None of these rules are used as they are.',
      wrong,
    );
    return { css: '', findings };
  }
  let sheet: Root;
  try {
    sheet = parseCss(styles);
  } catch (thrown) {
    report(`cannot be read: ${faultText(thrown)}`, 'Fix the rule.', isCssFault(thrown) ? thrown : undefined);
    return { css: '', findings };
  }
  sheet.walkAtRules((rule) => {
    const [fault, hint] = reaching[rule.name.toLowerCase()] ?? [];
    if (fault === undefined || hint === undefined) return;
    report(fault, hint, rule.source?.start);
    rule.remove();
  });
  renameKeyframes(sheet, name);
  const marks: SelectorMarks = host === undefined ? { own: marksIn(name).own, host } : marksIn(name);
  sheet.walkRules((rule) => {
    if (isInKeyframes(rule)) return;
    const marked = markedSelectors(rule, component, marks, report);
    if (marked === undefined) rule.remove();
    else rule.selector = marked;
  });
  return { css: compact(sheet), findings };
}

/** At-rules that reach further than a component, by their names: what is wrong, and what to do. */
const reaching: Readonly<Record<string, readonly [fault: string, hint: string]>> = {
  import: [
    'hold @import, which no component may',
    'Put the imported rules in, or load them for the whole page.',
  ],
  namespace: [
    'hold @namespace, which changes what all rules of the page mean',
    'Leave it out: HTML and SVG need none.',
  ],
  charset: ['hold @charset, which a page has no use for', 'Leave it out: the text is read as UTF-8.'],
  page: ['hold @page, which is of the whole page', 'Put it into the page’s own rules.'],
  'view-transition': [
    'hold @view-transition, which is of the whole page',
    'Put it into the page’s own rules.',
  ],
};

interface LineAndColumn {
  readonly line?: number | undefined;
  readonly column?: number | undefined;
}

/** Where a place in a component's rules is written: in the file that they were read from, else in the module. */
function placeIn(component: ComponentCore, { line = 1, column = 1 }: LineAndColumn): SourcePlace | undefined {
  let first = 1;
  for (const { file, text } of component.sheets) {
    const lines = text.split('\n').length;
    if (line < first + lines) {
      if (file === undefined) return component.source;
      return { file, line: line - first + 1, column };
    }
    first += lines;
  }
  return component.source;
}

/**
 * What keeps CSS from being read as it is meant: browsers go on after what they cannot read, each parser in its own way,
 * and what one takes for text another takes for rules (https://drafts.csswg.org/css-syntax-3/#error-handling).
 */
function unreadable(css: string): (LineAndColumn & { readonly fault: string }) | undefined {
  const faults: (readonly [offset: number, fault: string])[] = [];
  const tokens = cssTokens(
    { css },
    { onParseError: ({ message, sourceStart }) => void faults.push([sourceStart, message.toLowerCase()]) },
  );
  const open: (readonly [closing: string, offset: number])[] = [];
  for (const [kind, , start, end] of tokens) {
    const closing = closers[kind];
    if (closing !== undefined) open.push([closing, start]);
    else if (/^[\])}]-token$/.test(kind) && open.pop()?.[0] !== kind)
      faults.push([start, `"${css.slice(start, end + 1)}" closes nothing that is open`]);
    else if (kind === 'bad-string-token' || kind === 'bad-url-token')
      faults.push([start, `a ${kind.slice(4, -6)} does not end on its line`]);
    else if (kind === 'CDO-token' || kind === 'CDC-token')
      faults.push([start, 'it holds a sign of HTML comments']);
  }
  for (const [closing, offset] of open)
    faults.push([offset, `${closing.slice(0, 1)} is missing for what opens here`]);
  const [first] = faults.sort(([a], [b]) => a - b);
  if (!first) return undefined;
  const before = css.slice(0, first[0]).split('\n');
  return { fault: first[1], line: before.length, column: (before.at(-1)?.length ?? 0) + 1 };
}

const closers: Readonly<Record<string, string>> = {
  'function-token': ')-token',
  '(-token': ')-token',
  '[-token': ']-token',
  '{-token': '}-token',
};

type ReportFault = (fault: string, hint: string, at?: LineAndColumn) => void;

function faultText(thrown: unknown): string {
  if (isCssFault(thrown))
    return `${thrown.reason.toLowerCase()}, line ${thrown.line}, column ${thrown.column}`;
  return reasonOf(thrown);
}

function isInKeyframes(rule: Rule): boolean {
  return rule.parent?.type === 'atrule' && /keyframes$/i.test((rule.parent as AtRule).name);
}

/** The rule's selectors with the marks; undefined where none is left. */
function markedSelectors(
  rule: Rule,
  { name }: ComponentCore,
  marks: SelectorMarks,
  report: ReportFault,
): string | undefined {
  try {
    const nested = isNested(rule);
    const selectors = parseSelector(rule.selector)
      .nodes.map(String)
      .flatMap((selector) =>
        marks.host === undefined || !selector.includes('::slotted')
          ? markSelectors(selector, marks, nested)
          : (slottedSelector(selector.trim(), name, nested) ?? tellUnreached(rule, report)),
      );
    return selectors.length > 0 ? selectors.join(',') : undefined;
  } catch (thrown) {
    report(
      `have a selector that cannot be read, ${JSON.stringify(rule.selector)}: ${faultText(thrown)}`,
      'Fix the selector.',
      rule.source?.start,
    );
    return undefined;
  }
}

/** Whether a rule stands in another one, at-rules between them or not. */
function isNested(rule: Rule): boolean {
  for (let one: Node | undefined = rule.parent; one; one = one.parent) if (one.type === 'rule') return true;
  return false;
}

function tellUnreached(rule: Rule, report: ReportFault): readonly never[] {
  report(
    'have a ::slotted that is more than a slot and its content',
    'Write ::slotted(b), slot[name="title"]::slotted(b) or .wrap ::slotted(b): HTML text has no slot to ask for more.',
    rule.source?.start,
  );
  return [];
}

function renameKeyframes(sheet: Root, name: string): void {
  const names = new Set<string>();
  sheet.walkAtRules(/^(-\w+-)?keyframes$/i, (rule) => {
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
