import type { PlanData, PlanText, PlanTrusted, PlanValue } from '../../../plan/index.js';
import { type Core, describe, isJson, jsonBlock } from '../../../template/index.js';
import { type Call, CompiledBinding, call, InPage, MisfitWords } from '../call.js';
import { maskOf } from '../dependencies.js';
import type { Spot } from '../level.js';
import { Anchor, type Around, StaticHtml } from '../static.js';
import { type CompiledView, own } from '../view.js';

export function buildText({ text }: PlanText, parent: Around, view: CompiledView): void {
  view.text(parent, text);
}

/** An expression's value as a text node. */
export function buildValue({ value }: PlanValue, parent: Around, view: CompiledView, spot: Spot): void {
  buildDynamicText(value, value, parent, view, spot, new MisfitWords(value));
}

/** Data as the text of a script, the same text as in HTML. */
export function buildData({ value }: PlanData, parent: Around, view: CompiledView, spot: Spot): void {
  // What JSON cannot say of a constant is reported where it is shown, as of a value that changes.
  if (value.op.op === 'literal' && isJson(value.op.value)) view.text(parent, jsonBlock(value.op.value));
  else buildDynamicText(value, call('json', value, describe(value)), parent, view, spot);
}

function buildDynamicText(
  core: Core,
  shown: Core | Call,
  parent: Around,
  view: CompiledView,
  { level }: Spot,
  misfit?: MisfitWords,
): void {
  const mask = maskOf(core, level);
  view.note(own(level, mask));
  const text = view.add(parent, new Anchor('text'));
  view.part(text, new CompiledBinding(shown, call('text', new InPage(misfit)), mask, level.index));
}

/** Ready-made HTML, parsed by the browser. */
export function buildTrusted(
  { html, inside }: PlanTrusted,
  parent: Around,
  view: CompiledView,
  spot: Spot,
): void {
  const { op } = html;
  view.common.hasForms = true;
  if (inside !== '' && op.op === 'literal') return view.text(parent, String(op.value));
  if (inside !== '') return buildDynamicText(html, html, parent, view, spot);
  if (op.op === 'literal') {
    // Between marks, so that text in it does not become one with the text around it.
    view.mark(parent);
    view.add(parent, new StaticHtml(String(op.value)));
    view.mark(parent);
    return;
  }
  const { level } = spot;
  const mask = maskOf(html, level);
  view.note(own(level, mask));
  view.part(view.mark(parent), call('ready', html, mask, level.index));
}
