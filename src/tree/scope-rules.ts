import postcss, { type AtRule, CssSyntaxError, type Root, type Rule } from 'postcss';
import parser, { type Node, type Pseudo, type Selector } from 'postcss-selector-parser';
import { type ComponentCore, perComponent } from '../component/index.js';
import { type Finding, finding } from '../problem/index.js';

/** A component's rules, rewritten for markup without shadow roots, and what could not be carried over. */
export interface ScopedRules {
  readonly css: string;
  readonly findings: readonly Finding[];
}

/** A component's rules for markup, worked out once. */
export const scopedRules: (component: ComponentCore) => ScopedRules = /* @__PURE__ */ perComponent(
  ({ styles, name }) => scopeRules(styles, name),
);

/**
 * Keeps rules to the elements a component's template has written: each part of each selector gets the component's
 * mark, in `:where()` so that it weighs nothing. That is what a shadow root does, where an outside element is never
 * matched, neither as the subject nor on the way to it (https://www.w3.org/TR/css-scoping-1/#selectors-data-model).
 * `:host` stands for the template's outermost elements; names of keyframes get the component's name in front.
 */
function scopeRules(css: string, name: string): ScopedRules {
  const findings: Finding[] = [];
  const report: ReportFault = (fault, hint) =>
    findings.push(finding('styles-invalid', { component: name, fault, hint }));
  let sheet: Root;
  try {
    sheet = postcss.parse(css);
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
  const mark = `:where([data-in="${name}"])`;
  sheet.walkRules((rule) => {
    if (isInKeyframes(rule)) return;
    const marked = markSelectors(rule, mark, report);
    if (marked === undefined) rule.remove();
    else rule.selector = marked;
  });
  return { css: compact(sheet), findings };
}

type ReportFault = (fault: string, hint: string) => void;

function faultText(thrown: unknown): string {
  if (thrown instanceof CssSyntaxError)
    return `${thrown.reason.toLowerCase()}, line ${thrown.line}, column ${thrown.column}`;
  return thrown instanceof Error ? thrown.message : String(thrown);
}

function isInKeyframes(rule: Rule): boolean {
  return rule.parent?.type === 'atrule' && /keyframes$/.test((rule.parent as AtRule).name);
}

/** The rule's selectors with the mark; undefined where none is left. */
function markSelectors(rule: Rule, mark: string, report: ReportFault): string | undefined {
  try {
    const list = parser().astSync(rule.selector);
    const selectors = list.nodes
      .filter((selector) => !reachesOut(selector, report))
      .map((one) => markSelector(one, mark));
    return selectors.length > 0 ? selectors.join(',') : undefined;
  } catch (thrown) {
    report(
      `have a selector that cannot be read, ${JSON.stringify(rule.selector)}: ${faultText(thrown)}`,
      'Mend the selector.',
    );
    return undefined;
  }
}

function reachesOut(selector: Selector, report: ReportFault): boolean {
  const slotted = selector.some((node) => node.type === 'pseudo' && node.value === '::slotted');
  if (slotted) {
    report(
      'reach into slot content with ::slotted',
      'Style content where it is written; the rule has no effect in markup.',
    );
  }
  return slotted;
}

/** A complex selector with the mark on each of its compounds. */
function markSelector(selector: Selector, mark: string): string {
  const compounds: Node[][] = [[]];
  let text = '';
  for (const node of selector.nodes) {
    if (node.type !== 'combinator') {
      compounds.at(-1)?.push(node);
      continue;
    }
    text += markCompound(compounds.at(-1) ?? [], mark) + combinatorText(node.toString());
    compounds.push([]);
  }
  return text + markCompound(compounds.at(-1) ?? [], mark);
}

function combinatorText(written: string): string {
  const sign = written.trim();
  return sign === '' ? ' ' : `${sign}`;
}

/** The mark goes before pseudo-elements and behind everything else; `&` stands for what is marked already. */
function markCompound(nodes: readonly Node[], mark: string): string {
  if (nodes.length === 0) return '';
  const host = nodes.find((node) => node.type === 'pseudo' && node.value === ':host') as Pseudo | undefined;
  const rest = nodes.filter((node) => node !== host);
  const end = rest.findIndex(isPseudoElement);
  const before = end < 0 ? rest : rest.slice(0, end);
  const after = end < 0 ? [] : rest.slice(end);
  const isNested = nodes.some((node) => node.type === 'nesting');
  const own = host ? hostMark(host, mark) : isNested ? '' : mark;
  return `${before.map((node) => markInside(node, mark)).join('')}${own}${after.map(text).join('')}`;
}

/** `:host(.x)` is an outermost element with `.x`. */
function hostMark(host: Pseudo, mark: string): string {
  const outer = mark.replace('data-in=', 'data-in-host=');
  return host.nodes.length === 0 ? outer : `:is(${host.nodes.map(text).join(',')})${outer}`;
}

/** In `:has()` all parts are marked; in `:is()`, `:where()` and `:not()` those that are not the element itself. */
function markInside(node: Node, mark: string): string {
  if (node.type !== 'pseudo' || !/^:(has|is|where|not)$/.test(node.value)) return text(node);
  const inner = node.nodes.map((selector) => {
    const isPlain = !selector.some((part) => part.type === 'combinator');
    return node.value !== ':has' && isPlain ? text(selector) : markSelector(selector, mark);
  });
  return `${node.value}(${inner.join(',')})`;
}

function isPseudoElement(node: Node): boolean {
  return node.type === 'pseudo' && /^(::|:(before|after|first-line|first-letter)$)/.test(node.value);
}

function text(node: Node): string {
  return node.toString().trim();
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
