import { type DefaultTreeAdapterTypes, type ParserError, parse, parseFragment } from 'parse5';
import type { Finding } from '../../problem/index.js';
import { markHoles } from './holes.js';
import type { MarkupAttribute, MarkupNode } from './nodes.js';
import { parserFinding } from './parser-words.js';
import type { Places } from './place.js';
import type { Reading } from './reading.js';
import { checkTags } from './tags.js';
import { neverClosed, withoutFollowers } from './unclosed.js';

type Parsed = DefaultTreeAdapterTypes.ChildNode;

/** Reads template text with `parse5`: its nodes with their places, and what is wrong with it as HTML. */
export function readMarkup(text: string, places: Places): Reading {
  const marked = markHoles(text);
  const findings: Finding[] = [];
  const onParseError = (error: ParserError): void => {
    const found = parserFinding(error, places);
    if (found) findings.push(found);
  };
  const tree = readFragment(marked.text, onParseError);
  findings.push(...checkTags(marked, places));
  const unclosed = neverClosed(marked.text);
  return {
    // What is swallowed is no template: it would be reported, too.
    nodes: unclosed ? [] : tree.childNodes.flatMap((node) => nodeFrom(node, marked.text)),
    marked,
    findings: withoutFollowers(findings, unclosed, places),
  };
}

/** With places, and with what stands in `noscript`, which a page without scripts shows. */
const options = { sourceCodeLocationInfo: true, scriptingEnabled: false };

/** Whether HTML text is a whole document rather than a part of one, such as a component's template. */
export function isDocument(html: string): boolean {
  return /<!doctype|<html[\s>]/i.test(html);
}

/** A whole document as `parse5` reads it. */
export function readDocument(
  html: string,
  onParseError?: (error: ParserError) => void,
): DefaultTreeAdapterTypes.Document {
  return parse(withoutMark(html), { ...options, ...(onParseError && { onParseError }) });
}

/** A text whose byte order mark is a space, so that every place in it stays (https://html.spec.whatwg.org/#parsing). */
const withoutMark = (html: string): string => html.replace(/^\uFEFF/, ' ');

/** A part of a document as `parse5` reads it. */
export function readFragment(
  html: string,
  onParseError?: (error: ParserError) => void,
): DefaultTreeAdapterTypes.DocumentFragment {
  return parseFragment(html, { ...options, ...(onParseError && { onParseError }) });
}

/** A parsed node in this room's own form. What has no counterpart there, such as a doctype, is nothing. */
function nodeFrom(node: Parsed, source: string): readonly MarkupNode[] {
  const at = node.sourceCodeLocation?.startOffset;
  if ('value' in node) return [{ kind: 'text', text: node.value, at }];
  if ('data' in node) return [{ kind: 'comment', text: node.data, at }];
  if (!('attrs' in node)) return [];
  const places = node.sourceCodeLocation?.attrs ?? {};
  const attributes = node.attrs.map((attribute): MarkupAttribute => {
    const name = attribute.prefix ? `${attribute.prefix}:${attribute.name}` : attribute.name;
    const place = places[name] ?? places[name.toLowerCase()];
    const written = place ? source.slice(place.startOffset, place.endOffset) : `${name}=""`;
    const equals = /^[^=]*=\s*["']?/.exec(written)?.[0];
    return {
      name,
      value: attribute.value,
      isBare: equals === undefined,
      at: place?.startOffset,
      valueAt: place && equals !== undefined ? place.startOffset + equals.length : place?.startOffset,
    };
  });
  const inside = 'content' in node ? node.content.childNodes : node.childNodes;
  return [
    {
      kind: 'element',
      tag: node.tagName,
      attributes,
      children: inside.flatMap((child) => nodeFrom(child, source)),
      at,
    },
  ];
}
