const shows = /[^ \t\n\f\r]/;

/**
 * Whether a text is white space alone, which renders nothing: spaces, tabs and line ends
 * (https://infra.spec.whatwg.org/#ascii-whitespace). A no-break space shows, and is content as any other.
 */
export function isBlank(text: string): boolean {
  // Most texts show with their first character.
  return !(text.charCodeAt(0) > 32) && !shows.test(text);
}

/** Whether HTML text shows anything: comments and white space alone render nothing. */
export function showsMarkup(html: string): boolean {
  for (let at = 0; ; ) {
    const open = html.indexOf('<!--', at);
    if (!isBlank(open < 0 ? html.slice(at) : html.slice(at, open))) return true;
    // `<!-->` ends where it begins (https://html.spec.whatwg.org/#comment-start-state).
    const end = open < 0 ? -1 : html.indexOf('-->', open + 2);
    if (end < 0) return false;
    at = end + 3;
  }
}

/** A text without the white space that it starts with. */
export function trimmedStart(text: string): string {
  let from = 0;
  while (from < text.length && isBlank(text[from] as string)) from++;
  return text.slice(from);
}

/** A text without the white space that it ends with. */
export function trimmedEnd(text: string): string {
  let to = text.length;
  while (to > 0 && isBlank(text[to - 1] as string)) to--;
  return text.slice(0, to);
}

/**
 * Stands in place of a slot's name for white space alone between an element's tags: a browser would show that in place of
 * the fallback. The slot has it as its name meanwhile, since nothing goes to a slot of this name.
 */
export const blankSlot = '(blank)';
