import { type Finding, finding } from '../../problem/index.js';
import { attributeIn, type HtmlElement, setAttribute } from './tree.js';

/** Attributes that are an address (https://html.spec.whatwg.org/#attributes-3), with what only mails have. */
const addresses = ['href', 'src', 'background', 'action', 'formaction', 'poster', 'cite', 'data', 'longdesc'];

/** What leads somewhere from a mail: a whole address, a part of the mail itself, a place in it. */
const isWhole = (url: string): boolean => /^\s*(?:https?:|mailto:|tel:|sms:|cid:|data:|#|$)/i.test(url);

/** Resolves the addresses of an element, its pictures in rules among them; what leads nowhere without a base is told. */
export function addressFaults(element: HtmlElement, base: string | URL | undefined): readonly Finding[] {
  const faults: Finding[] = [];
  const fit = (name: string, url: string): string => {
    if (isWhole(url)) return url;
    const whole = base === undefined ? undefined : resolvedUrl(url, base);
    if (whole === undefined) faults.push(unfit(name, url));
    return whole ?? url;
  };
  for (const name of addresses) {
    const url = attributeIn(element, name);
    if (url === undefined) continue;
    const fitting = fit(name, url);
    if (fitting !== url) setAttribute(element, name, fitting);
  }
  const sources = attributeIn(element, 'srcset');
  if (sources !== undefined)
    setAttribute(
      element,
      'srcset',
      inSources(sources, (url) => fit('srcset', url)),
    );
  const style = attributeIn(element, 'style');
  if (style?.includes('url('))
    setAttribute(
      element,
      'style',
      inRules(style, (url) => fit('style', url)),
    );
  return faults;
}

/** Rules whose addresses are resolved. */
export const withBase = (css: string, base: string | URL): string =>
  inRules(css, (url) => (isWhole(url) ? url : (resolvedUrl(url, base) ?? url)));

function resolvedUrl(url: string, base: string | URL): string | undefined {
  try {
    return new URL(url, base).href;
  } catch {
    return undefined;
  }
}

/** The candidates of a `srcset` (https://html.spec.whatwg.org/#parse-a-srcset-attribute): each starts with its address. */
function inSources(text: string, change: (url: string) => string): string {
  let changed = '';
  let at = 0;
  /** What fits from here on. */
  const taken = (pattern: RegExp): string => {
    pattern.lastIndex = at;
    const [found = ''] = pattern.exec(text) ?? [];
    at += found.length;
    return found;
  };
  while (at < text.length) {
    changed += taken(/[\s,]*/y);
    const whole = taken(/\S*/y);
    let end = whole.length;
    while (whole[end - 1] === ',') end--;
    changed += whole === '' ? '' : change(whole.slice(0, end)) + whole.slice(end);
    // A comma behind the address ends the candidate; else its descriptors follow.
    if (end === whole.length) changed += taken(/[^,]*/y);
  }
  return changed;
}

const inRules = (css: string, change: (url: string) => string): string =>
  css.replace(
    /\burl\(\s*(?:"([^"\n]*)"|'([^'\n]*)'|([^"')\s]+))\s*\)/gi,
    (all, ...parts: (string | undefined)[]) => {
      const url = parts[0] ?? parts[1] ?? parts[2] ?? '';
      const changed = change(url);
      return changed === url ? all : `url("${changed}")`;
    },
  );

function unfit(name: string, url: string): Finding {
  return finding('mail-unfit', {
    fault: `has ${name}="${url.slice(0, 60)}", which leads nowhere from a mail`,
    hint: 'Write the whole address, with https://, or pass the base that such addresses have.',
  });
}
