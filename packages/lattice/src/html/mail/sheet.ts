import type { AtRule, ChildNode, Container, Declaration, Rule } from 'postcss';
import { type Finding, finding } from '../../problem/index.js';
import { parseCss } from '../../styles/index.js';
import { packageOf } from './package-of.js';
import { factsOf, nestedSelectors, type Specificity } from './selectors.js';
import { type HtmlElement, selectAdapter } from './tree.js';

/** A declaration that elements get. */
export interface MailDeclaration {
  readonly name: string;
  readonly value: string;
  readonly isImportant: boolean;
}

/** Declarations of one selector, in the order in which they win over those before. */
export interface MailRule {
  readonly fits: (element: HtmlElement) => boolean;
  readonly declarations: readonly MailDeclaration[];
}

/** The rules of a mail, read once for all mails that have the same. */
export interface MailSheet {
  /** Those that go into elements: what comes later wins. */
  readonly rules: readonly MailRule[];
  /** Those that win over all that are not important, in the same way. */
  readonly important: readonly MailRule[];
  /** What can only stand in a style element. */
  readonly rest: string;
  readonly findings: readonly Finding[];
}

interface Select {
  compile(selector: string, options: object): (element: HtmlElement) => boolean;
}

/** Where a rule stands. */
interface Around {
  /** What the rule around it selects. */
  readonly outer: readonly string[] | undefined;
  /** The conditions around it, such as `@media print`. */
  readonly conditions: readonly string[];
  /** The numbers of the layers around it, from the outermost. */
  readonly layer: readonly number[];
}

interface Found {
  readonly selector: string;
  readonly layer: readonly number[];
  readonly specificity: Specificity;
  readonly order: number;
  readonly declarations: readonly MailDeclaration[];
}

/** How many sheets are kept: a program sends mails of few kinds. */
const mostKept = 32;
const kept = new Map<string, MailSheet>();

/** What is to be done with the rules of a mail, each of whose style elements is read for itself. */
export function mailSheet(texts: readonly string[]): MailSheet {
  const key = texts.join('\0');
  const known = kept.get(key) ?? new Reading().sheet(texts);
  kept.delete(key);
  kept.set(key, known);
  const [oldest] = kept.keys();
  if (oldest !== undefined && kept.size > mostKept) kept.delete(oldest);
  return known;
}

/** Rules for a condition, or of a name: they stay in a style element. */
const conditional = new Set(['media', 'supports', 'container', 'scope', 'starting-style', 'document']);
const named = new Set(['font-face', 'keyframes', '-webkit-keyframes', 'property', 'counter-style']);

class Reading {
  readonly found: Found[] = [];
  readonly rest: { readonly conditions: readonly string[]; readonly css: string }[] = [];
  readonly findings: Finding[] = [];
  readonly #layers = new Map<string, number>();
  readonly #said = new Set<string>();

  sheet(texts: readonly string[]): MailSheet {
    for (const css of texts) this.read(css);
    const { compile } = packageOf<Select>('css-select');
    const readable: (Found & MailRule)[] = [];
    for (const one of this.found) {
      try {
        readable.push({ ...one, fits: compile(one.selector, { adapter: selectAdapter }) });
      } catch {
        this.unfit(
          `rules for "${shown(one.selector)}", which are left out`,
          'Write the selector in another way.',
        );
      }
    }
    const part = (isImportant: boolean): MailRule[] =>
      [...readable]
        .sort((a, b) => before(a, b, isImportant))
        .map(({ declarations, fits }) => ({
          fits,
          declarations: declarations.filter((one) => one.isImportant === isImportant),
        }))
        .filter(({ declarations }) => declarations.length > 0);
    return { rules: part(false), important: part(true), rest: restText(this.rest), findings: this.findings };
  }

  read(css: string): void {
    let root: Container;
    try {
      root = parseCss(css);
    } catch (thrown) {
      return this.unfit(
        `rules that cannot be read: ${(thrown as Error).message}`,
        'Fix the rule. Those of its style element are left out with it.',
      );
    }
    this.walk(root.nodes ?? [], { outer: undefined, conditions: [], layer: [] });
  }

  walk(nodes: readonly ChildNode[], around: Around): void {
    let own: Declaration[] = [];
    const end = (): void => {
      if (own.length > 0 && around.outer) this.declare(around.outer, own, around);
      own = [];
    };
    for (const node of nodes) {
      if (node.type === 'decl') own.push(node);
      else if (node.type !== 'comment') {
        end();
        if (node.type === 'rule') this.rule(node, around);
        else this.atRule(node, around);
      }
    }
    end();
  }

  rule(rule: Rule, around: Around): void {
    const outer = around.outer ? nestedSelectors(around.outer, rule.selectors) : rule.selectors;
    this.walk(rule.nodes, { ...around, outer });
  }

  atRule(rule: AtRule, around: Around): void {
    const name = rule.name.toLowerCase();
    if (name === 'layer') return this.layer(rule, around);
    if (named.has(name)) this.rest.push({ conditions: around.conditions, css: String(rule) });
    else if (conditional.has(name)) {
      if (name !== 'media')
        this.unfit(
          `rules in @${name}, which few mail programs read`,
          'They stay in a style element. Write what has to be seen without them.',
        );
      const condition = `@${name} ${rule.params}`;
      this.walk(rule.nodes ?? [], { ...around, conditions: [...around.conditions, condition] });
    } else if (name === 'import')
      this.unfit(
        '@import, which no mail program follows',
        'Put the imported rules in. The line was left out.',
      );
    else if (name === 'nest' && around.outer) this.walk(rule.nodes ?? [], around);
    else if (name !== 'charset' && name !== 'namespace')
      this.unfit(`@${name}, which no mail program knows`, 'It was left out.');
  }

  /** Layers come in the order of their first mention (https://drafts.csswg.org/css-cascade-5/#layer-ordering). */
  layer({ nodes, params }: AtRule, around: Around): void {
    const names = params === '' ? [`@${this.#layers.size}`] : params.split(',').map((one) => one.trim());
    for (const name of names) {
      const layer = [...around.layer];
      for (const part of name.split('.')) {
        const key = `${layer.join('.')}/${part}`;
        const known = this.#layers.get(key) ?? this.#layers.size;
        this.#layers.set(key, known);
        layer.push(known);
      }
      if (nodes) this.walk(nodes, { ...around, layer });
    }
  }

  declare(selectors: readonly string[], own: readonly Declaration[], around: Around): void {
    const declarations = own.map(({ important = false, prop, value }) => ({
      name: prop.startsWith('--') ? prop : prop.toLowerCase(),
      value: onOneLine(value),
      isImportant: important,
    }));
    for (const selector of selectors) {
      const { specificity, stays } = factsOf(selector);
      if (around.conditions.length > 0 || stays) {
        if (stays === 'part')
          this.unfit(
            `rules for "${shown(selector)}", which few mail programs show`,
            'They stay in a style element. Write an element in place of the part.',
          );
        this.rest.push({
          conditions: around.conditions,
          css: `${unmarked(selector)} { ${important(declarations)} }`,
        });
      } else {
        const order = this.found.length;
        this.found.push({ selector, layer: around.layer, specificity, order, declarations });
      }
    }
  }

  unfit(what: string, hint: string): void {
    if (this.#said.has(what)) return;
    this.#said.add(what);
    this.findings.push(finding('mail-unfit', { fault: `has ${what}`, hint }));
  }
}

/** Text whose lines stand in one. */
export const onOneLine = (text: string): string =>
  text
    .split('\n')
    .map((line) => line.trim())
    .join(' ')
    .trim();

const shown = (selector: string): string =>
  selector.replace(/(?::where\()?\[data-in[^\]]*\]\)?/g, '').slice(0, 60);

/** Mail programs do not know `:where()`: the marks of components count there. */
const unmarked = (selector: string): string =>
  selector
    .replace(/:where\((\[data-in[^()]*\])\)/g, '$1')
    .replace(/:where\(([^()]*\[data-in[^()]*\])\)/g, '$1');

/** Declarations as they win over those in elements, which they did as rules. */
const important = (declarations: readonly MailDeclaration[]): string =>
  declarations.map(({ name, value }) => `${name}: ${value} !important`).join('; ');

/** Rules in a row that stand in the same conditions are written in them once. */
function restText(rest: Reading['rest']): string {
  let text = '';
  let open: readonly string[] = [];
  for (const { conditions, css } of rest) {
    if (conditions.join() !== open.join()) {
      text += `${'}'.repeat(open.length)}\n${conditions.map((one) => `${one} {`).join(' ')}`;
      open = conditions;
    }
    text += `\n${css}`;
  }
  return `${text}${'}'.repeat(open.length)}`.trim();
}

/** Whether one rule comes before another (https://drafts.csswg.org/css-cascade-5/#cascade-sort): the last one wins. */
function before(a: Found, b: Found, isImportant: boolean): number {
  const layers = comparedLayers(a.layer, b.layer);
  if (layers !== 0) return isImportant ? -layers : layers;
  const [x, y] = [a.specificity, b.specificity];
  return x[0] - y[0] || x[1] - y[1] || x[2] - y[2] || a.order - b.order;
}

/** What stands in no layer, or directly in one, comes after what stands in layers there. */
function comparedLayers(a: readonly number[], b: readonly number[]): number {
  for (let at = 0; at < Math.max(a.length, b.length); at++) {
    const difference = (a[at] ?? Number.MAX_SAFE_INTEGER) - (b[at] ?? Number.MAX_SAFE_INTEGER);
    if (difference !== 0) return difference;
  }
  return 0;
}
