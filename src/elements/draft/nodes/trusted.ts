import type { PlanTrusted } from '../../../tree/index.js';
import { call } from '../call.js';
import type { Draft, Spot } from '../draft.js';
import { type Around, SketchElement, SketchReady, SketchText } from '../sketch.js';

/** Ready-made HTML, parsed by the browser. */
export function buildTrusted(node: PlanTrusted, parent: Around, view: Draft, { scope }: Spot): void {
  const { html } = node;
  if (parent instanceof SketchElement && /^(script|style)$/.test(parent.tag)) {
    if (typeof html === 'string') view.add(parent, new SketchText(html));
    return;
  }
  if (typeof html === 'string') {
    view.add(parent, new SketchReady(html));
    return;
  }
  const bits = scope.bits.read(html);
  view.note(scope.index, bits);
  view.place(view.mark(parent), call('ready', html, bits, scope.index));
}
