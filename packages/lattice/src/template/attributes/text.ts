import { type Finding, finding, isDataUrl, isScriptUrl } from '../../problem/index.js';
import type { AttributeRule, UrlRule } from './tables.js';

export type Report = (found: Finding) => void;

/** An attribute as it comes out: its text, `true` for the name alone, null for no attribute. */
export type AttributeText = string | true | null;

/**
 * The text of an attribute's value, by the attribute's rule. Wrong values are reported and leave the attribute out.
 *
 * Text stays as it is, numbers are written in digits. `true` is the attribute's name alone and `false` no attribute,
 * save where the standard has the words "true" and "false". `null` and `undefined` are no attribute.
 */
export function attributeText(
  tag: string,
  name: string,
  rule: AttributeRule,
  value: unknown,
  report: Report,
): AttributeText {
  if (rule === 'plain') return plainAttribute(tag, name, value, report);
  if (rule === 'worded') return wordedAttribute(tag, name, value, report);
  if (rule === 'document') return documentAttribute(value);
  return urlAttribute(tag, name, rule, value, report);
}

/** A whole document, which is ready-made HTML alone. */
export function documentAttribute(value: unknown): AttributeText {
  return value === null || value === undefined || value === false ? null : String(value);
}

/** The text of a value on an attribute that holds URLs: those that carry a script are refused. */
export function urlAttribute(
  tag: string,
  name: string,
  rule: UrlRule,
  value: unknown,
  report: Report,
): AttributeText {
  if (typeof value !== 'string') return plainAttribute(tag, name, value, report);
  return isSafe(tag, name, value, rule, report) ? value : null;
}

/** The text of a value on an attribute that says yes and no in words. */
export function wordedAttribute(tag: string, name: string, value: unknown, report: Report): AttributeText {
  return typeof value === 'boolean' ? String(value) : plainAttribute(tag, name, value, report);
}

/** The text of a value on an attribute that holds no URL, and says yes and no by being there or not. */
export function plainAttribute(tag: string, name: string, value: unknown, report: Report): AttributeText {
  if (typeof value === 'string') return value;
  if (value === null || value === undefined) return null;
  if (typeof value === 'boolean') return value || null;
  if (typeof value === 'number' || typeof value === 'bigint') return String(value);
  report(
    finding('attribute-invalid', {
      attribute: name,
      tag,
      fault: `expects text, a number or true, but received ${Array.isArray(value) ? 'a list' : `a ${value instanceof Date ? 'date' : typeof value}`}`,
      hint: 'Work out its text with calc(value, (v) => …).',
    }),
  );
  return null;
}

function isSafe(tag: string, name: string, text: string, rule: UrlRule, report: Report): boolean {
  const url = urlsIn(text, rule).find((one) => isScriptUrl(one) || (rule === 'script' && isDataUrl(one)));
  if (url === undefined || (isDrawn(rule) && /^[\0- ]*data:image\//i.test(url))) return true;
  report(
    finding('attribute-unsafe', {
      attribute: name,
      tag,
      fault: `received a URL that can carry a script, ${JSON.stringify(url.slice(0, 40))}`,
      hint: 'Use an http, https, mailto or relative URL. Check URLs from outside with prop.url().',
    }),
  );
  return false;
}

/** Whether what the URL names is drawn as an image. */
function isDrawn(rule: UrlRule): boolean {
  return rule === 'image' || rule === 'set';
}

function urlsIn(text: string, rule: UrlRule): readonly string[] {
  switch (rule) {
    case 'url':
    case 'script':
    case 'image':
      return [text];
    case 'set':
      return text.split(',').map((candidate) => candidate.trim().split(/\s/)[0] ?? '');
    case 'list':
      return text.split(';').map((one) => one.trim());
    case 'refresh':
      return [/url\s*=\s*['"]?(.*)$/is.exec(text)?.[1] ?? ''];
    case 'any':
      return [
        ...urlsIn(text, 'url'),
        ...urlsIn(text, 'list'),
        ...urlsIn(text, 'refresh'),
        ...urlsIn(text, 'set'),
      ];
  }
}

/** What no attribute's name can hold (https://html.spec.whatwg.org/#attributes-2). */
export const nameBreakers = /[\s"'<>/=\0-\x1f\x7f]|^$/;

/** Reports an attribute name that cannot be, or that would carry a script as text. */
export function isNameFit(tag: string, name: string, report: Report): boolean {
  if (nameBreakers.test(name)) {
    report(
      finding('attribute-invalid', {
        attribute: JSON.stringify(name),
        tag,
        fault: 'has a name that no attribute can have',
        hint: 'Names are without spaces, quotes, "<", ">", "/" and "=".',
      }),
    );
    return false;
  }
  if (/^on/i.test(name)) {
    report(
      finding('attribute-unsafe', {
        attribute: name,
        tag,
        fault: 'would carry a script as text',
        hint: '',
        event: name.slice(2).toLowerCase(),
      }),
    );
    return false;
  }
  return true;
}
