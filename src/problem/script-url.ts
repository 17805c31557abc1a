/** Media types whose documents run script when a `data:` URL of theirs is opened, framed or loaded. */
const scriptedTypes =
  /^(text\/html|text\/xml|application\/xml|application\/[\w.-]+\+xml|image\/svg\+xml|\w+\/(x-)?(java|ecma)script|multipart\/)/;

/**
 * Whether a URL carries script. The URL standard drops tabs and line breaks anywhere, and control characters and
 * spaces at the start, before it reads the scheme (https://url.spec.whatwg.org/#concept-basic-url-parser), so the
 * same is done here. A `data:` URL without a media type is text; one whose type can run script counts as script.
 */
export function isScriptUrl(url: string): boolean {
  // The quick way out: a scheme needs a colon, and these two schemes, or data:, have to stand before it.
  const colon = url.indexOf(':');
  if (colon < 0) return false;
  const scheme = url
    .slice(0, colon)
    .replace(/^[\0- ]+/, '')
    .replace(/[\t\n\r]/g, '')
    .toLowerCase();
  if (scheme === 'javascript' || scheme === 'vbscript') return true;
  if (scheme !== 'data') return false;
  const rest = url
    .slice(colon + 1)
    .replace(/[\t\n\r]/g, '')
    .trimStart()
    .toLowerCase();
  return scriptedTypes.test(rest);
}
