import type { ParserError } from 'parse5';
import type { Finding } from '../../problem/index.js';
import { misleadingAttribute, unknownAttribute, unknownTag } from '../../tree/index.js';
import { parserFinding } from '../syntax/parser-words.js';
import { Places } from '../syntax/place.js';
import { readDocument } from '../syntax/read-node.js';
import { checkTags } from '../syntax/tags.js';
import { neverClosed, withoutFollowers } from '../syntax/unclosed.js';
import { elementsIn } from './uses-in.js';

/** What is wrong with a document as HTML: its tags, its elements and their attributes. Holes mean nothing in it; `components` are the names that its tags may mean. */
export function documentFindings(
  html: string,
  file: string,
  components: Iterable<string> = [],
): readonly Finding[] {
  const places = new Places(html, file);
  const findings: Finding[] = [];
  const onParseError = (error: ParserError): void => {
    const found = parserFinding(error, places);
    if (found) findings.push(found);
  };
  const document = readDocument(html, onParseError);
  findings.push(...checkTags({ text: html, holes: [], unclosed: undefined }, places, true));
  for (const { tagName: tag, namespaceURI, attrs, sourceCodeLocation } of elementsIn(document.childNodes)) {
    if (namespaceURI !== 'http://www.w3.org/1999/xhtml' || tag.includes('-') || !sourceCodeLocation) continue;
    const unknown = unknownTag(tag, components);
    if (unknown) {
      findings.push({ ...unknown, source: places.at(sourceCodeLocation.startOffset) });
      continue;
    }
    for (const { name, value } of attrs) {
      const found = /^on/.test(name) ? undefined : unknownAttribute(tag, name);
      const at = sourceCodeLocation.attrs?.[name]?.startOffset ?? sourceCodeLocation.startOffset;
      const misleading = misleadingAttribute(tag, name, value);
      for (const one of [found, misleading]) if (one) findings.push({ ...one, source: places.at(at) });
    }
  }
  return withoutFollowers(findings, neverClosed(html), places);
}
