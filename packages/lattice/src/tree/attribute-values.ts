import { ariaWords, roles } from '../generated/attribute-names.js';
import { type Finding, finding, nearest } from '../problem/index.js';

/** Attributes that hold by being there (https://html.spec.whatwg.org/#boolean-attributes). */
const booleans: ReadonlySet<string> = /* @__PURE__ */ new Set(
  'allowfullscreen async autofocus autoplay checked controls default defer disabled formnovalidate inert ismap itemscope loop multiple muted nomodule novalidate open playsinline readonly required reversed selected'.split(
    ' ',
  ),
);

/** Roles of ARIA 1.2 and of its graphics module that the data at hand has not (https://www.w3.org/TR/graphics-aria-1.0/). */
const otherRoles: ReadonlySet<string> = /* @__PURE__ */ new Set(
  'blockquote caption code deletion emphasis generic insertion mark meter paragraph strong subscript superscript time graphics-document graphics-object graphics-symbol'.split(
    ' ',
  ),
);

/** Words of attributes that mean something else, or nothing, where they have another one (https://html.spec.whatwg.org/#attributes-3). */
const htmlWords: Readonly<Record<string, string>> = {
  'input type':
    'button checkbox color date datetime-local email file hidden image month number password radio range reset search submit tel text time url week',
  'button type': 'submit reset button',
  'form method': 'get post dialog',
  'form enctype': 'application/x-www-form-urlencoded multipart/form-data text/plain',
  'th scope': 'row col rowgroup colgroup',
  'img loading': 'lazy eager',
  'iframe loading': 'lazy eager',
  'img decoding': 'sync async auto',
  'track kind': 'subtitles captions descriptions chapters metadata',
  'textarea wrap': 'soft hard',
  'ol type': '1 a A i I',
};

/** What is wrong with the text of an attribute, where the standards say which ones it may have. */
export function attributeValueFault(tag: string, attribute: string, text: unknown): Finding | undefined {
  if (typeof text !== 'string') return undefined;
  const name = attribute.toLowerCase();
  if (text === 'false' && booleans.has(name)) return finding('attribute-misleading', { attribute, tag });
  if (name === 'role') return roleFault(tag, text);
  const own = Object.hasOwn(htmlWords, `${tag} ${name}`) ? htmlWords[`${tag} ${name}`] : undefined;
  if (own !== undefined) return wordFault(tag, attribute, text, own.split(' '));
  const words = Object.hasOwn(ariaWords, name) ? ariaWords[name] : undefined;
  if (words === undefined) return undefined;
  const link = `https://www.w3.org/TR/wai-aria-1.2/#${name}`;
  if (words === '#') {
    if (text.trim() !== '' && Number.isFinite(Number(text))) return undefined;
    return finding('attribute-value-unknown', { attribute, tag, text, hint: `It takes a number (${link}).` });
  }
  const known = words.split('|');
  // Of what changes and is reported there may be several words.
  const given = name === 'aria-relevant' ? text.split(/\s+/) : [text];
  const wrong = given.find((word) => !known.includes(word));
  if (wrong === undefined) return undefined;
  const near = nearest(wrong, known);
  const hint = `${near === undefined ? `It takes ${known.map((one) => `"${one}"`).join(', ')}` : `Did you mean "${near}"?`} (${link}).`;
  return finding('attribute-value-unknown', { attribute, tag, text, hint });
}

function wordFault(
  tag: string,
  attribute: string,
  text: string,
  words: readonly string[],
): Finding | undefined {
  if (words.includes(text) || words.includes(text.toLowerCase())) return undefined;
  const near = nearest(text, words);
  const hint =
    near === undefined ? `It takes ${words.map((one) => `"${one}"`).join(', ')}.` : `Did you mean "${near}"?`;
  return finding('attribute-value-unknown', { attribute, tag, text, hint });
}

/** Of several roles a browser takes the first one that it knows, so that one of them has to be known. */
function roleFault(tag: string, text: string): Finding | undefined {
  const words = text.split(/\s+/).filter((word) => word !== '');
  const isKnown = (word: string): boolean =>
    roles.has(word.toLowerCase()) || otherRoles.has(word.toLowerCase());
  if (words.some(isKnown)) return undefined;
  const near = nearest(words[0] ?? '', [...roles, ...otherRoles]);
  const hint = `${near === undefined ? 'Leave it out, or name a role' : `Did you mean "${near}"?`} (https://www.w3.org/TR/wai-aria-1.2/#role_definitions).`;
  return finding('attribute-value-unknown', { attribute: 'role', tag, text, hint });
}
