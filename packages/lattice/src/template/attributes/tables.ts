/**
 * Attributes that say yes and no in words, where HTML's boolean attributes say it by being there or not:
 * https://html.spec.whatwg.org/#keywords-and-enumerated-attributes, https://www.w3.org/TR/wai-aria-1.2/#propcharacteristic_value
 */
const wordedFlags: ReadonlySet<string> = new Set([
  'contenteditable',
  'draggable',
  'spellcheck',
  'writingsuggestions',
  'focusable',
  'preserveAlpha',
]);

/** Whether true and false are written as words on this attribute. */
export function isWorded(name: string): boolean {
  return name.startsWith('aria-') || wordedFlags.has(name);
}

/** Attributes that hold a URL (https://html.spec.whatwg.org/#attributes-3, https://www.w3.org/TR/SVG2/linking.html). */
const urlAttributes: ReadonlySet<string> = new Set([
  'action',
  'background',
  'cite',
  'data',
  'formaction',
  'href',
  'itemid',
  'itemtype',
  'longdesc',
  'manifest',
  'ping',
  'poster',
  'src',
  'xlink:href',
]);

/** Attributes of SVG's animation elements that can set an animated `href`. */
const animatedValues: ReadonlySet<string> = new Set(['by', 'from', 'to', 'values']);

/**
 * How an attribute holds URLs: one, one of a script that runs, one that is drawn as an image, an image candidate set, a list, a refresh
 * instruction, or in any of these ways.
 */
export type UrlRule = 'url' | 'script' | 'image' | 'set' | 'list' | 'refresh' | 'any';

/** How text on an attribute is read: as it is, as yes and no in words, as URLs, or as a whole document. */
export type AttributeRule = 'plain' | 'worded' | 'document' | UrlRule;

/**
 * The rule of an attribute, by its name in lower case, as a parser of HTML reads it, and by every tag that its element
 * can have; without tags it can be any.
 */
export function attributeRule(tags: readonly string[] | undefined, name: string): AttributeRule {
  if (name === 'srcdoc') return 'document';
  const rules = new Set(tags ? tags.map((tag) => urlRule(tag.toLowerCase(), name)) : anyRules(name));
  rules.delete(undefined);
  const [rule] = rules;
  if (rule !== undefined) return rules.size === 1 ? rule : 'any';
  return isWorded(name) ? 'worded' : 'plain';
}

function urlRule(tag: string, name: string): UrlRule | undefined {
  if (name === 'srcset' || name === 'imagesrcset') return 'set';
  if (animatedValues.has(name) && /^(animate|set)/.test(tag)) return 'list';
  if (name === 'content' && tag === 'meta') return 'refresh';
  if (!urlAttributes.has(name)) return undefined;
  if (tag === 'script') return 'script';
  // In an image a document of data is drawn and runs nothing (https://html.spec.whatwg.org/#images-processing-model).
  return (tag === 'img' && name !== 'longdesc') || name === 'poster' ? 'image' : 'url';
}

function anyRules(name: string): readonly (UrlRule | undefined)[] {
  if (name === 'srcset' || name === 'imagesrcset') return ['set'];
  if (urlAttributes.has(name)) return ['url'];
  return animatedValues.has(name) || name === 'content' ? ['any'] : [];
}

/** Elements that take no content (https://html.spec.whatwg.org/#void-elements). */
export const voidElements: ReadonlySet<string> = new Set([
  'area',
  'base',
  'br',
  'col',
  'embed',
  'hr',
  'img',
  'input',
  'link',
  'meta',
  'source',
  'track',
  'wbr',
]);

/** Elements whose text a parser takes as it stands, with no escapes (https://html.spec.whatwg.org/#raw-text-elements). */
export const rawTextElements: ReadonlySet<string> = new Set(['script', 'style']);

/** Elements that hold text alone, with escapes (https://html.spec.whatwg.org/#escapable-raw-text-elements). */
export const escapedTextElements: ReadonlySet<string> = new Set(['textarea', 'title']);

/** Elements whose first line break a parser drops (https://html.spec.whatwg.org/#parsing-main-inbody, "pre"). */
export const lineEaters: ReadonlySet<string> = new Set(['pre', 'textarea', 'listing']);

/** Elements that read what stands in them in a way of their own, or run it. */
const ownReaders =
  /^(script|style|textarea|title|pre|listing|plaintext|xmp|noscript|iframe|noembed|noframes|template)$/i;

/** Whether a tag known only at render time may be used: a name, and of no element that reads its content its own way. */
export function isChangingTag(tag: unknown): tag is string {
  return typeof tag === 'string' && /^[a-zA-Z][\w.-]*$/.test(tag) && !ownReaders.test(tag);
}
