import { type Finding, finding } from '../../problem/index.js';
import { voidElements } from '../../template/index.js';
import { elementMisfit, type Misfit, openName, textMisfit } from '../../tree/index.js';
import { type Hole, hasHole, type Marked, unmarkedFacts } from './holes.js';
import { closedBy, impliedParents, mayStayOpen } from './optional-tags.js';
import { holeInTag } from './parser-words.js';
import type { Places } from './place.js';
import { type EndTag, SAXParser, type StartTag } from './tag-parser.js';

const textElements = /^(script|style|textarea|title)$/;
const pageParts = /^(html|head|body)$/;
const tableParts = /^(caption|colgroup|col|thead|tbody|tfoot|tr|td|th)$/;

interface Open {
  readonly tag: string;
  readonly at: number;
  /** Whether nobody has to close it: the standard put it there, or what is wrong with it is reported already. */
  readonly isExcused?: true;
}

/** What is known of a document that tags stand in; `html`, `head` and `body` may be among them. */
export interface InDocument {
  /** The tags of the elements that stand for a component's tag once it is rendered; undefined for all other tags. */
  readonly rendered: (tag: string) => readonly string[] | undefined;
}

/** Finds tags that do not meet: never closed, closed twice, crossed, closed in themselves, or where a parser moves them. */
export function checkTags(marked: Marked, places: Places, document?: InDocument): readonly Finding[] {
  const check = new TagCheck(marked.holes, places, document);
  const parser = new SAXParser({ sourceCodeLocationInfo: true });
  parser.on('startTag', (tag) => check.start(tag));
  parser.on('endTag', (tag) => check.end(tag));
  parser.on('text', ({ text, sourceCodeLocation: place }) => check.text(text, place?.startOffset ?? 0));
  parser.on('comment', ({ sourceCodeLocation: place }) => check.reach(place?.endOffset ?? 0));
  parser.end(marked.text);
  check.finish(marked.text);
  return check.findings;
}

/** How deep it is looked at what may stand where: each such step looks at all that is open. */
const deepest = 1000;

class TagCheck {
  readonly findings: Finding[] = [];
  readonly places: Places;
  readonly #open: Open[] = [];
  /** Elements that an outer end tag closed too early, each with the place of its finding. */
  readonly #cut = new Map<string, { readonly found: number; readonly outer: string }>();
  /** Paragraphs that a start tag closed, and which one. */
  #closer: { readonly tag: string; readonly at: number } | undefined;
  #read = 0;
  readonly document: InDocument | undefined;

  readonly holes: readonly Hole[];

  constructor(holes: readonly Hole[], places: Places, document: InDocument | undefined) {
    this.holes = holes;
    this.places = places;
    this.document = document;
  }

  /**
   * The open elements that say what may stand here. A `template` keeps its content apart from what is around it
   * (https://html.spec.whatwg.org/#the-template-element), save in SVG, where it is an element like any other.
   */
  get names(): readonly string[] {
    const from = this.#open.findLastIndex((one) => one.tag === 'template');
    return this.#open
      .slice(from + 1)
      .map((one) => one.tag)
      .filter((tag) => tag !== 'svg:template');
  }

  get isInSvg(): boolean {
    return openName('title', this.names) === 'svg:title';
  }

  reach(offset: number): void {
    this.#read = offset;
  }

  start({ tagName, selfClosing, attrs, sourceCodeLocation: place }: StartTag): void {
    const at = place?.startOffset ?? 0;
    this.reach(place?.endOffset ?? at);
    if (hasHole(tagName) || attrs.some(({ name }) => hasHole(name))) return this.holeInTag(tagName, at);
    this.closeBefore(tagName, at);
    // As deep as that, only start and end tags are matched.
    if (this.#open.length > deepest) {
      if (!voidElements.has(tagName) && !selfClosing) this.#open.push({ tag: tagName, at });
      return;
    }
    this.imply(tagName, at);
    const isAnywhere =
      (this.document && pageParts.test(tagName)) || (this.isInSvg && /^(template|slot)$|-/.test(tagName));
    const misfit = isAnywhere ? undefined : this.misfit(tagName);
    if (misfit) this.say('content-not-allowed', { what: `<${tagName}>`, ...misfit }, at);
    if (voidElements.has(tagName)) return;
    if (selfClosing) {
      if (this.isInSvg || tagName === 'svg' || this.names.includes('math')) return;
      this.say('tag-self-closed', { tag: tagName }, at);
      // Whether it was meant to be open is not known: its end tag may come.
      this.#open.push({ tag: tagName, at, isExcused: true });
      return;
    }
    const tag = tagName === 'template' && this.isInSvg ? 'svg:template' : openName(tagName, this.names);
    this.#open.push({ tag, at });
  }

  /** What is wrong with where a tag stands. A component of a document is written where its tag is, whatever a parser does. */
  misfit(tag: string): Misfit | undefined {
    const around = this.names;
    const rendered = this.document?.rendered(tag);
    // What stands in a component's tag is in that component.
    if (this.document?.rendered(around.at(-1) ?? '')) return undefined;
    if (rendered) return rendered.map((one) => elementMisfit(one, around)).find((one) => one !== undefined);
    const misfit = elementMisfit(tag, around);
    const parent = around.at(-1) ?? '';
    if (!misfit) return undefined;
    if (parent.includes('-') && tableParts.test(tag))
      return {
        ...misfit,
        hint: `A parser drops it here. Put it in a template: <template slot="default"><${tag}>…</template>.`,
      };
    if (tag !== 'slot' && !tag.includes('-')) return misfit;
    return {
      ...misfit,
      hint: `A parser moves it. Put it in a template, which stays: <template given="true"><${tag}>…</${tag}></template>.`,
    };
  }

  holeInTag(tagName: string, at: number): void {
    this.say('interpolation-misplaced', holeInTag(hasHole(tagName)), at);
    if (!hasHole(tagName) && !voidElements.has(tagName)) this.#open.push({ tag: tagName, at });
  }

  /** Elements that the standard ends where this start tag comes. */
  closeBefore(tag: string, at: number): void {
    for (let top = this.#open.at(-1); top && closedBy(top.tag, tag); top = this.#open.at(-1)) {
      if (top.tag === 'p') this.#closer = { tag, at };
      this.#open.pop();
    }
  }

  /** Elements whose start tag may be left out before this one. */
  imply(tag: string, at: number): void {
    for (const parent of impliedParents(tag, this.names))
      this.#open.push({ tag: parent, at, isExcused: true });
  }

  text(text: string, at: number): void {
    this.reach(at + text.length);
    if (this.#open.length > deepest) return;
    const misfit = textMisfit(text, this.names);
    if (!misfit) return;
    const lead = /^\s*/.exec(text)?.[0].length ?? 0;
    const what = hasHole(text) ? 'An interpolation' : `The text ${JSON.stringify(text.trim().slice(0, 40))}`;
    this.say('content-not-allowed', { what, ...misfit }, at + lead);
  }

  end({ tagName, sourceCodeLocation: place }: EndTag): void {
    const at = place?.startOffset ?? 0;
    this.reach(place?.endOffset ?? at);
    if (hasHole(tagName)) return this.holeInTag(tagName, at);
    const name = (one: Open): string => one.tag.replace(/^svg:/, '');
    const from = this.#open.findLastIndex((one) => name(one) === tagName);
    if (from < 0) return this.stray(tagName, at);
    for (const one of this.#open.splice(from).slice(1)) {
      if (one.isExcused || mayStayOpen.has(one.tag)) continue;
      this.#cut.set(one.tag, { found: this.findings.length, outer: tagName });
      this.say('tag-unclosed', { tag: name(one), before: `</${tagName}>` }, one.at);
    }
  }

  /** An end tag that ends nothing. It may be the other half of something reported already. */
  stray(tag: string, at: number): void {
    const cut = this.#cut.get(tag);
    if (cut) {
      const first = this.findings[cut.found];
      this.findings[cut.found] = finding('tag-crossed', { tag, outer: cut.outer }, first?.source);
      this.#cut.delete(tag);
      return;
    }
    if (tag === 'p' && this.#closer) {
      const { tag: closer, at: place } = this.#closer;
      this.#closer = undefined;
      const misfit = elementMisfit(closer, ['p']);
      if (misfit) return this.say('content-not-allowed', { what: `<${closer}>`, ...misfit }, place);
    }
    this.say('tag-stray', { tag, isVoid: voidElements.has(tag) }, at);
  }

  finish(text: string): void {
    const rest = text.slice(this.#read);
    const cut = /<\/?[A-Za-z]/.exec(rest);
    if (cut) {
      const tag = /^<\/?([^\s/>]*)/.exec(rest.slice(cut.index))?.[1] ?? '';
      this.say('tag-unfinished', { tag }, this.#read + cut.index);
    }
    // What stands behind the start tag of a text element is its text, end tags of others too.
    const innermost = this.#open.at(-1);
    const isText = innermost && textElements.test(innermost.tag);
    for (const one of isText ? [innermost] : this.#open) {
      if (!one.isExcused && !mayStayOpen.has(one.tag))
        this.say('tag-unclosed', { tag: one.tag, before: '' }, one.at);
    }
  }

  say(...[code, facts, at]: SayArguments): void {
    this.findings.push(finding(code, unmarkedFacts(facts, this.holes) as never, this.places.at(at)));
  }
}

type Codes =
  | 'content-not-allowed'
  | 'tag-self-closed'
  | 'tag-unclosed'
  | 'tag-stray'
  | 'tag-unfinished'
  | 'interpolation-misplaced';
type SayArguments = { [C in Codes]: [code: C, facts: Parameters<typeof finding<C>>[1], at: number] }[Codes];
