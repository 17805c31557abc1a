import type { ComponentFacts, Given } from '../../reading/facts.js';

/** How the component is looked at. */
export interface Look {
  /** In CSS pixels; 0 is as wide as there is room. */
  readonly width: number;
  readonly scheme: 'light' | 'dark';
  readonly dir: 'ltr' | 'rtl';
  /** As for a reader who wants less motion. */
  readonly isStill: boolean;
}

export interface Address {
  readonly name: string;
  /** Nothing where the address holds nothing but the component. */
  readonly given: Given | null;
  /** HTML text that is more than one use of the component; empty where there is none. */
  readonly text: string;
  readonly look: Look;
}

export const firstLook: Look = { width: 0, scheme: 'light', dir: 'ltr', isStill: false };

/**
 * What is looked at, as the part of an address after `#`, to be read by people, too:
 * `variety-card?title=Dunlight&crates=4&slot.badge=<b>New</b>&width=360`.
 */
export function addressOf(name: string, given: Given, look: Look = firstLook): string {
  const said = new URLSearchParams();
  for (const [prop, value] of Object.entries(given.props))
    said.append(`prop.${prop}`, typeof value === 'string' ? value : JSON.stringify(value));
  for (const [slot, text] of Object.entries(given.slots)) said.append(`slot.${slot}`, text);
  for (const [slot, as] of Object.entries(given.names ?? {})) said.append(`as.${slot}`, as);
  for (const [attribute, value] of Object.entries(given.others ?? {}))
    said.append(`attribute.${attribute}`, value);
  if ([...said].length === 0) said.append('given', 'nothing');
  return withLook(name, said, look);
}

/** The same for HTML text that is more than one use. */
export function textAddress(name: string, text: string, look: Look): string {
  return withLook(name, new URLSearchParams({ text }), look);
}

function withLook(name: string, said: URLSearchParams, look: Look): string {
  if (look.width !== firstLook.width) said.append('width', String(look.width));
  if (look.scheme !== firstLook.scheme) said.append('scheme', look.scheme);
  if (look.dir !== firstLook.dir) said.append('dir', look.dir);
  if (look.isStill) said.append('motion', 'less');
  return `${name}?${said}`;
}

/** Reads an address; what it says of props that the component does not have is kept, and reported like any other. */
export function readAddress(hash: string, components: readonly ComponentFacts[]): Address {
  const [name = '', query = ''] = splitAt(hash.replace(/^#/, ''), '?');
  const said = new URLSearchParams(query);
  const facts = components.find((one) => one.name === name);
  const kinds = new Map(facts?.props.map((one) => [one.name, one.kind]));
  const props: Record<string, unknown> = {};
  const slots: Record<string, string> = {};
  const names: Record<string, string> = {};
  const others: Record<string, string> = {};
  let isGiven = said.has('given');
  for (const [key, text] of said) {
    const [part = '', of = ''] = splitAt(key, '.');
    if (of === '') continue;
    isGiven = true;
    if (part === 'prop') define(props, of, valueIn(kinds.get(of) ?? 'text', text));
    else if (part === 'slot') define(slots, of, text);
    else if (part === 'as') define(names, of, text);
    else if (part === 'attribute') define(others, of, text);
  }
  return {
    name,
    given: isGiven ? { props, slots, names, others } : null,
    text: said.get('text') ?? '',
    look: {
      width: widthIn(said.get('width')),
      scheme: said.get('scheme') === 'dark' ? 'dark' : 'light',
      dir: said.get('dir') === 'rtl' ? 'rtl' : 'ltr',
      isStill: said.get('motion') === 'less',
    },
  };
}

/** Names come from an address: one that every record has is a field like others. */
function define<T>(record: Record<string, T>, name: string, value: T): void {
  Object.defineProperty(record, name, { value, enumerable: true, configurable: true, writable: true });
}

function splitAt(text: string, sign: string): readonly [string, string] {
  const at = text.indexOf(sign);
  return at < 0 ? [text, ''] : [text.slice(0, at), text.slice(at + 1)];
}

function valueIn(kind: string, text: string): unknown {
  if (/^(?:text|url|choice|tag|date)$/.test(kind)) return text;
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
}

export function widthIn(text: string | null): number {
  const width = Number(text);
  return Number.isInteger(width) && width >= 120 && width <= 4000 ? width : firstLook.width;
}
