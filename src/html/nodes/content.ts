import type { PlanData, PlanText, PlanTrusted } from '../../plan/index.js';
import { closesRawText, rawTextFault } from '../../plan/index.js';
import { jsonBlock } from '../../template/index.js';
import { type At, between } from '../compiling.js';
import { escapeText } from '../escape.js';
import type { Output } from '../output.js';

export function writeText({ text }: PlanText, to: Output): void {
  to.text(escapeText(text));
}

/** A value as a data block (https://html.spec.whatwg.org/#data-block). */
export function writeData({ value: { get, op } }: PlanData, to: Output): void {
  if (op.op === 'literal') to.text(jsonBlock(op.value));
  else to.dynamic((scope) => jsonBlock(get(scope)));
}

/** Ready-made HTML as it is. In a raw-text element it may not close the element. */
export function writeTrusted({ html: { get, op }, inside }: PlanTrusted, to: Output, at: At): void {
  if (op.op === 'literal') return apartFromText(String(op.value), inside, to, at);
  between(to, at, () =>
    to.dynamic((scope, pass) => {
      const html = get(scope);
      if (html === null || html === undefined || html === false) return '';
      const text = String(html);
      if (inside === '' || !closesRawText(inside, text)) return text;
      pass.report(rawTextFault(inside), scope);
      return '';
    }),
  );
}

/** Text in it must not become one with the text around it, where an element is going to take it over. */
function apartFromText(html: string, inside: string, to: Output, { compiling }: At): void {
  to.text(compiling.marksParts && inside === '' ? `<!---->${html}<!---->` : html);
}
