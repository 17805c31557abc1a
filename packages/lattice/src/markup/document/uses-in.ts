import type { DefaultTreeAdapterTypes } from 'parse5';
import type { UseNode } from '../../component/index.js';
import { finding, nearestOr, type Problem, placed, tagName } from '../../problem/index.js';
import type { Places } from '../syntax/place.js';
import { type Catalog, isForeign } from './catalog.js';
import { DocumentUses } from './uses.js';

type Parsed = DefaultTreeAdapterTypes.ChildNode;
export type ParsedElement = DefaultTreeAdapterTypes.Element;

/** A component's tag in a document that stands in no other component's, and where it stands. */
export interface UseInDocument {
  readonly use: UseNode;
  readonly place: { readonly from: number; readonly to: number };
}

/** The outermost uses in a document, in its order; tags that nothing defines are reported. */
export function* usesIn(
  html: string,
  document: DefaultTreeAdapterTypes.Document,
  places: Places,
  catalog: Catalog,
  report: (problem: Problem) => void,
): Generator<UseInDocument> {
  const uses = new DocumentUses(html, places, catalog, report);
  for (const element of elementsIn(document.childNodes)) {
    if (!isCustom(element)) continue;
    const place = element.sourceCodeLocation;
    const component = catalog.components.get(element.tagName);
    // Also inside a component's content: in a page shell, that is most of the page.
    if (!component && place && !isForeign(element.tagName, catalog.foreign))
      unknown(element, catalog, places, report);
    if (!component || !place || uses.isInside(place.startOffset)) continue;
    const use = uses.useOf(element, component);
    if (use) yield { use, place: { from: place.startOffset, to: place.endOffset } };
  }
}

/** Every element, in document order. What stands in a `template` is no part of the page as yet. */
export function* elementsIn(nodes: readonly Parsed[]): Generator<ParsedElement> {
  // With a stack of its own: a document may be nested as deep as it is long.
  const open = [...nodes].reverse();
  for (let node = open.pop(); node; node = open.pop()) {
    if (!('tagName' in node)) continue;
    yield node;
    for (let at = node.childNodes.length - 1; at >= 0; at--) open.push(node.childNodes[at] as Parsed);
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
  const otherwise = `Add it to the catalog (in the command: --uses <module>). A custom element from elsewhere is named there: { foreign: ['${name}'] }.`;
  const hint = nearestOr(name, catalog.components.keys(), otherwise, tagName);
  const at = element.sourceCodeLocation?.startOffset;
  report(
    placed(finding('component-unknown', { name, hint }, at === undefined ? undefined : places.at(at)), ''),
  );
}
