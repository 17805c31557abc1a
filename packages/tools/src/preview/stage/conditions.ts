// A page cannot have another one think that its reader wants dark colours or less motion: the conditions of its rules
// are changed instead (https://www.w3.org/TR/mediaqueries-5/#mf-user-preferences).

export interface Wishes {
  readonly scheme: 'light' | 'dark';
  /** As for a reader who wants less motion; else as the browser says. */
  readonly isStill: boolean;
}

const asked = /\(\s*prefers-(color-scheme|reduced-motion)\s*(?::\s*([\w-]+)\s*)?\)/gi;

/** Any width is at least none: a condition that always holds, and one that never does. */
const always = '(min-width: 0px)';
const never = '(max-width: 0px)';

let now: Wishes = { scheme: 'light', isStill: false };

function emulated(media: string): string {
  return media.replace(asked, (all, what: string, wanted?: string) => {
    if (what.toLowerCase() === 'color-scheme')
      return wanted === undefined || wanted === now.scheme ? always : never;
    if (!now.isStill) return all;
    return wanted === 'no-preference' ? never : always;
  });
}

/** Conditions as they were written. */
const written = new WeakMap<MediaList, string>();

/** Has the page's rules hold as for a reader with these wishes, now and when others come. */
export function wish(wishes: Wishes): void {
  now = wishes;
  document.documentElement.style.colorScheme = wishes.scheme;
  look();
}

function look(): void {
  for (const sheet of sheetsIn(document)) everyRule(sheet);
}

new MutationObserver(() => requestAnimationFrame(look)).observe(document, { childList: true, subtree: true });
// Elements bring rules of their own, which no one outside hears of.
addEventListener('lattice-registered', () => requestAnimationFrame(look));
const { matchMedia } = window;
window.matchMedia = (query) => matchMedia.call(window, emulated(query));

function* sheetsIn(root: Document | ShadowRoot): Generator<CSSStyleSheet> {
  yield* root.styleSheets;
  yield* root.adoptedStyleSheets;
  for (const element of root.querySelectorAll('*'))
    if (element.shadowRoot) yield* sheetsIn(element.shadowRoot);
}

function everyRule(group: CSSStyleSheet | CSSGroupingRule): void {
  for (const rule of rulesOf(group)) {
    if (rule instanceof CSSMediaRule) settle(rule.media);
    if (rule instanceof CSSGroupingRule) everyRule(rule);
  }
}

function rulesOf(group: CSSStyleSheet | CSSGroupingRule): Iterable<CSSRule> {
  try {
    return group.cssRules;
  } catch {
    // A sheet from elsewhere, which a page may not read (https://drafts.csswg.org/cssom/#dom-cssstylesheet-cssrules).
    return [];
  }
}

function settle(media: MediaList): void {
  const own = written.get(media) ?? media.mediaText;
  const wanted = emulated(own);
  written.set(media, own);
  if (wanted !== own || media.mediaText !== own) media.mediaText = wanted;
}
