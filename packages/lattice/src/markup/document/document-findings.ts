import type { ParserError } from 'parse5';
import type { ComponentCore } from '../../component/index.js';
import { isInteractive, planOf } from '../../plan/index.js';
import { type Finding, finding } from '../../problem/index.js';
import {
  attributeValueFault,
  childrenFault,
  elementMisfit,
  isLabelable,
  labelFault,
  misplacedElement,
  unknownAttribute,
  unknownTag,
} from '../../tree/index.js';
import { parserFinding } from '../syntax/parser-words.js';
import { Places } from '../syntax/place.js';
import { readDocument } from '../syntax/read-node.js';
import { checkTags } from '../syntax/tags.js';
import { neverClosed, withoutFollowers } from '../syntax/unclosed.js';
import { elementsIn, type ParsedElement } from './uses-in.js';

/** What is wrong with a document as HTML: its tags, its elements and their attributes. Interpolations mean nothing in it; `components` are those that its tags may mean. */
export function documentFindings(
  html: string,
  file: string,
  components: ReadonlyMap<string, ComponentCore> = new Map(),
): readonly Finding[] {
  const places = new Places(html, file);
  const findings: Finding[] = [];
  const onParseError = (error: ParserError): void => {
    const found = parserFinding(error, places);
    if (found) findings.push(found);
  };
  const document = readDocument(html, onParseError);
  const rendered = (tag: string): readonly string[] | undefined => {
    const component = components.get(tag);
    return component && !isInteractive(component) ? outermostTags(component) : undefined;
  };
  findings.push(...checkTags({ text: html, holes: [], unclosed: undefined }, places, { rendered }));
  for (const element of elementsIn(document.childNodes)) {
    const { tagName: tag, namespaceURI, attrs, sourceCodeLocation } = element;
    if (namespaceURI !== 'http://www.w3.org/1999/xhtml' || tag.includes('-') || !sourceCodeLocation) continue;
    const unknown = unknownTag(tag, components.keys());
    if (unknown) {
      findings.push({ ...unknown, source: places.at(sourceCodeLocation.startOffset) });
      continue;
    }
    const has = (attribute: string): boolean =>
      attribute === 'hidden'
        ? attrs.some(({ name, value }) => name === 'type' && value === 'hidden')
        : attrs.some(({ name }) => name === attribute);
    const around = openTags(element);
    const isMoved = elementMisfit(tag, around) !== undefined;
    const inside = element.childNodes.flatMap((child) => ('tagName' in child ? [child.tagName] : []));
    for (const one of [
      isMoved ? undefined : misplacedElement(tag, has, around),
      childrenFault(tag, inside),
      headOnly.has(tag) && around.includes('body') && !has('itemprop')
        ? finding('element-misplaced', {
            tag,
            place: 'in <body>',
            hint: 'It belongs into <head> (https://html.spec.whatwg.org/#metadata-content-2).',
          })
        : undefined,
      tag === 'iframe' && !has('title') ? finding('frame-unnamed', {}) : undefined,
      tag === 'label' ? labelFault(has('for'), controlsIn(element)) : undefined,
    ])
      if (one) findings.push({ ...one, source: places.at(sourceCodeLocation.startOffset) });
    for (const { name, value } of attrs) {
      const found = /^on/.test(name) ? undefined : unknownAttribute(tag, name);
      const at = sourceCodeLocation.attrs?.[name]?.startOffset ?? sourceCodeLocation.startOffset;
      const fault = attributeValueFault(tag, name, value);
      for (const one of [found, fault]) if (one) findings.push({ ...one, source: places.at(at) });
    }
  }
  return withoutFollowers(findings, neverClosed(html), places);
}

/** The tags that a component's template begins with, as far as they are known. */
function outermostTags(component: ComponentCore): readonly string[] {
  const { nodes } = planOf(component).content;
  return nodes.flatMap((node) => (node.kind === 'element' && typeof node.tag === 'string' ? [node.tag] : []));
}

/** What belongs into the head of a document. */
const headOnly: ReadonlySet<string> = new Set(['base', 'meta', 'style', 'title']);

/** The tags around an element, outermost first. What stands in a component's tag is in that component. */
function openTags(element: ParsedElement): readonly string[] {
  const open: string[] = [];
  for (let at = element.parentNode; at && 'tagName' in at; at = at.parentNode) {
    if (at.tagName.includes('-') || open.length === deepest) {
      open.push('?');
      break;
    }
    open.push(at.tagName);
  }
  return open.reverse();
}

/** How far it is looked at what is around an element: no rule reaches further in a document that somebody wrote. */
const deepest = 500;

function controlsIn(element: ParsedElement): readonly string[] {
  return [...elementsIn(element.childNodes)].map(({ tagName }) => tagName).filter(isLabelable);
}
