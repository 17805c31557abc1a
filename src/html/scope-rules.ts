import * as csstree from 'css-tree';
import { type Finding, finding } from '../problem/index.js';

/** A component's rules, rewritten for markup without shadow roots, and what could not be carried over. */
export interface ScopedRules {
  readonly css: string;
  readonly findings: readonly Finding[];
}

/**
 * Keeps rules to the elements a component's template has written: each part of each selector gets the component's
 * mark, in `:where()` so that it weighs nothing. That is what a shadow root does, where an outside element is never
 * matched, neither as the subject nor on the way to it (https://www.w3.org/TR/css-scoping-1/#selectors-data-model).
 * `:host` stands for the template's outermost elements; names of keyframes get the component's name in front.
 */
export function scopeRules(css: string, name: string): ScopedRules {
  const findings: Finding[] = [];
  const report = (fault: string, hint: string): void => {
    findings.push(finding('styles-invalid', { component: name, fault, hint }));
  };
  const sheet = csstree.parse(css, {
    positions: true,
    parseValue: false,
    onParseError: (error) => {
      report(
        `cannot be read: ${error.message}, line ${error.line}`,
        'Mend the rule; what cannot be read is left out.',
      );
    },
  });
  const mark = `:where([data-in="${name}"])`;
  const frames = keyframeNames(sheet);
  csstree.walk(sheet, {
    enter(this: csstree.WalkContext, node: csstree.CssNode, item: Item, list: csstree.List<csstree.CssNode>) {
      if (node.type === 'Atrule' && node.name === 'import') {
        report(
          'hold @import, which no component may',
          'Put the imported rules into the component, or load them for the whole page.',
        );
        list?.remove(item);
      }
      if (node.type === 'Atrule' && /^(-\w+-)?keyframes$/.test(node.name)) renameKeyframes(node, name);
      if (node.type === 'Declaration' && /^(-\w+-)?animation(-name)?$/.test(node.property)) {
        renameUses(node, frames, name);
      }
      if (node.type === 'Rule' && !isInKeyframes(this.atrule) && node.prelude.type === 'SelectorList') {
        markList(node.prelude, mark, report);
      }
    },
  });
  return { css: csstree.generate(sheet), findings };
}

type Item = csstree.ListItem<csstree.CssNode>;

function isInKeyframes(atrule: csstree.Atrule | null): boolean {
  return atrule !== null && /keyframes$/.test(atrule.name);
}

type ReportFault = (fault: string, hint: string) => void;

function markList(selectors: csstree.SelectorList, mark: string, report: ReportFault): void {
  selectors.children.forEach((selector, item) => {
    if (selector.type !== 'Selector') return;
    if (csstree.find(selector, (node) => node.type === 'PseudoElementSelector' && node.name === 'slotted')) {
      report(
        'reach into slot content with ::slotted',
        'Style content where it is written; the rule has no effect in markup.',
      );
      selectors.children.remove(item);
      return;
    }
    item.data = csstree.parse(markSelector(selector, mark), { context: 'selector' }) as csstree.Selector;
  });
}

/** A complex selector with the mark on each of its compounds. */
function markSelector(selector: csstree.Selector, mark: string): string {
  const parts: csstree.CssNode[][] = [[]];
  const combinators: string[] = [];
  selector.children.forEach((node) => {
    if (node.type === 'Combinator') {
      combinators.push(node.name);
      parts.push([]);
    } else parts.at(-1)?.push(node);
  });
  return parts
    .map(
      (compound, at) =>
        (at === 0 ? '' : spaced(combinators[at - 1] ?? ' ', at === 1 && parts[0]?.length === 0)) +
        markCompound(compound, mark),
    )
    .join('');
}

function spaced(combinator: string, leads: boolean): string {
  return combinator === ' ' ? ' ' : leads ? `${combinator} ` : ` ${combinator} `;
}

/** The mark goes before pseudo-elements and behind everything else; `&` stands for what is marked already. */
function markCompound(compound: readonly csstree.CssNode[], mark: string): string {
  if (compound.length === 0 || compound[0]?.type === 'NestingSelector') return compound.map(text).join('');
  const host = compound.find((node) => node.type === 'PseudoClassSelector' && node.name === 'host');
  const rest = compound.filter((node) => node !== host);
  const own = host ? hostMark(host, mark) : mark;
  const end = rest.findIndex((node) => node.type === 'PseudoElementSelector' || isOldPseudoElement(node));
  const before = end < 0 ? rest : rest.slice(0, end);
  const after = end < 0 ? [] : rest.slice(end);
  const inside = before.map((node) => markInside(node, mark)).join('');
  return `${inside}${own}${after.map(text).join('')}`;
}

/** `:host(.x)` is an outermost element with `.x`. */
function hostMark(host: csstree.CssNode, mark: string): string {
  const outer = mark.replace('data-in=', 'data-in-host=');
  const inner =
    host.type === 'PseudoClassSelector' && host.children ? host.children.toArray().map(text).join('') : '';
  return inner === '' ? outer : `:is(${inner})${outer}`;
}

/** In `:has()` all parts are marked; in `:is()`, `:where()` and `:not()` those that are not the element itself. */
function markInside(node: csstree.CssNode, mark: string): string {
  if (node.type !== 'PseudoClassSelector' || !node.children || !/^(has|is|where|not)$/.test(node.name))
    return text(node);
  const lists = node.children.toArray().map((list) => {
    if (list.type !== 'SelectorList') return text(list);
    return list.children
      .toArray()
      .map((selector) => {
        if (selector.type !== 'Selector') return text(selector);
        const plain = !selector.children.some((part) => part.type === 'Combinator');
        return node.name !== 'has' && plain ? text(selector) : markSelector(selector, mark);
      })
      .join(',');
  });
  return `:${node.name}(${lists.join('')})`;
}

function isOldPseudoElement(node: csstree.CssNode): boolean {
  return node.type === 'PseudoClassSelector' && /^(before|after|first-line|first-letter)$/.test(node.name);
}

function text(node: csstree.CssNode): string {
  return csstree.generate(node);
}

function keyframeNames(sheet: csstree.CssNode): ReadonlySet<string> {
  const names = new Set<string>();
  csstree.walk(sheet, (node) => {
    if (node.type === 'Atrule' && /^(-\w+-)?keyframes$/.test(node.name) && node.prelude)
      names.add(text(node.prelude));
  });
  return names;
}

function renameKeyframes(node: csstree.Atrule, name: string): void {
  if (node.prelude) node.prelude = { type: 'Raw', value: `${name}-${text(node.prelude)}` };
}

function renameUses(node: csstree.Declaration, frames: ReadonlySet<string>, name: string): void {
  const renamed = text(node.value).replace(/[\w-]+/g, (word) =>
    frames.has(word) ? `${name}-${word}` : word,
  );
  node.value = { type: 'Raw', value: renamed };
}
