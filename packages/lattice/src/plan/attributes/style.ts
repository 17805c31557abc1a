import { type Finding, finding } from '../../problem/index.js';
import {
  type Core,
  coreOf,
  declaration,
  describeValue,
  operand,
  type Report,
  valueEnd,
  valueFault,
} from '../../template/index.js';

type Parts = readonly (readonly [property: string, value: Core])[];

/** The declarations of a style: of a record of CSS properties, or of constant text. What is wrong is reported, and left out. */
export function stylePieces(tag: string, input: unknown, report: Report): Parts {
  if (input === null || input === undefined || input === false) return [];
  if (typeof input === 'string') return textPieces(tag, input, report);
  if (typeof input !== 'object' || Array.isArray(input) || coreOf(input)) {
    report(notARecord(tag, input));
    return [];
  }
  return Object.entries(input).flatMap(([name, value]) =>
    isPropertyFit(tag, name, report) && isValueFit(tag, name, value, report)
      ? [[name, operand(value)] as const]
      : [],
  );
}

/** A constant value is looked at once, here; what changes is looked at as it is shown. */
function isValueFit(tag: string, name: string, value: unknown, report: Report): boolean {
  if (coreOf(value)) return true;
  let isFit = true;
  declaration(tag, name, value, (found) => {
    isFit = false;
    report(found);
  });
  return isFit;
}

/** Constant text, split where its declarations end. */
function textPieces(tag: string, text: string, report: Report): Parts {
  const parts: (readonly [string, Core])[] = [];
  for (let at = 0; at < text.length; ) {
    const end = valueEnd(text, at);
    const declaration = text.slice(at, typeof end === 'number' ? end : undefined).trim();
    const [, name = '', value = ''] = /^([^:\s]+)\s*:\s*([\s\S]+)$/.exec(declaration) ?? [];
    const fault = typeof end === 'string' ? end : declaration === '' ? undefined : wrongIn(name, value);
    if (fault !== undefined) report(unsafe(tag, declaration, fault));
    else if (declaration !== '') parts.push([name, operand(value)]);
    if (typeof end === 'string') break;
    at = end + 1;
  }
  return parts;
}

function wrongIn(name: string, value: string): string | undefined {
  if (name === '') return 'is no declaration';
  return isProperty(name) ? valueFault(value) : 'names no CSS property';
}

function unsafe(tag: string, declaration: string, fault: string): Finding {
  return finding('attribute-unsafe', {
    attribute: 'style',
    tag,
    fault: `says ${JSON.stringify(declaration.slice(0, 40))}, which ${fault}`,
    hint: 'Write declarations as name: value, with a semicolon between two, their quotes and brackets closed.',
  });
}

function isProperty(name: string): boolean {
  return /^(--[\w-]+|-?[a-z][a-z0-9-]*)$/i.test(name);
}

function isPropertyFit(tag: string, name: string, report: Report): boolean {
  if (isProperty(name) && name === (name.startsWith('--') ? name : name.toLowerCase())) return true;
  const kebab = name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
  report(
    finding('attribute-invalid', {
      attribute: 'style',
      tag,
      fault: `names ${JSON.stringify(name.slice(0, 40))}, which is no CSS property`,
      hint: /^-?[a-z][a-z-]*$/.test(kebab)
        ? `Write it as CSS does: '${kebab}'.`
        : "Write names as CSS does: 'margin-top', '--tone'.",
    }),
  );
  return false;
}

function notARecord(tag: string, input: unknown): Finding {
  return finding('attribute-invalid', {
    attribute: 'style',
    tag,
    fault: `expects a record of CSS properties, but received ${describeValue(input)}`,
    hint: "Write style: { color: …, '--tone': … }, each value an expression if need be.",
  });
}
