import { htmlTags, svgTags } from '../generated/tags.js';
import { finding, type SourcePlace, show } from '../problem/index.js';
import {
  attributeText,
  classWriter,
  coreOf,
  isHandlerCall,
  isNameFit,
  isNode,
  type Report,
  rawTextElements,
  styleWriter,
} from '../template/index.js';
import { unknownAttribute, unknownTag } from './attribute-names.js';
import type { PlanElement } from './plan.js';

/** Reports what is wrong with an element's own constants: names, unsafe values, content of raw-text elements. */
export function checkElement(node: PlanElement, report: Report): void {
  const tag = typeof node.tag === 'string' ? node.tag : 'el.of';
  const say: Report = (found) => report(withSource(found, node.source));
  checkNames(tag, node.attributes, say);
  for (const [name, value] of Object.entries(node.attributes)) checkAttribute(tag, name, value, say);
  if (rawTextElements.has(tag)) checkRawText(tag, node, say);
}

/** Names that no element, or not this one, has. Foreign and custom elements may have any. */
function checkNames(tag: string, attributes: Readonly<Record<string, unknown>>, say: Report): void {
  if (tag === 'el.of' || tag.includes('-') || (svgTags.has(tag) && !htmlTags.has(tag))) return;
  const unknown = unknownTag(tag);
  if (unknown) return say(unknown);
  for (const attribute of Object.keys(attributes)) {
    const found = unknownAttribute(tag, attribute);
    if (found) say(found);
  }
}

function checkAttribute(tag: string, name: string, value: unknown, say: Report): void {
  if (name === 'on') return checkListeners(tag, value, say);
  if (name === 'bind') return checkBound(tag, value, say);
  if (name === 'class') return void classWriter(value);
  if (name === 'style') return void styleWriter(tag, value, say);
  if (name === 'json' && tag === 'script') return;
  if (!isNameFit(tag, name, say)) return;
  if (name === 'srcdoc') return checkDocument(tag, value, say);
  if (!coreOf(value)) attributeText(tag, name, value, say);
}

const isNothing = (value: unknown): boolean => value === undefined || value === null || value === false;

function checkListeners(tag: string, value: unknown, say: Report): void {
  if (isNothing(value)) return;
  const fault = (attribute: string, got: unknown, wanted: string): void =>
    say(
      finding('attribute-invalid', {
        attribute,
        tag,
        fault: `takes ${wanted}, and got ${show(got)}`,
        hint: 'Declare a handler, and call it: on: { click: handlers.add(1) }.',
      }),
    );
  if (typeof value !== 'object' || Array.isArray(value))
    return fault('on', value, 'a record of handlers by event');
  for (const [event, call] of Object.entries(value ?? {}))
    if (!isNothing(call) && !isHandlerCall(call)) fault(`on.${event}`, call, 'the call of a handler');
}

function checkBound(tag: string, value: unknown, say: Report): void {
  if (isNothing(value) || coreOf(value)?.op.op === 'state') return;
  say(
    finding('attribute-invalid', {
      attribute: 'bind',
      tag,
      fault: 'ties a control to a field of the state, and got something else',
      hint: 'Keep the value in the state: bind: state.title.',
    }),
  );
}

function checkDocument(tag: string, value: unknown, say: Report): void {
  if (value === null || value === undefined || value === false) return;
  if (isNode(value) && (value as { kind?: string }).kind === 'trusted') return;
  say(
    finding('attribute-unsafe', {
      attribute: 'srcdoc',
      tag,
      fault: 'holds a whole document, so plain text would be read as HTML',
      hint: 'Give ready-made HTML you vouch for: srcdoc: trusted(html).',
    }),
  );
}

function checkRawText(tag: string, node: PlanElement, say: Report): void {
  for (const part of node.content) {
    if (part.kind !== 'trusted') {
      say(
        finding('content-not-allowed', {
          what: part.kind === 'text' || part.kind === 'value' ? 'Text' : 'An element, a slot or a condition',
          place: `in <${tag}>`,
          hint:
            tag === 'script'
              ? 'Put data in with the attribute json: value, and code you vouch for with trusted(code).'
              : 'Put CSS you vouch for in with trusted(css), or give it to a component as styles.',
        }),
      );
    } else if (typeof part.html === 'string' && closesRawText(tag, part.html)) say(rawTextFault(tag));
  }
}

/** Whether text would end the raw-text element it stands in, or hide its end (https://html.spec.whatwg.org/#restrictions-for-contents-of-script-elements). */
export function closesRawText(tag: string, text: string): boolean {
  return new RegExp(`</${tag}|<!--`, 'i').test(text);
}

export function rawTextFault(tag: string): ReturnType<typeof finding> {
  return finding('content-not-allowed', {
    what: `Text with "</${tag}" or "<!--"`,
    place: `in <${tag}>`,
    hint:
      tag === 'script'
        ? 'Write "<\\/script" in the script’s strings; for data use the attribute json: value.'
        : 'Write "<\\/style".',
  });
}

function withSource<F extends { readonly source?: SourcePlace }>(
  found: F,
  source: SourcePlace | undefined,
): F {
  return source && !found.source ? { ...found, source } : found;
}
