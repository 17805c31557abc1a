import { packageOf } from './package-of.js';

/** How the plain text of a mail is written. */
export interface MailTextOptions {
  /** Where the addresses of links stand: behind their words (default), or in a list at the end, by number. */
  readonly links?: 'in place' | 'at the end';
}

interface Element {
  readonly attribs?: Readonly<Record<string, string>>;
  readonly children?: readonly (Element & { readonly data?: string })[];
}
type Walk = (children: unknown, builder: Builder) => void;
interface Builder {
  addInline(text: string, options?: object): void;
  readonly metadata: Noted;
}
type Format = (element: Element, walk: Walk, builder: Builder) => void;

/** How long a line is, in characters: shorter than where mail programs break lines that are quoted. */
const lineLength = 72;

const words = ({ children = [] }: Element): string =>
  children
    .map((one) => one.data ?? words(one))
    .join('')
    .replace(/\s+/g, ' ')
    .trim();

/** A mail's address as a reader knows it. */
const plainAddress = (href: string): string => href.replace(/^mailto:|^tel:/i, '');

/** What is noted while a text is written. */
interface Noted {
  readonly isInPlace: boolean;
  readonly addresses: string[];
}

const link: Format = ({ attribs, children = [] }, walk, builder) => {
  const { addresses, isInPlace } = builder.metadata;
  const href = attribs?.href ?? '';
  const said = words({ children });
  walk(children, builder);
  const address = plainAddress(href);
  // An address that is its own words stands once, and a place in the mail leads nowhere in a text.
  const isSaid = [href, address, address.replace(/^https?:\/\//, '')].includes(said);
  if (href === '' || href.startsWith('#') || isSaid) return;
  if (isInPlace) return builder.addInline(`${said === '' ? '' : ' '}[${address}]`, { noWordTransform: true });
  const known = addresses.indexOf(address);
  const number = known < 0 ? addresses.push(address) : known + 1;
  builder.addInline(` [${number}]`);
};

const block = { leadingLineBreaks: 1, trailingLineBreaks: 1 };
const skipped = [
  'img',
  '[aria-hidden="true"]',
  '[hidden]',
  '[style*="display: none"]',
  '[style*="display:none"]',
];
const options = {
  wordwrap: lineLength,
  formatters: { mailLink: link },
  selectors: [
    ...skipped.map((selector) => ({ selector, format: 'skip' })),
    { selector: 'a', format: 'mailLink' },
    ...['h1', 'h2', 'h3', 'h4', 'h5', 'h6'].map((selector) => ({
      selector,
      options: { uppercase: false },
    })),
    { selector: 'ul', options: { itemPrefix: '- ' } },
    { selector: 'table', format: 'dataTable', options: { uppercaseHeaderCells: false, colSpacing: 3 } },
    // Tables are how a mail is laid out, too: the rows of those are lines.
    { selector: 'table[role="presentation"]', format: 'block', options: block },
    { selector: 'table[role="none"]', format: 'block', options: block },
    { selector: 'tr', format: 'block', options: block },
  ],
};

interface HtmlToText {
  compile(options: object): (html: string, metadata: Noted) => string;
}
let converter: ReturnType<HtmlToText['compile']> | undefined;

/** The plain text of a mail, for programs and people that want it. */
export function mailText(html: string, { links = 'in place' }: MailTextOptions = {}): string {
  converter ??= packageOf<HtmlToText>('html-to-text').compile(options);
  const addresses: string[] = [];
  const text = converter(html, { isInPlace: links === 'in place', addresses });
  if (addresses.length === 0) return text;
  return `${text.trimEnd()}\n\n${addresses.map((one, at) => `[${at + 1}] ${one}`).join('\n')}\n`;
}
