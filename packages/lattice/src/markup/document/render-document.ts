import type { DefaultTreeAdapterTypes } from 'parse5';
import type { ComponentCore } from '../../component/index.js';
import type { WrittenUse } from '../../html/pass.js';
import { joinedCss, write } from '../../html/render.js';
import { styleSheet } from '../../html/styles.js';
import { deepOr, LatticeError, type Problem, placed, type SourcePlace } from '../../problem/index.js';
import {
  type ComponentTree,
  type InspectedUse,
  inspectedUse,
  placementFault,
  resolve,
  usesByPath,
} from '../../tree/index.js';
import { Places } from '../syntax/place.js';
import { isDocument, readDocument } from '../syntax/read-node.js';
import type { Catalog } from './catalog.js';
import { elementsIn, usesIn } from './uses-in.js';

/** Options of `renderDocument`. */
export interface DocumentOptions {
  /** The file of the text, for problems. */
  readonly file?: string;
  /** Inserts the styles of the components at the end of the head, or before the first component (default: `true`). */
  readonly styles?: boolean;
  /** `markup` (default) flattens components into plain HTML; `elements` keeps interactive ones as custom elements. */
  readonly form?: 'markup' | 'elements';
  /** With `elements`: URLs of style sheets that each shadow root links. The page links them itself. */
  readonly sheets?: readonly string[];
  /** `as-rules`: components write rules in place of style attributes, which a policy without `'unsafe-inline'` blocks. */
  readonly styleAttributes?: 'as-rules';
  /** Renders a component on the page itself although it may stand only in others, as a sample of it does. */
  readonly isSample?: boolean;
  /** Collects each use that is written, for the inspector. Comments in the HTML contain their numbers. */
  readonly inspected?: InspectedUse[];
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
  try {
    return rendered(html, catalog, options);
  } catch (thrown) {
    const found = deepOr(thrown, '');
    if (!(found instanceof LatticeError)) throw found;
    const places = new Places(html, options.file ?? 'document');
    return { html, problems: found.problems, origin: (offset) => places.at(offset) };
  }
}

function rendered(html: string, catalog: Catalog, options: DocumentOptions): RenderedDocument {
  const places = new Places(html, options.file ?? 'document');
  const document = readDocument(html);
  const problems: Problem[] = [];
  const report = (problem: Problem): void => void problems.push(problem);
  const styled = new Set<ComponentCore>();
  const edits: Edit[] = [];
  const uses: WrittenUse[] = [];
  /** The rules that stand for style attributes: the same is the same text. */
  const styleRules = new Set<string>();
  const isWhole = !options.isSample && isDocument(html);
  for (const { use, place } of usesIn(html, document, places, catalog, report)) {
    // A part of a page may be meant for a place in another component.
    const misplaced = isWhole ? placementFault(use.component, []) : undefined;
    if (misplaced) {
      report(placed({ ...misplaced, source: places.at(place.from) }, ''));
      continue;
    }
    try {
      const before = problems.length;
      const tree = resolve(use);
      problems.push(...tree.problems);
      if (problems.slice(before).some(({ severity }) => severity === 'error')) continue;
      const {
        html: text,
        styled: needed,
        rules,
      } = write(use, {
        ...(options.form && { form: options.form }),
        ...(options.sheets && { sheets: options.sheets }),
        ...(options.styleAttributes && { styleAttributes: options.styleAttributes }),
        ...(edits.length > 0 && { idPrefix: String(edits.length + 1) }),
        ...(options.inspected && { uses }),
      });
      noteUses(uses.slice(options.inspected?.length), tree, options.inspected);
      for (const one of needed) styled.add(one);
      if (rules !== '') styleRules.add(rules);
      edits.push({ at: place.from, end: place.to, text });
    } catch (thrown) {
      if (!(thrown instanceof LatticeError)) throw thrown;
      problems.push(...thrown.problems);
    }
  }
  if (options.styles !== false && styled.size + styleRules.size > 0) {
    const css = joinedCss(styleSheet(styled), ...styleRules);
    const at = headEnd(document) ?? (edits[0] && outsideNoscript(edits[0].at, html, document));
    if (css !== '' && at !== undefined) edits.unshift({ at, end: at, text: `<style>${css}</style>` });
  }
  edits.sort((a, b) => a.at - b.at);
  return { html: applied(html, edits), problems, origin: (offset) => places.at(originOf(offset, edits)) };
}

/** What is known of the uses that were written, from the tree that they stand in. */
function noteUses(written: readonly WrittenUse[], tree: ComponentTree, to: InspectedUse[] | undefined): void {
  if (!to) return;
  const uses = usesByPath(tree);
  for (const { component, path, props, treePath } of written) {
    const values = Object.fromEntries(component.props.names.map((name, index) => [name, props[index]]));
    to.push(inspectedUse(uses.get(treePath), component.name, path, values));
  }
}

function headEnd(document: DefaultTreeAdapterTypes.Document): number | undefined {
  const [head] = [...elementsIn(document.childNodes)].filter((one) => one.tagName === 'head');
  return head?.sourceCodeLocation?.endTag?.startOffset;
}

/**
 * An offset, or where the `noscript` element begins that it lies in, as it is written: a parser that runs scripts reads
 * none of it, and another one may have ended it before (https://html.spec.whatwg.org/#parsing-main-inheadnoscript).
 */
function outsideNoscript(offset: number, html: string, document: DefaultTreeAdapterTypes.Document): number {
  for (const { sourceCodeLocation: place, tagName } of elementsIn(document.childNodes)) {
    if (tagName !== 'noscript' || !place || place.startOffset >= offset) continue;
    if (!/<\/noscript/i.test(html.slice(place.startOffset, offset))) return place.startOffset;
  }
  return offset;
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
