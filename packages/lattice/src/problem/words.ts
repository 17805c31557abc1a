import type { Severity } from './problem.js';

/** How one code is worded: the message says what is wrong, the hint what to write instead. */
interface Entry<Facts> {
  readonly severity: Severity;
  /** `inText`: what it is about is written as HTML text, and the words are too. */
  say(facts: Facts, inText: boolean): readonly [message: string, hint: string];
}

function error<Facts>(say: Entry<Facts>['say']): Entry<Facts> {
  return { severity: 'error', say };
}

function warning<Facts>(say: Entry<Facts>['say']): Entry<Facts> {
  return { severity: 'warning', say };
}

/** Every problem's words, by its code. `docs/problems.md` has the same entries, and a test holds both together. */
export const words = {
  'name-invalid': error<{ name: string; why: string; better: string }>(({ name, why, better }) => [
    `"${name}" cannot be a component's name: ${why}.`,
    `Tag names of components are in lower case with a hyphen, such as "${better}".`,
  ]),
  'definition-invalid': error<{ fault: string; hint: string }>(({ fault, hint }) => [fault, hint]),
  'call-invalid': error<{ name: string; fault: string; hint: string }>(({ name, fault, hint }) => [
    `${name} ${fault}.`,
    hint,
  ]),
  'name-taken': error<{ name: string; by?: string }>(({ name, by = '' }) => [
    `The name "${name}" stands for two different components${by}.`,
    'Give one of them another name; a page can have only one element of each name.',
  ]),
  'prop-missing': error<{ component: string; prop: string; expected: string }>(
    ({ component, prop, expected }, inText) => [
      `The required prop "${prop}" of ${component} is missing.`,
      `Pass ${expected}: ${inText ? `${kebab(prop)}="…"` : `{ ${prop}: … }`}. If the prop is optional, declare it with .optional() or .fallback(value).`,
    ],
  ),
  'prop-invalid': error<{ component: string; prop: string; fault: string }>(
    ({ component, prop, fault }, inText) => [
      `The prop "${prop}" of ${component} ${fault}${/[.?]$/.test(fault) ? '' : '.'}`,
      inText && /expects (?:a record|a list).*received the text "\s*[{[]/.test(fault)
        ? `Write it as JSON, in single quotes: ${kebab(prop)}='${/expects a list/.test(fault) ? '["one", "two"]' : '{ "name": "text", "count": 1 }'}'. Names and texts stand in double quotes.`
        : 'Pass a value of the declared kind, or change the kind where the component declares the prop.',
    ],
  ),
  'prop-misfit': error<{
    component: string;
    prop: string;
    expected: string;
    written: string;
    is: string;
    always: boolean;
    words?: readonly string[] | undefined;
  }>(({ component, prop, expected, written, is, always, words }) => [
    `The prop "${prop}" of ${component} accepts ${expected}, but receives ${written}, which ${always ? 'is' : 'may be'} ${is}.`,
    always
      ? 'Pass a value of the declared kind, or change the kind where the component declares the prop.'
      : words
        ? `Declare what is passed with the same words, prop.choice([${words.map((one) => `'${one}'`).join(', ')}]), or pass one of them: ${written} === '${words[0]}' ? '${words[0]}' : '${words.at(-1)}'.`
        : `Pass a default value: ${written} ?? …, or put a condition around it. Or make the prop optional: .optional().`,
  ]),
  'props-misplaced': error<{ component: string; got: string }>(({ component, got }) => [
    `${component} expects its props first, as a record, but received ${got}.`,
    'Pass content after the props: Name({ … }, content), or Name({}, content) without props.',
  ]),
  'prop-unknown': error<{ component: string; prop: string; hint: string; read?: boolean }>(
    ({ component, prop, hint, read }) => [
      read
        ? `The template of ${component} reads props.${prop}, which it does not declare.`
        : `${component} received "${prop}", which is not one of its props.`,
      `${hint} Or declare it: props: { ${identifier(prop)}: prop.text() }.`,
    ],
  ),
  'slot-missing': error<{ component: string; slot: string }>(({ component, slot }, inText) => [
    `The required slot "${slot}" of ${component} is empty.`,
    inText
      ? slot === 'default'
        ? `Put content between <${component}> and </${component}>.`
        : `Put an element with slot="${slot}" between its tags, or <template slot="${slot}">…</template>.`
      : slot === 'default'
        ? 'Pass content after the props.'
        : `Pass it by name: { ${identifier(slot)}: … }.`,
  ]),
  'slot-unknown': error<{ component: string; slot: string; hint: string; read?: boolean }>(
    ({ component, slot, hint, read }) => [
      read
        ? `The template of ${component} places slots.${slot}, which it does not declare.`
        : `${component} received content for the slot "${slot}", which it does not have.`,
      `${hint} Or declare it: slots: { ${identifier(slot)}: slot() }.`,
    ],
  ),
  'slot-untaken': error<{ component: string; hint: string }>(({ component, hint }) => [
    `${component} received content, but has no default slot.`,
    `${hint} Or declare one: slots: { default: slot() }, and place it with slots.default().`,
  ]),
  'slot-unplaced': warning<{ component: string; slot: string }>(({ component, slot }, inText) => [
    `${component} declares the slot "${slot}", but its template does not place it. Content for it would not be shown.`,
    `Place it with ${inText ? `<slot${slot === 'default' ? '' : ` name="${slot}"`}></slot>` : `slots.${slot}()`}, or remove the declaration.`,
  ]),
  'slot-repeated': error<{ component: string; slot: string; repeats: boolean }>(
    ({ component, slot, repeats }) => [
      repeats
        ? `${component} places its slot "${slot}" in rows, but an element can show the content of a slot only once.`
        : `${component} places its slot "${slot}" twice, but an element can show the content of a slot only once.`,
      'Place it once, in two branches of one condition, or pass the content as a prop. In HTML text it works.',
    ],
  ),
  'slot-misfit': error<{ component: string; slot: string; hands: boolean }>(
    ({ component, slot, hands }, inText) => [
      hands
        ? `The slot "${slot}" of ${component} passes data to its content, but received plain content.`
        : `The slot "${slot}" of ${component} accepts plain content, but received a function.`,
      hands
        ? inText
          ? `Write <template slot="${slot}" as="data">…</template> around it.`
          : `Pass a function: { ${identifier(slot)}: (data) => … }.`
        : inText
          ? 'Remove as="…": the slot passes no data.'
          : 'Pass the content itself, without a function around it.',
    ],
  ),
  'component-unknown': error<{ name: string; hint: string }>(({ name, hint }) => [
    `Nothing defines a component "${name}".`,
    hint,
  ]),
  'component-misplaced': error<{ component: string; place: string; hint: string }>(
    ({ component, place, hint }) => [`<${component}> stands ${place}, where it may not be used.`, hint],
  ),
  'component-cycle': error<{ path: string }>(({ path }, inText) => [
    `A component contains itself without end: ${path}.`,
    `Put the inner use under ${inText ? '<template given="…"> or <template each-of="…">' : 'given(…) or eachOf(…)'}, so that it ends when there is nothing more to show.`,
  ]),
  'value-used-early': error<{ name: string; how: string; method?: string | undefined }>(
    ({ name, how, method }) => [
      `${name} was ${how} while the template ran, but its value is known only at render time.`,
      earlyHint(name, how, method),
    ],
  ),
  'value-unplaced': error<{ name: string }>(({ name }) => [
    `${name} was read in the template, but not placed.`,
    `A plain "if" or "? :" cannot test it: write given(${name}, …, …) or calc(${name}, (value) => …). If you do not need it, do not read it.`,
  ]),
  'template-failed': error<{ name: string; reason: string }>(({ name, reason }) => [
    `The template of ${name} stopped with an error: ${reason}.`,
    /^[\w$]+ is not defined$/.test(reason)
      ? `Import ${reason.split(' ')[0]}, or define it in the module.`
      : /Cannot read properties of undefined/.test(reason)
        ? 'A template runs once, with expressions instead of values. It reads a property of something undefined: see the line.'
        : 'A template runs once, with expressions instead of values. Code that needs a value goes into calc(…) or a handler.',
  ]),
  'content-not-allowed': error<{ what: string; place: string; hint: string }>(({ what, place, hint }) => [
    `${what} cannot stand ${place}.`,
    hint,
  ]),
  'tag-unknown': error<{ tag: string; hint: string }>(({ tag, hint }) => [
    `There is no element <${tag}>.`,
    hint,
  ]),
  'element-misplaced': warning<{ tag: string; place: string; hint: string }>(({ tag, place, hint }) => [
    `<${tag}> stands ${place}, where the HTML standard does not allow it.`,
    hint,
  ]),
  'element-missing': warning<{ tag: string; child: string; link: string }>(({ tag, child, link }) => [
    `<${tag}> has no <${child}> as its first element.`,
    `Put one there (${link}).`,
  ]),
  'frame-unnamed': warning<Record<never, never>>(() => [
    'An <iframe> has no title.',
    'Say what it shows: title="…" (https://www.w3.org/TR/WCAG22/#name-role-value).',
  ]),
  'attribute-unplaced': error<{ attribute: string; component: string }>(
    ({ attribute, component }, inText) => [
      `<${component}> comes to no one element here, so that "${attribute}" has no element to go to.`,
      inText
        ? `Put all that its template shows into one element, or write ${attribute} on an element around it.`
        : `Put all that its template shows into one element, or give ${attribute} to an element around it.`,
    ],
  ),
  'attribute-misleading': warning<{ attribute: string; tag: string }>(({ attribute, tag }, inText) => [
    `<${tag}> has ${attribute}="false". A boolean attribute is on whenever it is present, even as ="false".`,
    `Remove ${attribute}. If it depends on something, pass ${inText ? `a value that is true or false: ${attribute}="{{ … }}"` : 'true or false, or an expression that is'}.`,
  ]),
  'attribute-value-unknown': warning<{ attribute: string; tag: string; text: string; hint: string }>(
    ({ attribute, tag, text, hint }) => [
      `<${tag}> has ${attribute}=${JSON.stringify(text)}, which is none of its values.`,
      hint,
    ],
  ),
  'label-unbound': warning<Record<never, never>>(() => [
    'A <label> has no control: it contains none and its "for" names none.',
    'Put the control into the label, or name it: for="…" with the id of the control. For text that labels no control use <span>.',
  ]),
  'text-escaped': warning<{ written: string; sign: string }>(({ written, sign }) => [
    `The text ${written} is shown as it is written: text in a function is not HTML.`,
    `Write the character itself, ${sign}.`,
  ]),
  'attribute-unknown': warning<{ attribute: string; tag: string; hint: string }>(
    ({ attribute, tag, hint }) => [
      `<${tag}> has no attribute "${attribute}".`,
      `${hint} An attribute of your own starts with data-.`.trimStart(),
    ],
  ),
  'attribute-invalid': error<{ attribute: string; tag: string; fault: string; hint: string }>(
    ({ attribute, tag, fault, hint }) => [`The attribute ${attribute} of <${tag}> ${fault}.`, hint],
  ),
  'attribute-unsafe': error<{ attribute: string; tag: string; fault: string; hint: string; event?: string }>(
    ({ attribute, tag, fault, hint, event }, inText) => [
      `The attribute ${attribute} of <${tag}> ${fault}.`,
      event === undefined
        ? hint
        : `Name a handler: ${inText ? `handles="${event}: …"` : `on: { ${identifier(event)}: handlers.… }`}.`,
    ],
  ),
  'markup-missing': error<{ component: string }>(({ component }) => [
    `The template of ${component} is HTML text, but nothing here can read it.`,
    "In a page, import 'zesty-lattice/markup' once; the Vite plugin adds it. For a server, bundle with the condition 'worker'.",
  ]),
  'markup-invalid': error<{ fault: string; hint: string }>(({ fault, hint }) => [`${fault}.`, hint]),
  'tag-unclosed': error<{ tag: string; before: string }>(({ tag, before }) => [
    before === ''
      ? `<${tag}> is opened here and never closed.`
      : `<${tag}> is opened here and not closed before ${before}.`,
    `Write </${tag}> where it ends.`,
  ]),
  'tag-unfinished': error<{ tag: string }>(({ tag }) => [
    `The tag of <${tag}> begins here and does not end.`,
    'Close it with ">"; if it has attributes, close their quotes too.',
  ]),
  'quote-unclosed': error<{ attribute: string; quote: string }>(({ attribute, quote }) => [
    `The value of ${attribute} begins here and its quote is not closed.`,
    `Close it with another ${quote} where the value ends.`,
  ]),
  'comment-unclosed': error<Record<never, never>>(() => [
    'A comment begins here and is not closed.',
    'Close it with --> where it ends.',
  ]),
  'tag-self-closed': error<{ tag: string }>(({ tag }) => [
    `<${tag} /> does not close itself: HTML reads it as an opening tag.`,
    `Write <${tag}></${tag}>.`,
  ]),
  'tag-stray': error<{ tag: string; isVoid: boolean }>(({ tag, isVoid }) => [
    isVoid
      ? `</${tag}> is not allowed: <${tag}> has no end tag.`
      : `</${tag}> has no start tag: no <${tag}> is open here.`,
    isVoid ? `Write <${tag}> alone.` : `Remove it, or open <${tag}> before it.`,
  ]),
  'tag-crossed': error<{ tag: string; outer: string }>(({ tag, outer }) => [
    `<${tag}> is opened inside <${outer}> and closed outside of it.`,
    `Close </${tag}> before </${outer}>.`,
  ]),
  'attribute-doubled': error<{ attribute: string }>(({ attribute }) => [
    `The attribute "${attribute}" is written twice in one tag. The second one is ignored.`,
    'Remove one of them.',
  ]),
  'interpolation-misplaced': error<{ place: string; hint: string }>(({ place, hint }) => [
    `An interpolation {{ … }} cannot stand ${place}.`,
    hint,
  ]),
  'event-misspelt': warning<{
    event: string;
    tag: string;
    near: string | undefined;
    declares?: readonly string[];
  }>(({ declares, event, tag, near }) => [
    declares
      ? `${tag} declares no event "${event}", and no element sends one.`
      : `<${tag}> listens to "${event}", which no element sends.`,
    near === undefined
      ? `${declares && declares.length > 0 ? `It declares ${declares.join(', ')}. ` : ''}An event is declared by the component that sends it: events: { ${event}: event() }.`
      : `Did you mean "${near}"?`,
  ]),
  'expression-invalid': error<{ expression: string; fault: string; hint: string }>(
    ({ expression, fault, hint }) => [`The expression "${clipped(expression)}" ${fault}.`, hint],
  ),
  'name-unknown': error<{ what: string; name: string; hint: string }>(({ what, name, hint }) => [
    `There is no ${what} "${name}" here.`,
    hint,
  ]),
  'directive-invalid': error<{ fault: string; hint: string }>(({ fault, hint }) => [`${fault}.`, hint]),
  'component-unused': warning<{ component: string; file: string }>(({ component, file }) => [
    `${component} is defined in ${file}, but never used.`,
    'Use it, or remove it. Export the component of a page as the default of its module.',
  ]),
  'prop-unread': warning<{ component: string; prop: string }>(({ component, prop }, inText) => [
    `${component} declares the prop "${prop}", but never reads it.`,
    `Place it in the template with ${inText ? `{{ ${prop} }}` : `props.${prop}`}, or remove the declaration.`,
  ]),
  'heading-skipped': warning<{ tag: string; after: string; better: string }>(({ tag, after, better }) => [
    after === ''
      ? `The first heading of the page is <${tag}>.`
      : `<${tag}> follows ${after} and skips a level.`,
    `Use ${better}, and give it its size with a class.`,
  ]),
  'image-unnamed': error<{ src: string }>(({ src }) => [
    `The image "${src}" has no alt text.`,
    'Say what it shows: alt="…"; for one that only decorates, alt="".',
  ]),
  'module-failed': error<{ reason: string; hint: string; needed?: string }>(({ hint, needed, reason }) => [
    `${needed === undefined ? 'The module could not be loaded' : `${needed}, which this needs, could not be loaded`}: ${reason}`.replace(
      /\.?$/,
      '.',
    ),
    hint,
  ]),
  'control-unnamed': warning<{ tag: string; what: string; hint: string }>(({ tag, what, hint }) => [
    `The ${what} <${tag}> has no name: nobody who hears the page knows what it is for.`,
    hint,
  ]),
  'heading-empty': warning<{ tag: string }>(({ tag }) => [
    `The heading <${tag}> is empty.`,
    'Write text in it, or leave it out.',
  ]),
  'main-doubled': warning<Record<never, never>>(() => [
    'The page has more than one <main>.',
    'Keep one for what the page is about; <section> or <article> for its parts.',
  ]),
  'page-unnamed': warning<{ what: 'language' | 'title'; got?: string }>(({ what, got }) => [
    got === undefined ? `The page does not say its ${what}.` : `The page’s language "${got}" is no language.`,
    what === 'language'
      ? 'Write it in the start tag of <html>: lang="en". The codes are those of BCP 47.'
      : 'Write <title> in the head, with what the page is about first.',
  ]),
  'deprecated-used': warning<{ what: string; instead: string }>(({ what, instead }) => [
    `${what} should no longer be used.`,
    instead,
  ]),
  'allowance-invalid': error<{ fault: string; hint: string }>(({ fault, hint }) => [`${fault}.`, hint]),
  'allowance-unused': warning<{ code: string }>(({ code }) => [
    `Nothing here is reported as ${code}, so that nothing has to be allowed.`,
    'Remove the comment, or put it in the line before what is reported.',
  ]),
  'adopt-failed': error<{ fault: string; hint: string }>(({ fault, hint }) => [`${fault}.`, hint]),
  'list-invalid': error<{ name: string; got: string }>(({ name, got }, inText) => [
    `${inText ? '<template each-of>' : 'eachOf'} expects a list, but ${name} is ${got}.`,
    'Pass a list. A missing list counts as empty.',
  ]),
  'id-doubled': error<{ id: string; times: string; places?: readonly string[] }>(
    ({ id, places = [], times }, inText) => {
      const made = `uid('${id.replace(/[^A-Za-z]+.*/, '') || 'part'}')`;
      return [
        `The id "${id}" is used ${times} on the page${places.length > 1 ? `: in ${places.join(', and in ')}` : ''}.`,
        `An id must be unique on a page. In a component that is used more than once, write ${inText ? `id="{{ ${made} }}"` : made}. If a prop passes the id, pass another one to each use.`,
      ];
    },
  ),
  'reference-dangling': warning<{ attribute: string; id: string; tag: string; hint: string }>(
    ({ attribute, id, tag, hint }) => [
      `${attribute}="${id}" of <${tag}> points to an element that is not on the page.`,
      hint,
    ],
  ),
  'link-dangling': warning<{ href: string; tag: string; id?: string }>(({ href, tag, id }) => [
    id === undefined
      ? `href="${href}" of <${tag}> leads to a file that is not there.`
      : `href="${href}" of <${tag}> leads to a page that has no element with the id "${id}".`,
    id === undefined
      ? 'Write the path of a page that exists.'
      : 'Give the element this id, or leave out what follows the #.',
  ]),
  'id-unreachable': warning<{ what: string; component: string; why: string }>(({ what, component, why }) => [
    `${what}, which is an element in the page${why}: ids and links do not reach into its shadow root, or out of it.`,
    `Put both into one component, pass the element to a slot of <${component}>, or render without elements.`,
  ]),
  'styles-invalid': error<{ component: string; fault: string; hint: string }>(
    ({ component, fault, hint }) => [`The styles of ${component} ${fault}.`, hint],
  ),
  'key-doubled': error<{ key: string; list: string }>(({ key, list }) => [
    `Two rows of ${list} have the key ${key}.`,
    key === 'undefined'
      ? 'No item has the field that is named as the key. Name another one: key: "id".'
      : 'Use a key that is different for each item.',
  ]),
  'key-missing': warning<{ component: string; list: string }>(({ component, list }, inText) => [
    `${component} shows ${list} in rows with controls, but the rows have no key. If the list changes, typed text and focus may move to another row.`,
    inText
      ? 'Name a field that is different for each item: <template each-of="…" key="id">.'
      : "Name a field that is different for each item: eachOf(list, (item) => …, { key: 'id' }).",
  ]),
  'markup-differs': warning<{ component: string; how: string }>(({ component, how }) => [
    `The HTML that the server sent for ${component} differs from what it shows now: ${how}.`,
    'It was corrected. Render with the same props and data on both sides, and without values that change each time.',
  ]),
  'constant-changed': warning<{ before: string; after: string }>(({ before, after }) => [
    `A calculation of constants gave ${before}, and now gives ${after}. It is calculated once, for all renderings.`,
    'Hand in what changes: as a prop, calc(props.day, …). Without anything handed in it is calculated at each rendering.',
  ]),
  'markup-unread': warning<{ component: string; what: string; hint: string }>(({ component, what, hint }) => [
    `${component} ${what}, which its element does not accept.`,
    hint,
  ]),
  'provider-unregistered': warning<{ component: string; share: string; tag: string }>(
    ({ component, share, tag }) => [
      `${component} reads "${share}", provided by <${tag}>, which nothing registers. It stays as the server wrote it.`,
      `Register the component of <${tag}> in this page, too.`,
    ],
  ),
  'update-loop': error<{ component: string; prop: string }>(({ component, prop }) => [
    `${component} was changed 100 times in one turn, each time because of the change before. "${prop}" now stays as it is.`,
    `Look for a reaction, an event or shared data that changes "${prop}" whenever it has changed.`,
  ]),
  'too-deep': error<{ where: string }>(({ where }) => [
    `The content${where === '' ? '' : ` of ${where}`} is nested too deep to follow.`,
    'The limit is about 500 levels. Look for data or content that contains itself, or render parts of it.',
  ]),
  'file-missing': error<{ what: string; file: string; reason: string; hint: string }>(
    ({ what, file, reason, hint }) => [`${what} is the file ${file}, which cannot be read: ${reason}.`, hint],
  ),
  'file-unread': error<{ path: string; module: string }>(({ path, module }) => [
    `${module} calls markupFile for ${path}, but a page cannot read files.`,
    "Build with a plugin that inserts the text: 'zesty-lattice-tools/vite', or one of 'zesty-lattice-tools/bundlers'.",
  ]),
  'element-unregistered': warning<{ name: string }>(({ name }) => [
    `The page has a <${name}>, but no element of that name is registered.`,
    "Register it: import { register } from 'zesty-lattice/elements'; register(Name). Or render the page at build time.",
  ]),
  'load-failed': error<{ component: string; reason: string }>(({ component, reason }) => [
    `The data of ${component} could not be loaded: ${reason.replace(/\.$/, '')}.`,
    'The reason says what to correct where it is loaded. Show something in its place, if nothing is: whenLoaded(data, { …, failed: (fault) => … }), or onFailure of the component.',
  ]),
  'async-needed': error<{ what: string }>(({ what }) => [
    `${what}, but renderHtml does not wait.`,
    'Render with await renderHtmlAsync(…) or streamHtml(…). For elements that load in the page: { form: "elements", loadsIn: "page" }.',
  ]),
  'tree-cut': warning<{ most: number; left: number }>(({ most, left }) => [
    `The tree has more than ${most.toLocaleString('en')} uses: ${left.toLocaleString('en')} of them were not followed.`,
    'Each component was followed at least once. Components that contain one another in any order make such trees. Check them separately.',
  ]),
  'mail-unfit': warning<{ fault: string; hint: string }>(({ fault, hint }) => [`The mail ${fault}.`, hint]),
  'row-invalid': error<{ fault: string }>(({ fault }) => [
    `The row ${fault}.`,
    'A row is a record of props: in NDJSON one JSON record a line, in CSV a line below the line of names.',
  ]),
  'page-unwritten': error<{ reason: string }>(({ reason }) => [
    `The page could not be written: ${reason.replace(/\.$/, '')}.`,
    'Check that the folder is writable, and that the functions of the component accept every row.',
  ]),
  'handler-failed': error<{ component: string; handler: string; reason: string }>(
    ({ component, handler, reason }) => [
      `The handler "${handler}" of ${component} stopped with an error: ${reason}.`,
      /read only property|not extensible/.test(reason)
        ? 'Do not change the state in place. Return what changes: return { count: state.count + 1 }.'
        : 'The element stays as it was before. Catch errors in the handler, and show them through the state.',
    ],
  ),
  'state-changed-in-place': error<{ component: string; handler: string; field: string; isList: boolean }>(
    ({ component, handler, field, isList }) => [
      `The handler "${handler}" of ${component} changes state.${field} in place, so the element is not updated.`,
      isList
        ? `Return a new list: return { ${field}: [...state.${field}, item] }.`
        : `Return a new record: return { ${field}: { ...state.${field}, … } }.`,
    ],
  ),
  'samples-unread': error<{ name: string }>(({ name }) => [
    `The module that makes ${name} is unknown, so its samples cannot be found.`,
    'Lines are recorded during development: do not set NODE_ENV=production in tests.',
  ]),
  'policy-forbidden': error<{ reason: string }>(({ reason }) => [
    `The Trusted Types policy of the page does not allow "zesty-lattice": ${reason.replace(/\.$/, '')}.`,
    "Allow it in the header Content-Security-Policy: trusted-types zesty-lattice; with two copies of this library on the page, add 'allow-duplicates'.",
  ]),
  'value-not-json': error<{ name: string; fault: string }>(({ name, fault }) => [
    `${name} ${fault}.`,
    'Pass plain data: a BigInt as text, and a parent by its id instead of a reference.',
  ]),
  'value-failed': error<{ name: string; reason: string }>(({ name, reason }) => [
    `${name} stopped with an error: ${reason}.`,
    'Make the function accept every value that its inputs can have.',
  ]),
} as const;

export type Words = typeof words;

export type ProblemCode = keyof Words;

function clipped(text: string): string {
  const line = text.trim().replace(/\s+/g, ' ');
  return line.length > 60 ? `${line.slice(0, 59)}…` : line;
}

/** A prop's name as its attribute. */
function kebab(prop: string): string {
  return prop.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
}

function identifier(name: string): string {
  return /^[A-Za-z_$][\w$]*$/.test(name) ? name : `'${name}'`;
}

function earlyHint(name: string, how: string, method: string | undefined): string {
  if (method !== undefined && /^(map|forEach|flatMap)$/.test(method)) {
    return `Write eachOf(${name}, (item) => …) to repeat content for a list.`;
  }
  if (method !== undefined) return `Write calc(${name}, (value) => value.${method}(…)).`;
  if (how.startsWith('used as text')) {
    return `Place it as it is, join text with phrase\`… \${${name}}\`, or calculate with calc(${name}, (value) => …).`;
  }
  if (how.startsWith('walked') || how.startsWith('spread')) return `Write eachOf(${name}, (item) => …).`;
  if (how.startsWith('changed')) return 'State changes only in a handler, by what it returns.';
  return `Calculate with calc(${name}, (value) => …).`;
}
