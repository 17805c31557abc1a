import type { ComponentCore } from '../component/index.js';
import { isMarkedInShadow, markSelectors, marksIn, type SelectorMarks } from '../plan/index.js';

/**
 * A component's rules as a style sheet of a page, where it stands in another's shadow root without one of its own: the
 * same rules as in HTML text, made with the browser's own reading of them (https://drafts.csswg.org/cssom/).
 */
export function scopedSheet({ name, styles }: ComponentCore): () => CSSStyleSheet {
  return () => marked(styles, name, marksIn(name));
}

/** The same for its own shadow root: rules as they are written, unless something stands there that is not its own. */
export function ownSheet(component: ComponentCore): () => CSSStyleSheet {
  const { name, styles } = component;
  const { own } = marksIn(name);
  return () => marked(styles, name, isMarkedInShadow(component) ? { own, host: undefined } : undefined);
}

function marked(css: string, name: string, marks: SelectorMarks | undefined): CSSStyleSheet {
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(css);
  if (!marks) return sheet;
  const keyframes = new Set<string>();
  const visit = ({ cssRules }: CSSStyleSheet | CSSGroupingRule | CSSStyleRule, isNested: boolean): void => {
    for (const rule of cssRules) {
      if (rule instanceof CSSKeyframesRule) {
        keyframes.add(rule.name);
        rule.name = `${name}-${rule.name}`;
        continue;
      }
      if (rule instanceof CSSStyleRule) {
        rule.selectorText = markSelectors(rule.selectorText, marks, isNested);
        visit(rule, true);
      } else if (rule instanceof CSSGroupingRule) visit(rule, isNested);
    }
  };
  visit(sheet, false);
  if (keyframes.size > 0) renameAnimations(sheet, name, keyframes);
  return sheet;
}

function renameAnimations(
  around: CSSStyleSheet | CSSGroupingRule | CSSStyleRule,
  name: string,
  keyframes: ReadonlySet<string>,
): void {
  for (const rule of around.cssRules) {
    if (rule instanceof CSSStyleRule && rule.style.animationName !== '')
      rule.style.animationName = rule.style.animationName.replace(/[\w-]+/g, (word) =>
        keyframes.has(word) ? `${name}-${word}` : word,
      );
    if (rule instanceof CSSGroupingRule || rule instanceof CSSStyleRule)
      renameAnimations(rule, name, keyframes);
  }
}
