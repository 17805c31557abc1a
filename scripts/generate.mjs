// Writes packages/lattice/src/generated/ from the web standards' data packages. Run: npm run generate
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname } from 'node:path';
import { svgElementAttributes } from 'svg-element-attributes';
import { parse } from 'webidl2';

const require = createRequire(import.meta.url);
const text = (path) => readFileSync(require.resolve(path), 'utf8');
const elementsOf = (file) =>
  JSON.parse(text(`@webref/elements/${file}.json`)).elements.filter((element) => !element.obsolete);

const html = elementsOf('html').filter(({ name }) => name !== 'selectedcontent');
const svgNames = ['SVG2', 'svg-animations', 'filter-effects-1', 'css-masking-1']
  .flatMap(elementsOf)
  .map(({ name }) => name);
const svg = [...new Set(svgNames)].sort();
const interfaces = new Map(
  parse(text('@webref/idl/html.idl'))
    .filter((one) => one.type === 'interface' && !one.partial)
    .map((one) => [one.name, one]),
);
const { valueSets, globalAttributes } = JSON.parse(
  text('@vscode/web-custom-data/data/browsers.html-data.json'),
);

/** Enumerated values, from the value sets of the data package, by attribute or element.attribute. */
const setNames = {
  target: 'target+',
  'form.autocomplete': 'o',
  autocomplete: 'inputautocomplete+',
  'button.type': 'bt',
  'input.type': 't',
  'ol.type': 'lt',
  crossorigin: 'xo',
  decoding: 'decoding',
  loading: 'loading',
  fetchpriority: 'fetchpriority',
  referrerpolicy: 'referrerpolicy',
  method: 'm',
  formmethod: 'fm',
  enctype: 'et',
  formenctype: 'et',
  preload: 'pl',
  'track.kind': 'tk',
  'th.scope': 's',
  shape: 'sh',
  wrap: 'w',
};
/** Sets that the package lacks or has out of date, from the standard. */
const ownSets = {
  popovertargetaction: ['toggle', 'show', 'hide'],
  t: 'hidden text search tel url email password date month week time datetime-local number range color checkbox radio file submit image reset button'.split(
    ' ',
  ),
  im: 'none text decimal numeric tel search email url'.split(' '),
  enterkeyhint: 'enter done go next previous search send'.split(' '),
};
const quoted = (values) => values.map((value) => `'${value}'`).join(' | ');
const setOf = (name) => {
  const isOpen = name.endsWith('+');
  const plain = name.replace('+', '');
  const values = ownSets[plain] ?? valueSets.find((one) => one.name === plain).values.map((one) => one.name);
  return isOpen
    ? `${quoted(values.filter((one) => one !== ''))} | (string & {})`
    : quoted(values.filter((one) => one !== ''));
};
/** Attributes whose names in the standard's interfaces differ from their lower-case form are marked there; these are not. */
const renamed = {
  htmlFor: 'for',
  className: 'class',
  httpEquiv: 'http-equiv',
  acceptCharset: 'accept-charset',
  defaultValue: 'value',
  defaultChecked: 'checked',
  defaultSelected: 'selected',
  defaultMuted: 'muted',
};
/** Content attributes that no interface member reflects. */
const extra = {
  input: {
    form: 'string',
    list: 'string',
    value: 'string | number',
    max: 'string | number',
    min: 'string | number',
    step: 'string | number',
  },
  button: { form: 'string', popovertarget: 'string', command: 'string', commandfor: 'string' },
  select: { form: 'string' },
  textarea: { form: 'string' },
  output: { form: 'string' },
  fieldset: { form: 'string' },
  object: { form: 'string' },
  label: {},
  meta: { charset: 'string', property: 'string' },
  iframe: { srcdoc: 'srcdoc' },
  script: { json: 'json' },
  video: { muted: 'boolean' },
  audio: { muted: 'boolean' },
  a: { download: 'boolean | string' },
  area: { download: 'boolean | string' },
  td: { headers: 'string' },
  progress: { value: 'number', max: 'number' },
  li: { value: 'number' },
};
extra.input.popovertarget = 'string';

const isOwn = (member) =>
  member.type === 'attribute' &&
  member.special !== 'static' &&
  member.extAttrs.some(({ name }) => name === 'CEReactions' || /^Reflect/.test(name));

function attributeName(member) {
  const reflect = member.extAttrs.find(({ name, rhs }) => /^Reflect/.test(name) && rhs?.type === 'string');
  return reflect ? JSON.parse(reflect.rhs.value) : (renamed[member.name] ?? member.name.toLowerCase());
}

function typeOf(tag, name, member) {
  const set =
    setNames[`${tag}.${name}`] ?? setNames[name] ?? (name === 'popovertargetaction' ? name : undefined);
  if (set) return setOf(set);
  const idl = member.idlType.idlType;
  if (idl === 'boolean') return 'boolean';
  if (/long|double|short/.test(String(idl))) return 'number | `${number}`';
  return 'string';
}

function attributesOf(element) {
  const found = {};
  const chain = [];
  for (
    let one = interfaces.get(element.interface);
    one && one.name !== 'HTMLElement';
    one = interfaces.get(one.inheritance)
  ) {
    chain.push(one);
  }
  for (const member of chain.flatMap((one) => [...one.members, ...mixinsOf(one.name)]).filter(isOwn)) {
    const name = attributeName(member);
    if (
      name === 'text' ||
      name === 'innertext' ||
      name === 'encoding' ||
      (element.name === 'meta' && name === 'scheme')
    )
      continue;
    if (!onlyFor[name] || onlyFor[name].includes(element.name))
      found[name] = typeOf(element.name, name, member);
  }
  return { ...found, ...extra[element.name] };
}
/** Members that several elements share through one interface, and some of them do not take as an attribute. */
const onlyFor = {
  ...Object.fromEntries(
    'protocol username password host hostname port pathname search hash origin'
      .split(' ')
      .map((name) => [name, []]),
  ),
  scope: ['th'],
  abbr: ['th'],
  length: [],
  selectedindex: [],
  cite: ['blockquote', 'q', 'del', 'ins'],
};

const idl = parse(text('@webref/idl/html.idl'));
const mixins = new Map(idl.filter((one) => one.type === 'interface mixin').map((one) => [one.name, one]));
const includes = idl.filter((one) => one.type === 'includes');
function mixinsOf(name) {
  return includes
    .filter((one) => one.target === name && !/GlobalEventHandlers|WindowEventHandlers/.test(one.includes))
    .flatMap((one) => mixins.get(one.includes)?.members ?? []);
}

const key = (name) => (/^[a-z]\w*$/i.test(name) ? name : `'${name}'`);
const kinds = { srcdoc: 'DocumentHtml', json: 'JsonData' };
const line = ([name, type]) => `  readonly ${key(name)}?: ${kinds[type] ?? `Attr<${type}>`};`;
const typeName = (tag) => `${tag.charAt(0).toUpperCase()}${tag.slice(1)}Attributes`;
const isVoid = new Set('area base br col embed hr img input link meta source track wbr'.split(' '));

const aria = globalAttributes
  .filter(
    ({ name, status }) =>
      name.startsWith('aria-') && !/dropeffect|grabbed/.test(name) && status !== 'obsolete',
  )
  .map(({ name, valueSet }) => {
    const idRefs = /activedescendant|controls|describedby|details|errormessage|flowto|labelledby|owns/.test(
      name,
    );
    const numeric = /(count|index|span|level|posinset|setsize|max|min|now)$/.test(name);
    const values = valueSet && valueSets.find((one) => one.name === valueSet)?.values.map((one) => one.name);
    const type = values
      ? [
          ...values.filter((one) => one !== 'true' && one !== 'false').map((one) => `'${one}'`),
          values.includes('true')
            ? "boolean | 'true' | 'false'"
            : values.includes('false')
              ? "false | 'false'"
              : '',
        ]
          .filter(Boolean)
          .join(' | ')
      : idRefs || !numeric
        ? 'string'
        : 'number | `${number}`';
    return [name, type];
  });

const ariaWords = Object.fromEntries(
  aria
    .map(([name, type]) => [
      name,
      type.includes('number')
        ? '#'
        : [...type.matchAll(/'([^']+)'/g)]
            .map(([, word]) => word)
            .join('|')
            .replace(/^$/, ''),
    ])
    .filter(([, words]) => words !== ''),
);
const roleNames = valueSets.find(({ name }) => name === 'roles').values.map(({ name }) => name);

const wordsOf = (names) => `'${names.join(' ')}'`;
const head = '// Made by scripts/generate.mjs from the web standards’ data packages; do not edit.\n';
const out = (file, content) =>
  writeFileSync(new URL(`../packages/lattice/src/generated/${file}`, import.meta.url), `${head}\n${content}`);

out(
  'tags.ts',
  `/** The elements of the HTML standard that are not obsolete (https://html.spec.whatwg.org/#elements-3). */
export const htmlTags: ReadonlySet<string> = /* @__PURE__ */ new Set(
  /* @__PURE__ */ ${wordsOf(html.map(({ name }) => name))}.split(' '),
);

/** The elements of SVG (https://www.w3.org/TR/SVG2/eltindex.html). */
export const svgTags: ReadonlySet<string> = /* @__PURE__ */ new Set(
  /* @__PURE__ */ ${wordsOf(svg)}.split(' '),
);
`,
);

const own = html.map((element) => [element.name, attributesOf(element)]);
const svgOnly = svg.filter((tag) => !html.some(({ name }) => name === tag));
const svgGlobal = svgElementAttributes['*'].filter(
  (name) => !/^(on|aria-|xml:|class|style|id|lang|tabindex|role|autofocus)/.test(name),
);
const svgOwn = (tag) =>
  (svgElementAttributes[tag] ?? []).filter((name) => !svgGlobal.includes(name) && !/^on/.test(name));

out(
  'attributes.ts',
  `import type { Attr, CommonAttributes, DocumentHtml, JsonData } from '../template/attributes/types.js';

/** ARIA states and properties (https://www.w3.org/TR/wai-aria-1.2/#state_prop_def). */
export interface AriaAttributes {
${aria.map(line).join('\n')}
}

/** Attributes of every HTML element (https://html.spec.whatwg.org/#global-attributes). */
export interface GlobalAttributes extends CommonAttributes, AriaAttributes {}

/** Attributes of every SVG element (https://www.w3.org/TR/SVG2/propidx.html). */
export interface SvgGlobalAttributes extends CommonAttributes, AriaAttributes {
${svgGlobal.map((name) => line([name, 'string | number'])).join('\n')}
}
${own
  .filter(([, attributes]) => Object.keys(attributes).length > 0)
  .map(
    ([tag, attributes]) =>
      `\nexport interface ${typeName(tag)} extends GlobalAttributes {\n${Object.entries(attributes).map(line).join('\n')}\n}\n`,
  )
  .join('')}${svgOnly
  .filter((tag) => svgOwn(tag).length > 0)
  .map(
    (tag) =>
      `\nexport interface ${typeName(tag)} extends SvgGlobalAttributes {\n${svgOwn(tag)
        .map((name) => line([name, 'string | number']))
        .join('\n')}\n}\n`,
  )
  .join('')}
/** The attributes of each element. */
export interface AttributesOf {
${own.map(([tag, attributes]) => `  readonly ${tag}: ${Object.keys(attributes).length > 0 ? typeName(tag) : 'GlobalAttributes'};`).join('\n')}
${svgOnly.map((tag) => `  readonly ${tag}: ${svgOwn(tag).length > 0 ? typeName(tag) : 'SvgGlobalAttributes'};`).join('\n')}
}

/** The elements that take no content. */
export type VoidTag = ${quoted([...isVoid])};
`,
);

// The table that checks read at run time: each element's own attributes, with enumerated values where there are some.
const runtime = Object.fromEntries(
  own
    .map(([tag, attributes]) => [
      tag,
      Object.keys(attributes)
        .filter((name) => name !== 'json')
        .join(' '),
    ])
    .filter(([, names]) => names !== ''),
);
const globals =
  'accesskey autocapitalize autocorrect autofocus class contenteditable dir draggable enterkeyhint exportparts hidden id inert inputmode is itemid itemprop itemref itemscope itemtype lang nonce part popover role slot spellcheck style tabindex title translate writingsuggestions headingoffset headingreset';
out(
  'attribute-names.ts',
  `/** Attributes that every HTML element takes; \`data-*\` and \`aria-*\` come on top. */
export const globalNames: ReadonlySet<string> = /* @__PURE__ */ new Set(
  /* @__PURE__ */ '${globals}'.split(' '),
);

export const ariaNames: ReadonlySet<string> = /* @__PURE__ */ new Set(
  /* @__PURE__ */ ${wordsOf(aria.map(([name]) => name.slice(5)))}.split(' '),
);

/** The words that these take, \`#\` for a number; what is not here takes text or ids. */
export const ariaWords: Readonly<Record<string, string>> = ${JSON.stringify(ariaWords, null, 2)};

/** The values of \`role\` (https://www.w3.org/TR/wai-aria-1.2/#role_definitions, https://www.w3.org/TR/dpub-aria-1.1/). */
export const roles: ReadonlySet<string> = /* @__PURE__ */ new Set(
  /* @__PURE__ */ ${wordsOf(roleNames)}.split(' '),
);

/** The attributes that each HTML element takes of its own. */
export const ownNames: Readonly<Record<string, string>> = ${JSON.stringify(runtime, null, 2)};
`,
);

// What an element has already, which a prop of an element must not take the place of.
const ancestors = ['EventTarget', 'Node', 'Element', 'HTMLElement'];
const idlFiles = ['dom', 'html', 'cssom', 'cssom-view', 'web-animations', 'fullscreen', 'pointerevents'];
const allIdl = idlFiles.flatMap((file) => parse(text(`@webref/idl/${file}.idl`)));
const mixinsIn = allIdl
  .filter((one) => one.type === 'includes' && ancestors.includes(one.target))
  .map((one) => one.includes);
const reflects = ({ extAttrs }) => extAttrs.some(({ name }) => /^Reflect/.test(name));
const isTaken = (member, owner) =>
  member.name &&
  !/^(on|(id|className|prefix)$)/.test(member.name) &&
  member.special !== 'static' &&
  (member.type === 'operation' ||
    (member.type === 'attribute' &&
      (member.readonly ||
        ['slot', 'innerText', 'outerText'].includes(member.name) ||
        (['Node', 'Element'].includes(owner) && !reflects(member)))));
const taken = allIdl
  .filter(
    (one) =>
      (one.type === 'interface' && ancestors.includes(one.name)) ||
      (one.type === 'interface mixin' && mixinsIn.includes(one.name)),
  )
  .flatMap((one) => one.members.filter((member) => isTaken(member, one.name)))
  .map(({ name }) => name);
const handlers = readdirSync(dirname(require.resolve('@webref/idl/dom.idl')))
  .filter((file) => file.endsWith('.idl'))
  .flatMap((file) => parse(text(`@webref/idl/${file}`)))
  .filter(
    ({ type, name }) =>
      /interface/.test(type) &&
      (type === 'interface mixin' || ancestors.includes(name) || /^(HTML|SVG)/.test(name)),
  )
  .flatMap(({ members }) => members)
  .filter(({ type, name }) => type === 'attribute' && /^on[a-z]/.test(name))
  .map(({ name }) => name.slice(2));
out(
  'element-members.ts',
  `/** The methods of an element, and the properties that it shows itself by (https://dom.spec.whatwg.org/#interface-element). */
export const elementMembers: ReadonlySet<string> = /* @__PURE__ */ new Set(
  /* @__PURE__ */ ${wordsOf([...new Set(taken)].sort())}.split(' '),
);

/** The events that an attribute, named on and the event, would carry a script for. */
export const scriptEvents: ReadonlySet<string> = /* @__PURE__ */ new Set(
  /* @__PURE__ */ ${wordsOf([...new Set(handlers)].sort())}.split(' '),
);
`,
);
