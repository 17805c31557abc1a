import { featured } from './featured.js';
import type { Feature, Instance } from './instance.js';
import type { Live } from './live.js';
import type { Containing } from './register.js';
import { sheetIn } from './sheets.js';

/** Style sheets of a page: URLs of files, or constructed sheets. */
export type PageSheets = readonly (string | URL | CSSStyleSheet)[];

/** Options of `register`. */
export interface SheetOptions {
  /** Style sheets that all shadow roots share, such as a CSS framework. */
  readonly sheets?: PageSheets;
}

/** Sheets by their address: each is loaded once, and all shadow roots share the one object. */
const known = new Map<string, CSSStyleSheet>();
/** Sheets on their way: each comes to whether it is there. */
const loadings = new Map<CSSStyleSheet, Promise<boolean>>();

/** The sheet behind an address: out of the page's own link to it where there is one, else loaded. */
function sheetAt(address: string | URL, root: ShadowRoot): CSSStyleSheet {
  const href = new URL(address, root.baseURI).href;
  let sheet = known.get(href);
  if (!sheet) {
    sheet = new CSSStyleSheet({ baseURL: href });
    known.set(href, sheet);
    const linked = [...sheetsOf(document), ...root.styleSheets].find((one) => one.href === href);
    const text = linked && rulesOf(linked);
    if (text !== undefined) sheet.replaceSync(text);
    else void loadings.set(sheet, load(href, sheet));
  }
  return sheet;
}

/** A page's sheets, whatever its images and frames are called. */
function sheetsOf(page: Document): StyleSheetList {
  return Object.getOwnPropertyDescriptor(Document.prototype, 'styleSheets')?.get?.call(page);
}

/** The rules of a sheet that the page has loaded; nothing where it may not be read, being another site's. */
function rulesOf(sheet: CSSStyleSheet): string | undefined {
  try {
    return Array.from(sheet.cssRules, (rule) => (rule instanceof CSSImportRule ? '' : rule.cssText)).join(
      '\n',
    );
  } catch {
    return undefined;
  }
}

async function load(href: string, sheet: CSSStyleSheet): Promise<boolean> {
  try {
    const answer = await fetch(href);
    if (!answer.ok) throw new Error(`${answer.status} ${answer.statusText}`);
    sheet.replaceSync(await answer.text());
    loadings.delete(sheet);
    return true;
  } catch (thrown) {
    console.error(`The style sheet ${href} cannot be loaded:`, thrown);
    return false;
  }
}

/** Gives shadow roots the sheets of a page, before the rules of their own components. */
export function lookOf(sheets: PageSheets): (instance: Instance) => void {
  return ({ host }) => {
    const root = host.shadowRoot as ShadowRoot;
    const given = sheets.map((one) => sheetIn(root, one instanceof CSSStyleSheet ? one : sheetAt(one, root)));
    root.adoptedStyleSheets = [...given, ...root.adoptedStyleSheets.filter((one) => !given.includes(one))];
    for (const link of root.querySelectorAll<HTMLLinkElement>('link[data-sheet]')) {
      link.remove();
      // What a server linked has done its work once the sheet is there. Until then it stands behind what is hydrated.
      const loading = loadings.get(known.get(link.href) as CSSStyleSheet);
      if (!loading) continue;
      queueMicrotask(() => root.append(link));
      void loading.then((isThere) => isThere && link.remove());
    }
  };
}

/** A feature of elements whose page may have sheets for them. */
export function looked(instance: Instance): Feature {
  const look = (): void => instance.live.look?.(instance);
  look();
  return { enter: look };
}

/** Components that get the sheets of a page, and with each those in its template. */
export function sharing({ sheets = [] }: SheetOptions, ...all: readonly Live[]): readonly Live[] {
  share(all, lookOf(sheets), new Set());
  return all;
}

function share(all: readonly Live[], look: (instance: Instance) => void, seen: Set<Live>): void {
  for (const live of all) {
    if (seen.has(live)) continue;
    seen.add(live);
    const parts = live.features?.parts ?? [];
    if (!parts.includes(looked)) live.features = featured(...parts, looked);
    live.look = look;
    for (const member of live.members ?? []) {
      const { others } = member as Partial<Containing>;
      if (others) share(others(), look, seen);
    }
  }
}
