import type { DefaultTreeAdapterTypes } from 'parse5';
import type { ComponentCore } from 'zesty-lattice/internal/component';
import { readFragment } from 'zesty-lattice/internal/markup';
import { propertyKey, quoted } from '../adopt/write.js';
import { givenOf } from './use-text.js';

type Parsed = DefaultTreeAdapterTypes.ChildNode;

/** A component and the name that its module exports it under. */
export interface Exported {
  readonly core: ComponentCore;
  readonly exportName: string;
}

/** What functions cannot say of a text. */
class Unsayable extends Error {}

/**
 * A use that is written as HTML text, in functions; empty where it cannot be, such as expressions other than paths.
 *
 * @example useCode('<price-tag cents="1850"></price-tag>', exported) // 'PriceTag({ cents: 1850 })'
 */
export function useCode(text: string, exported: ReadonlyMap<string, Exported>): string {
  const [node] = readFragment(text).childNodes;
  try {
    return node ? nodeCode(node, text, exported, 0, new Set()) : '';
  } catch (thrown) {
    if (thrown instanceof Unsayable) return '';
    throw thrown;
  }
}

type Names = ReadonlySet<string>;

function nodeCode(
  node: Parsed,
  text: string,
  exported: ReadonlyMap<string, Exported>,
  indent: number,
  names: Names,
): string {
  if ('value' in node) return textCode(node.value, names);
  if ('data' in node) return `trusted(${quoted(`<!--${node.data}-->`)})`;
  if (!('attrs' in node)) throw new Unsayable();
  const found = exported.get(node.tagName);
  if (found) return componentCode(node, text, exported, found, indent, names);
  if ('content' in node) throw new Unsayable();
  const attributes = node.attrs.filter(({ name }) => name !== 'slot');
  const record = attributes.map(({ name, value }) => {
    if (value.includes('{{')) throw new Unsayable();
    return `${propertyKey(name)}: ${value === '' ? 'true' : quoted(value)}`;
  });
  const args = [
    ...(record.length > 0 ? [`{ ${record.join(', ')} }`] : []),
    ...contentCode(node.childNodes, text, exported, indent + 2, names),
  ];
  const hasBuilder = /^[a-z][a-z0-9]*$/.test(node.tagName) && node.tagName !== 'of';
  if (!hasBuilder) args.unshift(quoted(node.tagName));
  return call(hasBuilder ? `el.${node.tagName}` : 'el.of', args, indent);
}

function call(name: string, args: readonly string[], indent: number): string {
  const line = `${name}(${args.join(', ')})`;
  if (line.length + indent < 96 && !line.includes('\n')) return line;
  const pad = ' '.repeat(indent + 2);
  return `${name}(\n${args.map((arg) => `${pad}${arg},`).join('\n')}\n${' '.repeat(indent)})`;
}

function contentCode(
  nodes: readonly Parsed[],
  text: string,
  exported: ReadonlyMap<string, Exported>,
  indent: number,
  names: Names,
): readonly string[] {
  return nodes.map((node) => nodeCode(node, text, exported, indent, names));
}

/** Text with the names of what a slot passes, by their paths. */
function textCode(text: string, names: Names): string {
  const parts = text.split(/\{\{(.*?)\}\}/s);
  const said = parts.map((part, index) => {
    if (index % 2 === 0) return part === '' ? '' : quoted(part);
    const path = part.trim();
    if (!/^[A-Za-z_$][\w$]*(?:\.[A-Za-z_$][\w$]*)*$/.test(path) || !names.has(path.split('.')[0] ?? ''))
      throw new Unsayable();
    return path;
  });
  return said.filter((one) => one !== '').join(', ') || "''";
}

function componentCode(
  node: DefaultTreeAdapterTypes.Element,
  text: string,
  exported: ReadonlyMap<string, Exported>,
  { core, exportName }: Exported,
  indent: number,
  names: Names,
): string {
  const place = node.sourceCodeLocation;
  const own = place ? text.slice(place.startOffset, place.endOffset) : '';
  const given = givenOf(readFragment(own).childNodes[0] as DefaultTreeAdapterTypes.Element, own, core);
  const props = [
    ...Object.entries(given.props).map(
      ([name, value]) => `${propertyKey(name)}: ${propCode(core, name, value)}`,
    ),
    ...(core.accepts === undefined
      ? []
      : Object.entries(given.others ?? {}).map(([name, value]) => `${propertyKey(name)}: ${quoted(value)}`)),
  ];
  const slots = Object.entries(given.slots).map(([name, inner]) => {
    const as = given.names?.[name];
    const known = as === undefined ? names : new Set([...names, as]);
    const nodes = readFragment(inner).childNodes;
    const parts = contentCode(nodes, inner, exported, indent + 4, known);
    const content = parts.length === 1 ? (parts[0] ?? '') : `[${parts.join(', ')}]`;
    return { name, code: as === undefined ? content : `(${as}) => ${content}` };
  });
  const args =
    props.length > 0 || slots.length > 0 ? [`{${props.length > 0 ? ` ${props.join(', ')} ` : ''}}`] : [];
  const [only] = slots;
  if (slots.length === 1 && only?.name === 'default' && !only.code.startsWith('(')) args.push(only.code);
  else if (slots.length > 0) {
    const pad = ' '.repeat(indent + 4);
    const entries = slots.map(({ name, code }) => `${pad}${propertyKey(name)}: ${code},`);
    args.push(`{\n${entries.join('\n')}\n${' '.repeat(indent + 2)}}`);
  }
  return call(exportName, args, indent);
}

/** A value as its prop takes it in functions. */
function propCode({ props }: ComponentCore, name: string, value: unknown): string {
  const kind = props.kinds[props.at.get(name) ?? -1];
  if (kind?.rules.word === 'date' && typeof value === 'string') return `new Date(${quoted(value)})`;
  if (typeof value === 'string') return quoted(value);
  return valueCode(value);
}

function valueCode(value: unknown): string {
  if (typeof value === 'string') return quoted(value);
  if (Array.isArray(value)) return `[${value.map(valueCode).join(', ')}]`;
  if (typeof value === 'object' && value !== null) {
    const fields = Object.entries(value).map(([name, one]) => `${propertyKey(name)}: ${valueCode(one)}`);
    return fields.length === 0 ? '{}' : `{ ${fields.join(', ')} }`;
  }
  return String(value);
}
