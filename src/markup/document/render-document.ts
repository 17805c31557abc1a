import type { DefaultTreeAdapterTypes } from 'parse5';
import type { ComponentCore } from '../../component/index.js';
import { write } from '../../html/render.js';
import { styleSheet } from '../../html/styles.js';
import {
  finding,
  LatticeError,
  nearestOr,
  type Problem,
  placed,
  type SourcePlace,
  tagName,
} from '../../problem/index.js';
import { resolve } from '../../tree/index.js';
import { Places } from '../syntax/place.js';
import { readDocument } from '../syntax/read-node.js';
import { type Catalog, isForeign } from './catalog.js';
import { DocumentUses } from './uses.js';

type Parsed = DefaultTreeAdapterTypes.ChildNode;
export type ParsedElement = DefaultTreeAdapterTypes.Element;

export interface DocumentOptions {
  /** The file the text was read from; problems name it. */
  readonly file?: string;
  /** Whether the components' styles are put in: at the end of the head, else before the first component. On unless `false`. */
  readonly styles?: boolean;
  /** `markup` dissolves components into plain HTML; `elements` keeps interactive ones as custom elements. */
  readonly form?: 'markup' | 'elements';
}

/** A document with its components rendered, and what is wrong in it. */
export interface RenderedDocument {
  readonly html: string;
  /** A component with errors stays in the document as it was written. */
  readonly problems: readonly Problem[];
  /** Where a character of the rendered text comes from: of what a component wrote, where the component stands. */
  origin(offset: number): SourcePlace;
}

/**
 * Renders the components whose tags stand in a document. All else comes back byte for byte as it was: comments,
 * doctype, references, white space. Nothing is thrown for what is wrong in the document.
 *
 * @param html a whole document, or a part of one
 * @example
 * const { html, problems } = renderDocument('<h1>Stalls</h1><stall-sign name="North" crates="3"></stall-sign>', catalog([StallSign]));
 */
export function renderDocument(
  html: string,
  catalog: Catalog,
  options: DocumentOptions = {},
): RenderedDocument {
  const places = new Places(html, options.file ?? 'document');
  const document = readDocument(html);
  const problems: Problem[] = [];
  const report = (problem: Problem): void => void problems.push(problem);
  const uses = new DocumentUses(html, places, catalog, report);
  const styled = new Set<ComponentCore>();
  const edits: Edit[] = [];
  for (const element of elementsIn(document.childNodes)) {
    if (!isCustom(element)) continue;
    const place = element.sourceCodeLocation;
    if (!place || uses.isInside(place.startOffset)) continue;
    const component = catalog.components.get(element.tagName);
    if (!component) {
      if (!isForeign(element.tagName, catalog.foreign)) unknown(element, catalog, places, report);
      continue;
    }
    const use = uses.useOf(element, component);
    if (!use) continue;
    try {
      const before = problems.length;
      problems.push(...resolve(use).problems);
      if (problems.slice(before).some(({ severity }) => severity === 'error')) continue;
      const { html: text, styled: needed } = write(use, {
        ...(options.form && { form: options.form }),
        ...(edits.length > 0 && { idPrefix: String(edits.length + 1) }),
      });
      for (const one of needed) styled.add(one);
      edits.push({ at: place.startOffset, end: place.endOffset, text });
    } catch (thrown) {
      if (!(thrown instanceof LatticeError)) throw thrown;
      problems.push(...thrown.problems);
    }
  }
  if (options.styles !== false && styled.size > 0) {
    const css = styleSheet(styled);
    const at = headEnd(document) ?? edits[0]?.at;
    if (css !== '' && at !== undefined) edits.unshift({ at, end: at, text: `<style>${css}</style>` });
  }
  edits.sort((a, b) => a.at - b.at);
  return { html: applied(html, edits), problems, origin: (offset) => places.at(originOf(offset, edits)) };
}

/** Every element, in document order. What stands in a `template` is no part of the page as yet. */
export function* elementsIn(nodes: readonly Parsed[]): Generator<ParsedElement> {
  for (const node of nodes) {
    if (!('tagName' in node)) continue;
    yield node;
    yield* elementsIn(node.childNodes);
  }
}

function isCustom({ tagName, namespaceURI }: ParsedElement): boolean {
  return tagName.includes('-') && namespaceURI === 'http://www.w3.org/1999/xhtml';
}

function unknown(
  element: ParsedElement,
  catalog: Catalog,
  places: Places,
  report: (problem: Problem) => void,
): void {
  const name = element.tagName;
  const otherwise = `Add it to the catalog. A custom element from elsewhere is named there: { foreign: ['${name}'] }.`;
  const hint = nearestOr(name, catalog.components.keys(), otherwise, tagName);
  const at = element.sourceCodeLocation?.startOffset;
  report(
    placed(finding('component-unknown', { name, hint }, at === undefined ? undefined : places.at(at)), ''),
  );
}

function headEnd(document: DefaultTreeAdapterTypes.Document): number | undefined {
  const [head] = [...elementsIn(document.childNodes)].filter((one) => one.tagName === 'head');
  return head?.sourceCodeLocation?.endTag?.startOffset;
}

/** A stretch of the document that something else stands for. */
interface Edit {
  readonly at: number;
  readonly end: number;
  readonly text: string;
}

function originOf(offset: number, edits: readonly Edit[]): number {
  let moved = 0;
  for (const { at, end, text } of edits) {
    if (offset < at + moved) break;
    if (offset < at + moved + text.length) return at;
    moved += text.length - (end - at);
  }
  return offset - moved;
}

function applied(html: string, edits: readonly Edit[]): string {
  let text = '';
  let at = 0;
  for (const edit of edits) {
    text += html.slice(at, edit.at) + edit.text;
    at = edit.end;
  }
  return text + html.slice(at);
}
