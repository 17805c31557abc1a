import { propNameFaults } from 'zesty-lattice/internal/component';
import type { ParsedElement } from './select.js';

/** What a text in an element is mostly called. */
const byTag: Readonly<Record<string, string>> = {
  a: 'label',
  button: 'label',
  code: 'code',
  dd: 'text',
  dt: 'term',
  figcaption: 'caption',
  h1: 'title',
  h2: 'title',
  h3: 'title',
  h4: 'title',
  h5: 'title',
  h6: 'title',
  label: 'label',
  li: 'item',
  option: 'option',
  p: 'text',
  small: 'note',
  strong: 'emphasis',
  td: 'cell',
  th: 'heading',
  time: 'time',
};

/** Gives props their names, each once. */
export class PropNames {
  readonly #names = new Set<string>();
  /** The number that the next equal name gets. */
  readonly #next = new Map<string, number>();

  get all(): readonly string[] {
    return [...this.#names];
  }

  /**
   * A name for the text of an element: by its class where that says something, the term that it describes, its tag, else
   * by the element around it.
   */
  forText(element: ParsedElement): string {
    return this.free(wordFor(element) ?? 'text');
  }

  /** A name for an attribute; that of a time or a datum goes with its text. */
  forAttribute(attribute: string, element: ParsedElement): string {
    if (attribute === 'class') return this.free('look');
    const plain = attribute.replace(/^(aria|data)-/, '');
    const isOfText =
      attribute === 'datetime' || (attribute === 'value' && /^(?:data|meter)$/.test(element.tagName));
    const word = isOfText ? wordFor(element) : undefined;
    return this.free(word === undefined || word === 'time' ? plain : `${word}-${plain}`);
  }

  free(wanted: string): string {
    const plain = wanted
      .replace(/[^A-Za-z0-9]+(\w)/g, (_whole, letter: string) => letter.toUpperCase())
      .replace(/^[^A-Za-z]+|[^A-Za-z0-9]+/g, '');
    const word = plain === '' ? 'value' : plain.charAt(0).toLowerCase() + plain.slice(1);
    // What every element has already, and what would be an event's, cannot be a prop.
    const base = propNameFaults('', [word]).length > 0 ? `${word}Value` : word;
    let number = this.#next.get(base) ?? 1;
    const numbered = (): string => (number === 1 ? base : `${base}${number}`);
    while (this.#names.has(numbered())) number++;
    this.#next.set(base, number + 1);
    const name = numbered();
    this.#names.add(name);
    return name;
  }
}

/** What a text in an element is mostly called. */
function wordFor(element: ParsedElement, depth = 0): string | undefined {
  const classes = element.attrs.find(({ name }) => name === 'class')?.value.split(/\s+/) ?? [];
  const words = classes.map((one) => /(?:^|[-_])([a-z]{3,})$/.exec(one)?.[1] ?? '');
  const said =
    words.find((word) => telling.test(word)) ??
    (depth > 0 ? undefined : words.find((word) => word !== '' && !looks.test(word)));
  if (said !== undefined) return said;
  const term = element.tagName === 'dd' ? termOf(element) : undefined;
  if (term !== undefined) return term;
  const byItself = Object.hasOwn(byTag, element.tagName) ? byTag[element.tagName] : undefined;
  if (depth > 0) return undefined;
  if (byItself !== undefined && byItself !== 'text') return byItself;
  const around = element.parentNode;
  const outer = around && 'tagName' in around ? wordFor(around, depth + 1) : undefined;
  return outer ?? byItself;
}

/** The term that a description is of, where it is one or two words. */
function termOf(element: ParsedElement): string | undefined {
  const around = element.parentNode;
  if (!around || !('childNodes' in around)) return undefined;
  const known = terms.get(around) ?? termsIn(around.childNodes);
  terms.set(around, known);
  const term = known.get(element);
  const [text] = term?.childNodes ?? [];
  const words = text && 'value' in text ? text.value.trim() : '';
  return /^[A-Za-z]+(?: [A-Za-z]+)?$/.test(words) ? words.toLowerCase() : undefined;
}

type Nodes = ParsedElement['childNodes'];

/** The terms before the elements of each list, which is walked once. */
const terms = new WeakMap<object, ReadonlyMap<ParsedElement, ParsedElement>>();

function termsIn(nodes: Nodes): ReadonlyMap<ParsedElement, ParsedElement> {
  const known = new Map<ParsedElement, ParsedElement>();
  let term: ParsedElement | undefined;
  for (const one of nodes) {
    if (!('tagName' in one)) continue;
    if (term) known.set(one, term);
    if (one.tagName === 'dt') term = one;
  }
  return known;
}

/** Words of classes that say how something looks or where it stands, not what it is. */
const looks =
  /^(active|align|auto|between|block|body|bold|border|bottom|box|btn|button|card|center|col|cols|column|container|content|dark|display|end|fixed|flex|float|full|fluid|gap|grid|group|hidden|inline|inner|item|items|large|left|light|link|list|main|medium|middle|muted|outer|padding|panel|primary|right|round|rounded|row|rows|secondary|section|shadow|small|space|start|sticky|stretch|success|text|top|uppercase|visible|warning|wide|wrap|wrapper)$/;

const telling =
  /^(title|subtitle|text|label|caption|note|price|date|time|author|badge|lead|heading|name|meta|summary)$/;
