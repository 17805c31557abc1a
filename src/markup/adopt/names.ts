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
  readonly #names: string[] = [];

  get all(): readonly string[] {
    return this.#names;
  }

  /** A name for the text of an element: by its class where that says more than its tag. */
  forText(element: ParsedElement): string {
    const classes = element.attrs.find(({ name }) => name === 'class')?.value.split(/\s+/) ?? [];
    const words = classes.map((one) => /([a-z]+)$/.exec(one)?.[1]).find((word) => word && telling.test(word));
    return this.free(words ?? byTag[element.tagName] ?? 'text');
  }

  forAttribute(attribute: string): string {
    return this.free(attribute === 'class' ? 'look' : attribute.replace(/^(aria|data)-/, ''));
  }

  free(wanted: string): string {
    const plain = wanted
      .replace(/[^A-Za-z0-9]+(\w)/g, (_whole, letter: string) => letter.toUpperCase())
      .replace(/^[^A-Za-z]+|[^A-Za-z0-9]+/g, '');
    const base = plain === '' ? 'value' : plain;
    let name = base;
    for (let number = 2; this.#names.includes(name); number++) name = `${base}${number}`;
    this.#names.push(name);
    return name;
  }
}

const telling =
  /^(title|subtitle|text|label|caption|note|price|date|time|author|badge|lead|heading|name|meta|summary)$/;
