/** Media types whose documents run script when a `data:` URL of theirs is opened, framed or loaded, as patterns. */
const scripted = [
  'text/html',
  'text/xml',
  'text/xsl',
  'application/xml',
  'application/[\\w.-]+\\+xml',
  'image/svg\\+xml',
  '\\w+/(?:x-)?(?:java|ecma)script',
  'multipart/',
];
const scriptedTypes = /* @__PURE__ */ new RegExp(`^(?:${scripted.join('|')})`);

/**
 * Whether a URL carries script. The URL standard drops tabs and line breaks anywhere, and control characters and
 * spaces at the start, before it reads the scheme (https://url.spec.whatwg.org/#concept-basic-url-parser), so the
 * same is done here. A `data:` URL without a media type is text; one whose type can run script counts as script.
 */
export function isScriptUrl(url: string): boolean {
  // The quick way out: a scheme needs a colon, and these two schemes, or data:, have to stand before it.
  const colon = url.indexOf(':');
  if (colon < 0) return false;
  const scheme = schemeOf(url, colon);
  if (scheme === 'javascript' || scheme === 'vbscript') return true;
  if (scheme !== 'data') return false;
  const rest = url
    .slice(colon + 1)
    .replace(/[\t\n\r]/g, '')
    .trimStart()
    .toLowerCase();
  return scriptedTypes.test(rest);
}

/** Whether a value is text in which no URL has a scheme: that would need a colon. */
export function hasNoScheme(value: unknown): boolean {
  return typeof value === 'string' && !value.includes(':');
}

/** Whether a value is a URL that holds nothing but an address, as most are; others have to be looked at more closely. */
export function isPlainUrl(value: unknown): value is string {
  if (typeof value !== 'string') return false;
  // A slash at its start.
  return (
    value.charCodeAt(0) === 47 ||
    hasNoScheme(value) ||
    value.startsWith('https:') ||
    value.startsWith('http:')
  );
}

/** Whether a URL holds what it names: as a script's source any of it may run, whatever it says it is. */
export function isDataUrl(url: string): boolean {
  const colon = url.indexOf(':');
  return colon >= 0 && schemeOf(url, colon) === 'data';
}

function schemeOf(url: string, colon: number): string {
  return url
    .slice(0, colon)
    .replace(/^[\0- ]+/, '')
    .replace(/[\t\n\r]/g, '')
    .toLowerCase();
}

/**
 * A pattern of the URLs that carry no script, by the same rules, for tools that know patterns alone (ECMA-262, with the
 * flag `u`).
 */
export const safeUrlPattern: string = /* @__PURE__ */ safePattern();

function safePattern(): string {
  const dropped = '[\\t\\n\\r]*';
  // Any case, and what a parser drops between any two signs.
  const spaced = (pattern: string): string =>
    pattern.replace(
      /(\[\\w\.-\]\+|\\w\+)|(\(\?:|\)\??|\|)|(\\?.)/g,
      (all, several?: string, group?: string, sign = '') => {
        if (several !== undefined) return `[${several === '\\w+' ? '\\w' : '\\w.\\-'}\\t\\n\\r]+`;
        if (group !== undefined) return group;
        return (/^[a-z]$/.test(sign) ? `[${sign}${sign.toUpperCase()}]` : all) + dropped;
      },
    );
  const scripts = [spaced('javascript:'), spaced('vbscript:')];
  const documents = `${spaced('data:')}\\s*(?:${scripted.map(spaced).join('|')})`;
  return `^(?![\\u0000- ]*(?:${[...scripts, documents].join('|')}))`;
}
