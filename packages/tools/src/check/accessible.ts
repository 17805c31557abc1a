import { elementsIn, type ParsedElement } from 'zesty-lattice/internal/markup';
import { type Finding, finding, type SourcePlace } from 'zesty-lattice/internal/problem';
import { attribute } from './attribute.js';

type Place = (element: ParsedElement) => SourcePlace | undefined;

/**
 * What people who hear a page, or who steer it by voice, miss in it: controls, links, fields and headings without a name,
 * and what says which language and which page it is. The rules are of WCAG 2.2, as far as no layout is needed to tell.
 *
 * @param isPart whether it is a part of a page, whose head is elsewhere
 */
export function accessibleFindings(
  elements: readonly ParsedElement[],
  place: Place,
  isPart: boolean,
): readonly Finding[] {
  const byId = new Map(
    elements.flatMap((one) => (attribute(one, 'id') ? [[attribute(one, 'id') ?? '', one]] : [])),
  );
  const names = new Names(byId, elements);
  const found: Finding[] = [];
  const say = (one: Finding, element: ParsedElement): void =>
    void found.push({ ...one, ...placed(place(element)) });
  for (const element of elements) {
    if (isHidden(element)) continue;
    const what = unnamed(element, names);
    if (what) say(finding('control-unnamed', { tag: element.tagName, ...what }), element);
    if (isHeading(element) && names.content(element) === '' && names.given(element) === '')
      say(finding('heading-empty', { tag: element.tagName }), element);
  }
  const mains = elements.filter((one) => !isHidden(one) && roleOf(one) === 'main');
  for (const one of mains.slice(1)) say(finding('main-doubled', {}), one);
  return isPart ? found : [...found, ...pageParts(elements, place)];
}

/** What a document says of itself (https://www.w3.org/TR/WCAG22/#page-titled, #language-of-page). */
function pageParts(elements: readonly ParsedElement[], place: Place): readonly Finding[] {
  const html = elements.find(({ tagName }) => tagName === 'html');
  const title = elements.find((one) => one.tagName === 'title' && isHtml(one));
  const found: Finding[] = [];
  const source = html && placed(place(html));
  const lang = html && (attribute(html, 'lang') ?? '').trim();
  if (html && lang === '') found.push({ ...finding('page-unnamed', { what: 'language' }), ...source });
  if (html && lang && !isLanguage(lang))
    found.push({ ...finding('page-unnamed', { what: 'language', got: lang }), ...source });
  if (html && textOf(title).trim() === '')
    found.push({ ...finding('page-unnamed', { what: 'title' }), ...source });
  return found;
}

let languages: Intl.DisplayNames | undefined;

/** Whether a tag begins with a language that there is (https://www.rfc-editor.org/rfc/rfc5646#section-2.2.1). */
function isLanguage(tag: string): boolean {
  const [primary = ''] = tag.split('-');
  if (/^[ix]$/i.test(primary)) return true;
  if (!/^[a-z]{2,3}$/i.test(primary)) return false;
  languages ??= new Intl.DisplayNames(['en'], { type: 'language', fallback: 'none' });
  return languages.of(primary) !== undefined;
}

const placed = (source: SourcePlace | undefined): { readonly source?: SourcePlace } =>
  source ? { source } : {};

const isHtml = ({ namespaceURI }: ParsedElement): boolean => namespaceURI === 'http://www.w3.org/1999/xhtml';

const fieldTypes = /^(?!hidden$|button$|submit$|reset$|image$)/;

/** How an element may be named that needs a name and has none; undefined where it has one, or needs none. */
function unnamed(
  element: ParsedElement,
  names: Names,
): { readonly what: string; readonly hint: string } | undefined {
  const { tagName: tag } = element;
  const role = roleOf(element);
  const type = (attribute(element, 'type') ?? 'text').toLowerCase();
  const isField =
    (tag === 'input' && fieldTypes.test(type)) ||
    /^(?:select|textarea)$/.test(tag) ||
    fieldRoles.test(role ?? '');
  if (isField)
    return names.ofField(element) === ''
      ? { what: 'field', hint: 'Write <label for="…"> with its id, or aria-label.' }
      : undefined;
  if (tag === 'input' && type === 'image')
    return names.given(element) === '' && !attribute(element, 'alt')
      ? { what: 'button', hint: 'Say in alt what it does.' }
      : undefined;
  if (tag === 'input' && type === 'button')
    return names.given(element) === '' && !attribute(element, 'value')
      ? { what: 'button', hint: 'Say in value what it does.' }
      : undefined;
  // Without a value a browser names them, with an empty one nothing does.
  if (tag === 'input' && /^(?:submit|reset)$/.test(type))
    return attribute(element, 'value')?.trim() === '' && names.given(element) === ''
      ? { what: 'button', hint: 'Say in value what it does, or leave it out.' }
      : undefined;
  if (tag === 'area' && attribute(element, 'href') !== undefined)
    return names.given(element) === '' && !attribute(element, 'alt')
      ? { what: 'link', hint: 'Say in alt where it leads.' }
      : undefined;
  const isLink =
    role === 'link' || (role === undefined && tag === 'a' && attribute(element, 'href') !== undefined);
  const isButton = byContent.test(role ?? '') || (role === undefined && tag === 'button');
  if (!isLink && !isButton && tag !== 'summary') {
    const isPicture = role === 'img' && tag !== 'img';
    return isPicture && names.given(element) === '' && svgTitle(element) === ''
      ? {
          what: 'picture',
          hint: 'Say in aria-label what it shows, or aria-hidden="true" if it shows nothing.',
        }
      : undefined;
  }
  if (names.given(element) !== '' || names.content(element) !== '') return undefined;
  return isLink
    ? { what: 'link', hint: 'Write text in it that says where it leads, or aria-label.' }
    : {
        what: tag === 'summary' ? 'summary' : 'button',
        hint: 'Write text in it that says what it does, or aria-label.',
      };
}

const fieldRoles = /^(?:textbox|searchbox|combobox|listbox|slider|spinbutton)$/;
const byContent =
  /^(?:button|menuitem|menuitemcheckbox|menuitemradio|checkbox|radio|switch|option|tab|treeitem)$/;

const isHeading = (element: ParsedElement): boolean =>
  roleOf(element) === 'heading' || (/^h[1-6]$/.test(element.tagName) && roleOf(element) === undefined);

function svgTitle(element: ParsedElement): string {
  const title = element.childNodes.find(
    (one): one is ParsedElement => 'tagName' in one && one.tagName === 'title',
  );
  return textOf(title).trim();
}

/** The names of elements, in the order of https://www.w3.org/TR/accname-1.2/#computation-steps. */
class Names {
  readonly #byId: ReadonlyMap<string, ParsedElement>;
  /** The labels of a page by the id that they are for. */
  readonly #labels = new Map<string, ParsedElement[]>();

  constructor(byId: ReadonlyMap<string, ParsedElement>, elements: readonly ParsedElement[]) {
    this.#byId = byId;
    for (const one of elements) {
      const id = one.tagName === 'label' ? attribute(one, 'for') : undefined;
      if (id !== undefined) this.#labels.set(id, [...(this.#labels.get(id) ?? []), one]);
    }
  }

  /** What attributes say. */
  given(element: ParsedElement): string {
    const labelled = (attribute(element, 'aria-labelledby') ?? '')
      .split(/\s+/)
      .map((id) => this.#byId.get(id))
      .map((one) => (one ? attribute(one, 'aria-label')?.trim() || this.content(one) : ''))
      .join(' ')
      .trim();
    return (
      labelled ||
      (attribute(element, 'aria-label') ?? '').trim() ||
      (attribute(element, 'title') ?? '').trim()
    );
  }

  /** What stands in an element, with the names of pictures and controls in it. */
  content(element: ParsedElement): string {
    let text = '';
    const open = [...element.childNodes].reverse();
    for (let node = open.pop(); node; node = open.pop()) {
      if ('value' in node) text += node.value;
      if (!('tagName' in node) || isHidden(node) || node.tagName === 'style' || node.tagName === 'script')
        continue;
      if (node.tagName === 'template') continue;
      const said =
        attribute(node, 'aria-label') ?? (node.tagName === 'img' ? attribute(node, 'alt') : undefined);
      if (said?.trim()) text += ` ${said} `;
      else open.push(...[...node.childNodes].reverse());
    }
    return text.trim();
  }

  ofField(element: ParsedElement): string {
    const given = this.given(element);
    if (given !== '') return given;
    const id = attribute(element, 'id');
    const labels = [...((id !== undefined && this.#labels.get(id)) || [])];
    for (let at = element.parentNode; at && 'tagName' in at; at = at.parentNode as never)
      if (at.tagName === 'label') labels.push(at as ParsedElement);
    const text = labels
      .map((one) => this.content(one))
      .join(' ')
      .trim();
    return text || (attribute(element, 'placeholder') ?? '').trim();
  }
}

const roleOf = (element: ParsedElement): string | undefined => {
  const said = attribute(element, 'role')?.trim().split(/\s+/)[0];
  if (said) return said;
  return element.tagName === 'main' ? 'main' : undefined;
};

/** Whether nobody hears it: it, or something around it, is hidden. */
function isHidden(element: ParsedElement): boolean {
  for (
    let at: ParsedElement | undefined = element;
    at && 'tagName' in at;
    at = at.parentNode as ParsedElement | undefined
  ) {
    if (attribute(at, 'hidden') !== undefined || attribute(at, 'aria-hidden') === 'true') return true;
    if (/(?:^|;)\s*(?:display:\s*none|visibility:\s*hidden)/.test(attribute(at, 'style') ?? '')) return true;
    if (/^(?:noscript|template)$/.test(at.tagName)) return true;
    if (at.tagName === 'dialog' && attribute(at, 'open') === undefined) return true;
  }
  return false;
}

function textOf(element: ParsedElement | undefined): string {
  if (!element) return '';
  return [element, ...elementsIn(element.childNodes)]
    .flatMap(({ childNodes }) => childNodes)
    .map((one) => ('value' in one ? one.value : ''))
    .join('');
}
