import type { MarkupReader, TemplateText, TextContext } from '../../component/index.js';
import { type Finding, type SourcePlace, tells } from '../../problem/index.js';
import type { Content } from '../../template/index.js';
import { trimmedEnd, trimmedStart } from '../../template/index.js';
import type { MarkupNode } from '../syntax/nodes.js';
import { Places } from '../syntax/place.js';
import type { Reader, Reading } from '../syntax/reading.js';
import { contentOf } from './content.js';
import { TextReading } from './reading.js';

/** Where a text that is written inside a module stands in it; undefined where that cannot be reported. */
export type Locate = (text: string, module: SourcePlace) => SourcePlace | undefined;

/** A reader of template texts, with the HTML parser at hand. */
export function markupReader(read: Reader, locate: Locate = () => undefined): MarkupReader {
  return {
    content: (context) => templateOf(context, read, locate),
    slots: (text) => slotsIn(read(text.text, new Places(text.text, text.file ?? '')).nodes),
  };
}

function templateOf({ core, text, findings }: TextContext, read: Reader, locate: Locate): Content {
  const places = placesOf(text, core.source, locate);
  const found = read(text.text, places);
  if (tells) findings.push(...found.findings);
  const reading = new TextReading(core, places, found.marked.holes, findings, contentOf);
  unclosedHole(found, reading);
  const content = contentOf(outerTrimmed(found.nodes), new Map(), reading);
  findings.sort(byPlace);
  return content;
}

function byPlace(a: Finding, b: Finding): number {
  return (a.source?.line ?? 0) - (b.source?.line ?? 0) || (a.source?.column ?? 0) - (b.source?.column ?? 0);
}

/** White space at the ends of a whole text, such as the line break that ends a file, is none of the template's. */
function outerTrimmed(nodes: readonly MarkupNode[]): readonly MarkupNode[] {
  return nodes.flatMap((node, at): readonly MarkupNode[] => {
    if (node.kind !== 'text') return [node];
    let { text } = node;
    if (at === 0) text = trimmedStart(text);
    if (at === nodes.length - 1) text = trimmedEnd(text);
    return text === '' ? [] : [{ ...node, text }];
  });
}

function placesOf(text: TemplateText, source: SourcePlace | undefined, locate: Locate): Places {
  if (text.file !== undefined) return new Places(text.text, text.file);
  const first = source && locate(text.text, source);
  if (first) return new Places(text.text, first.file, first);
  return new Places(text.text, source ? `${source.file} (template of line ${source.line})` : 'template');
}

function unclosedHole({ marked }: Reading, reading: TextReading): void {
  if (marked.unclosed === undefined) return;
  reading.report(
    'expression-invalid',
    {
      expression: '{{',
      fault: 'opens an interpolation that is never closed',
      hint: "Close it with }}. For the signs themselves write {{ '{{' }}.",
    },
    marked.unclosed,
  );
}

/** The slots a text places, each with whether it passes data. */
function slotsIn(nodes: readonly MarkupNode[]): ReadonlyMap<string, boolean> {
  const slots = new Map<string, boolean>();
  const visit = (node: MarkupNode): void => {
    if (node.kind !== 'element') return;
    if (node.tag === 'slot') {
      const attribute = (name: string) => node.attributes.find((one) => one.name === name);
      const name = attribute('name')?.value || 'default';
      slots.set(name, (slots.get(name) ?? false) || attribute('data') !== undefined);
    }
    node.children.forEach(visit);
  };
  nodes.forEach(visit);
  return slots;
}
