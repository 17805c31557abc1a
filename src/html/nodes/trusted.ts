import { rawTextElements } from '../../template/index.js';
import { closesRawText, type PlanTrusted, rawTextFault } from '../../tree/index.js';
import type { Chunks, Write } from '../chunks.js';
import type { At } from '../lowering.js';
import { between } from '../marks.js';

/** Ready-made HTML as it is. In a raw-text element it may not close the element. */
export function lowerTrusted(node: PlanTrusted, to: Chunks, at: At): void {
  const { tag } = at;
  if (typeof node.html === 'string') return to.text(node.html);
  at.lowering.note(node.html);
  const { get } = node.html;
  const place: Write = (frame, pass) => {
    const html = get(frame);
    if (html === null || html === undefined || html === false) return '';
    const text = String(html);
    if (!rawTextElements.has(tag) || !closesRawText(tag, text)) return text;
    pass.report(rawTextFault(tag), frame);
    return '';
  };
  between(to, at, () => to.place(place));
}
