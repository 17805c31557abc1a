import { type AnyKind, attributeOf, fallbackOf, isMade } from 'zesty-lattice/internal/component';
import { aboutOf, type Described } from './described.js';
import { styleParts, styleProperties } from './style-facts.js';
import { typeText } from './type-text.js';

/** A sample that a reference page shows: what is written, and its picture, if there is one. */
export interface ReferenceSample {
  readonly name: string;
  readonly text: string;
  /** The picture's path from the page. */
  readonly picture?: string;
}

/**
 * A page in Markdown about one component: what it is for, its samples, props, slots, events, and what of its look can be
 * set.
 *
 * @param file the component's module, as a person knows it
 */
export function referencePage(
  { core, exportName }: Described,
  file: string,
  samples: readonly ReferenceSample[],
): string {
  const { elementMethods, events, name, props, slots } = core;
  const kinds = props.names.map((prop, index) => [prop, props.kinds[index] as AnyKind] as const);
  const parts = [
    `# ${name}`,
    prose(withInstead(aboutOf(core), core.deprecated)),
    `${span(exportName)} in ${span(file)}`,
    ...samples.flatMap(({ name: title, picture, text }) => [
      `## ${escaped(title)}`,
      ...(picture === undefined ? [] : [`![${escaped(title)}](${encodeURI(picture)})`]),
      code('html', text),
    ]),
    table(
      'Props',
      ['Prop', 'Attribute', 'Takes', 'If left out', ''],
      kinds.map(([prop, kind]) => [
        span(prop),
        span(attributeOf(prop)),
        span(typeText(kind)),
        leftOut(kind),
        prose(withInstead(kind.settings.description, kind.settings.deprecated)),
      ]),
    ),
    table(
      'Slots',
      ['Slot', '', ''],
      slots.names.map((slot, index) => {
        const kind = slots.kinds[index];
        const facts = [
          kind?.needed ? 'needed' : '',
          kind?.hands
            ? kind.item
              ? `passes ${span(typeText(kind.item))}`
              : 'passes data to its content'
            : '',
        ];
        return [
          span(slot),
          facts.filter(Boolean).join(', '),
          prose(withInstead(kind?.description, kind?.instead)),
        ];
      }),
    ),
    table(
      'Events',
      ['Event', ''],
      Object.entries(events).map(([event, kind]) => [
        span(event),
        prose(withInstead(kind.description, kind.instead)),
      ]),
    ),
    table(
      'Methods',
      ['Method'],
      Object.keys(elementMethods).map((method) => [span(`${method}()`)]),
    ),
    table(
      'Look',
      ['Custom property', 'If not set'],
      styleProperties(core).map((one) => [span(one.name), one.fallback === '' ? '' : span(one.fallback)]),
    ),
    table(
      'Parts',
      ['Part'],
      styleParts(core).map((part) => [span(part)]),
    ),
  ];
  return `${parts.filter((one) => one !== '').join('\n\n')}\n`;
}

const withInstead = (description = '', instead: string | undefined = undefined): string =>
  instead === undefined ? description : `Deprecated: ${instead} ${description}`.trim();

function leftOut(kind: AnyKind): string {
  const { fallbackValue, presence } = kind.settings;
  if (presence === 'required') return 'needed';
  if (presence === 'optional') return '';
  if (isMade(fallbackValue)) return 'made for each use';
  const value = fallbackOf(kind);
  return span(value instanceof Date ? value.toISOString() : (JSON.stringify(value) ?? ''));
}

function table(title: string, heads: readonly string[], rows: readonly (readonly string[])[]): string {
  if (rows.length === 0) return '';
  const line = (cells: readonly string[]): string => `| ${cells.map(cell).join(' | ')} |`;
  return [`## ${title}`, '', line(heads), `|${heads.map(() => '---').join('|')}|`, ...rows.map(line)].join(
    '\n',
  );
}

/** A cell ends at the next bar, which may stand in code as well (https://github.github.com/gfm/#tables-extension-). */
const cell = (text: string): string => text.replace(/\|/g, '\\|').replace(/\s*\n\s*/g, ' ');

/** Text that is no markup: what an author wrote may have any sign. */
const escaped = (text: string): string => text.replace(/[\\`*_{}[\]<>#|]/g, '\\$&');

/** A sentence of an author's: it may have code in it, and no other markup. */
const prose = (text: string): string =>
  text
    .split(/(`[^`\n]+`)/)
    .map((part, index) => (index % 2 === 1 ? part : part.replace(/[\\`*_{}[\]<>#&]/g, '\\$&')))
    .join('');

/** Code in a line, in more ticks than stand in it (https://spec.commonmark.org/0.31.2/#code-spans). */
function span(text: string): string {
  const longest = Math.max(0, ...[...text.matchAll(/`+/g)].map(([ticks]) => ticks.length));
  const ticks = '`'.repeat(longest + 1);
  return longest === 0 ? `${ticks}${text}${ticks}` : `${ticks} ${text} ${ticks}`;
}

/** A block of code, in more ticks than stand in it. */
function code(language: string, text: string): string {
  const longest = Math.max(2, ...[...text.matchAll(/`+/g)].map(([ticks]) => ticks.length));
  const fence = '`'.repeat(longest + 1);
  return `${fence}${language}\n${text.trim()}\n${fence}`;
}
