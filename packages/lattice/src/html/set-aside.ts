import { lineEaters, rawTextElements, valueEnd } from '../template/index.js';

/** A node of a parsed document. */
export interface HtmlNode {
  readonly nodeName: string;
  tagName?: string;
  value?: string;
  data?: string;
  attrs?: { name: string; value: string }[];
  childNodes?: HtmlNode[];
  content?: HtmlNode;
}

/** What a value may hold and still mean the same to every reader of HTML and CSS: no quotes, brackets, braces or escapes. */
const isPlain = (text: string): boolean => /^[\p{L}\p{N} \t\n_.,:;#%/?=()+*@~!|$^-]*$/u.test(text);

/**
 * Texts of a document that are replaced by tokens while another program works on the document, so that no text can mean
 * anything to that program.
 */
export class SetAside {
  readonly #texts: string[] = [];
  readonly #prefix: string;

  /** @param whole the document's HTML: no token occurs in it */
  constructor(whole: string) {
    let prefix = 'x-kept-';
    for (let n = 0; whole.includes(prefix); n++) prefix = `x-kept${n}-`;
    this.#prefix = prefix;
  }

  /** Replaces texts, comments, attribute values and values of inline styles by tokens wherever they are more than words. */
  take(node: HtmlNode): void {
    for (const child of this.#inside(node)) {
      const isRaw = rawTextElements.has(node.tagName ?? '');
      if (child.nodeName === '#text' && child.value !== undefined && !isRaw)
        child.value =
          /^[ \t\n]*$/.test(child.value) && !lineEaters.has(node.tagName ?? '')
            ? child.value
            : this.#token(child.value);
      if (child.nodeName === '#comment' && child.data !== undefined) child.data = this.#token(child.data);
      for (const one of child.attrs ?? []) {
        if (isPlain(one.value)) continue;
        one.value = one.name === 'style' ? this.#style(one.value) : this.#token(one.value);
      }
      this.take(child);
    }
  }

  /** Replaces the tokens by the texts. */
  restore(node: HtmlNode): void {
    for (const child of this.#inside(node)) {
      if (child.value !== undefined && !rawTextElements.has(node.tagName ?? ''))
        child.value = this.#restored(child.value);
      if (child.data !== undefined) child.data = this.#restored(child.data);
      for (const one of child.attrs ?? []) one.value = this.#restored(one.value);
      this.restore(child);
    }
    const first = node.childNodes?.[0];
    // A parser drops the first line break in these elements (https://html.spec.whatwg.org/#parsing-main-inbody, "pre").
    if (lineEaters.has(node.tagName ?? '') && first?.value?.startsWith('\n'))
      first.value = `\n${first.value}`;
  }

  #inside(node: HtmlNode): readonly HtmlNode[] {
    return [...(node.childNodes ?? []), ...(node.content ? [node.content] : [])];
  }

  #token(text: string): string {
    return `${this.#prefix}${this.#texts.push(text) - 1}-`;
  }

  #restored(text: string): string {
    if (!text.includes(this.#prefix)) return text;
    const token = new RegExp(`${this.#prefix}(\\d+)-`, 'g');
    return text.replace(token, (_, index: string) => this.#texts[Number(index)] ?? '');
  }

  /** An inline style in which each value that is more than words is a token. */
  #style(text: string): string {
    let out = '';
    for (let at = 0; at < text.length; ) {
      const colon = text.indexOf(':', at);
      const end = colon < 0 ? undefined : valueEnd(text, colon + 1);
      // What is no list of declarations was not written by a component.
      if (typeof end !== 'number') return this.#token(text);
      const value = text.slice(colon + 1, end).trim();
      out += `${text.slice(at, colon + 1)} ${isPlain(value) ? value : this.#token(value)};`;
      at = end + 1;
      while (/\s/.test(text.charAt(at))) at++;
    }
    return out;
  }
}
