import { ariaNames, globalNames, ownNames } from '../generated/attribute-names.js';
import { htmlTags, svgTags } from '../generated/tags.js';
import { type Finding, finding, nearest, nearestOr, tagName } from '../problem/index.js';

/** Names that say something to the library. */
const ours: ReadonlySet<string> = /* @__PURE__ */ new Set(['on', 'bind', 'json']);

/** What HTML has for properties of a page's nodes. */
const propertyWords: Readonly<Record<string, string>> = {
  classname: 'In HTML it is "class".',
  htmlfor: 'In HTML it is "for".',
  innerhtml: 'Ready-made HTML is content: trusted(html).',
  outerhtml: 'Ready-made HTML is content: trusted(html).',
  textcontent: 'Text is content: pass it after the attributes.',
  innertext: 'Text is content: pass it after the attributes.',
  defaultvalue: 'In HTML it is "value".',
  defaultchecked: 'In HTML it is "checked".',
};

/** What is written for the elements that HTML no longer has (https://html.spec.whatwg.org/#non-conforming-features). */
const insteadOf: Readonly<Record<string, string>> = {
  acronym: 'Write <abbr>.',
  applet: 'Write <embed> or <object>.',
  basefont: 'CSS sets the font of a page.',
  bgsound: 'Write <audio>.',
  big: 'CSS sets the size of text.',
  blink: 'CSS animates, for those who want it.',
  center: 'CSS centers: text-align, or margin-inline: auto.',
  dir: 'Write <ul>.',
  font: 'CSS sets the font, size and color of text.',
  frame: 'Write <iframe>.',
  frameset: 'Write <iframe>.',
  isindex: 'Write <form> with a field.',
  listing: 'Write <pre> and <code>.',
  marquee: 'CSS moves things, for those who want it.',
  nobr: 'CSS keeps a line whole: white-space: nowrap.',
  noembed: 'Write <object> with content of its own.',
  noframes: 'Write <iframe>.',
  plaintext: 'Write <pre> and <code>.',
  rb: 'Write <ruby> with <rt>.',
  rtc: 'Write <ruby> with <rt>.',
  strike: 'Write <del> for what was removed, or <s>.',
  tt: 'Write <code>, <kbd>, <samp> or <var>.',
  xmp: 'Write <pre> and <code>.',
};

/** The elements of MathML Core (https://www.w3.org/TR/mathml-core/#dom-and-javascript), with those that old ones become. */
export const mathTags: ReadonlySet<string> = /* @__PURE__ */ new Set(
  /* @__PURE__ */ 'annotation annotation-xml maction math merror mfrac mi mmultiscripts mn mo mover mpadded mphantom mprescripts mroot mrow ms mspace msqrt mstyle msub msubsup msup mtable mtd mtext mtr munder munderover none semantics'.split(
    ' ',
  ),
);

/** What a `template` of a component's text may have besides. */
const directives = ['given', 'otherwise', 'each-of', 'as', 'key', 'index', 'loading', 'loaded', 'failed'];

/** A tag that neither HTML nor SVG has, with the component that it stands for, or the nearest one that one of them has. */
export function unknownTag(tag: string, components: Iterable<string> = []): Finding | undefined {
  if (htmlTags.has(tag) || svgTags.has(tag) || mathTags.has(tag)) return undefined;
  const instead = Object.hasOwn(insteadOf, tag) ? insteadOf[tag] : undefined;
  if (instead !== undefined) return finding('tag-unknown', { tag, hint: instead });
  const meant = [...components].find((name) => name.replaceAll('-', '') === tag);
  if (meant !== undefined)
    return finding('tag-unknown', {
      tag,
      hint: `Did you mean ${tagName(meant)}? A component's tag is its name.`,
    });
  const hint = nearestOr(tag, [...htmlTags, ...svgTags], 'A custom element’s name has a hyphen.', tagName);
  return finding('tag-unknown', { tag, hint });
}

/** An attribute that an HTML element does not have, with the nearest one that it has. */
export function unknownAttribute(tag: string, attribute: string): Finding | undefined {
  const own = (ownNames[tag] ?? '').split(' ');
  if (isKnown(attribute, own)) return undefined;
  const word = propertyWords[attribute.toLowerCase()];
  if (word !== undefined) return finding('attribute-unknown', { attribute, tag, hint: word });
  if (tag === 'template' && directives.includes(attribute)) {
    const hint = 'It is read in the template of a component. Here nothing reads it.';
    return finding('attribute-unknown', { attribute, tag, hint });
  }
  const known = attribute.startsWith('aria-')
    ? [...ariaNames].map((name) => `aria-${name}`)
    : [...own, ...globalNames, ...(tag === 'template' ? directives : [])].filter((name) => name !== '');
  const near = nearest(attribute, known);
  return finding('attribute-unknown', {
    attribute,
    tag,
    hint: near === undefined ? '' : `Did you mean "${near}"?`,
  });
}

function isKnown(name: string, own: readonly string[]): boolean {
  if (name.startsWith('aria-')) return ariaNames.has(name.slice(5));
  if (own.includes(name) || globalNames.has(name) || ours.has(name)) return true;
  return name.startsWith('data-') || /^on|[^\w-]|^$/.test(name);
}
