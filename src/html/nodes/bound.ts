import { coreOf } from '../../template/index.js';
import type { PlanElement } from '../../tree/index.js';
import type { Chunks, Write } from '../chunks.js';
import { escapeAttribute, escapeText } from '../escape.js';
import type { At } from '../lowering.js';

/** What a form control that is tied to the state shows at first, as the attribute that a parser reads it from. */
export function lowerBound(node: PlanElement, tag: string, to: Chunks, at: At): void {
  if (tag === 'option') return lowerOption(node, to, at);
  const core = coreOf(node.attributes.bind);
  if (!core || tag !== 'input') return;
  at.lowering.note(core);
  const { get } = core;
  const { type, value } = node.attributes;
  if (type === 'checkbox') to.place((frame) => (get(frame) === true ? ' checked' : ''));
  else if (type === 'radio') to.place((frame) => (String(get(frame)) === String(value) ? ' checked' : ''));
  else to.place((frame) => valueAttribute(get(frame)));
}

/** An option of a `select` that is tied to the state: the one that is chosen says so. */
function lowerOption(node: PlanElement, to: Chunks, at: At): void {
  const { choice } = at;
  if (!choice || choice.in !== at.lowering) return;
  at.lowering.note(choice.of);
  const { get } = choice.of;
  const given = node.attributes.value;
  const [text, ...more] = node.content;
  const own =
    given ??
    (text?.kind === 'text' && more.length === 0
      ? text.text.trim()
      : text?.kind === 'value'
        ? text.value.face
        : '');
  const value = coreOf(own)?.get ?? (() => own);
  to.place((frame) => {
    const [chosen, mine] = [get(frame), String(value(frame))];
    const isChosen = Array.isArray(chosen) ? chosen.map(String).includes(mine) : String(chosen) === mine;
    return isChosen ? ' selected' : '';
  });
}

function valueAttribute(value: unknown): string {
  return value === null || value === undefined || value === ''
    ? ''
    : ` value="${escapeAttribute(String(value))}"`;
}

/** The text of a `textarea` that is tied to the state. */
export function boundText(node: PlanElement, tag: string): Write | undefined {
  const core = tag === 'textarea' ? coreOf(node.attributes.bind) : undefined;
  if (!core) return undefined;
  const { get } = core;
  return (frame) => escapeText(String(get(frame) ?? ''));
}
