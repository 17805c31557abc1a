import { attributeOf, type ComponentCore } from '../../component/index.js';
import type { Frame } from '../../template/index.js';
import { fillTest, type PlanElement, type PlanFill, type PlanUse } from '../../tree/index.js';
import { Chunks } from '../chunks.js';
import { escapeAttribute } from '../escape.js';
import { frameOf } from '../frames.js';
import { lowerAll } from '../lower.js';
import type { At } from '../lowering.js';
import type { Pass } from '../pass.js';
import { programOf } from '../program.js';
import { withShared } from '../provide.js';
import { shadowSheet } from '../styles.js';
import { lowerFill } from './slot.js';
import type { Values } from './use.js';

/** A use that stays an element: its props as attributes, its shadow root declared, its content as its children. */
export function lowerHost(node: PlanUse, to: Chunks, at: At, values: Values): void {
  const { component } = node;
  for (const prop of node.props) if (prop.expr) at.lowering.note(prop.expr);
  at.lowering.varies = true;
  const content = new Chunks();
  for (const [index, fill] of node.fills.entries()) {
    if (fill && fill.data === undefined)
      lowerContent(fill, component.slots.names[index] as string, content, at);
  }
  const fills = node.fills.map((fill) => {
    if (fill?.data !== undefined) return lowerFill(fill, at.lowering, at.depth);
    return fill && { isFilled: fillTest(fill) };
  });
  const writeContent = content.compile();
  to.place((frame, pass) => {
    const shadow = frameOf(component, values(frame, pass), fills, frame, node.site, ['']);
    return hostHtml(component, shadow, pass, () => writeContent(frame, pass));
  });
}

/** Content of one slot among the element's children. Text cannot name a slot: an element without a box does. */
function lowerContent(fill: PlanFill, slot: string, to: Chunks, at: At): void {
  const inside: At = { ...at, tag: '', isOutermost: false };
  if (slot === 'default') return lowerAll(fill.content, to, inside);
  const elements = fill.content.filter(
    (one): one is PlanElement => one.kind === 'element' && typeof one.tag === 'string',
  );
  if (elements.length === fill.content.length) {
    const named = elements.map((one) => ({ ...one, attributes: { ...one.attributes, slot } }));
    return lowerAll(named, to, inside);
  }
  to.text(`<span style="display: contents;" slot="${escapeAttribute(slot)}">`);
  lowerAll(fill.content, to, inside);
  to.text('</span>');
}

/** An element with a declarative shadow root (https://html.spec.whatwg.org/#attr-template-shadowrootmode). */
export function hostHtml(
  component: ComponentCore,
  shadow: Frame,
  pass: Pass,
  content: () => string,
  more = '',
): string {
  const program = programOf(component, 'shadow');
  const css = shadowSheet(component, program.styled);
  const style = css === '' ? '' : `<style>${css}</style>`;
  const start = `<${component.name}${attributesOf(component, shadow.props)}${more}>`;
  return withShared(component, shadow, pass, () => {
    const root = `<template shadowrootmode="open">${style}${program.write(shadow, pass)}</template>`;
    return `${start}${root}${content()}</${component.name}>`;
  });
}

/** Prop values as attributes; those that are at their fallback need none. */
function attributesOf(component: ComponentCore, values: readonly unknown[]): string {
  let text = '';
  for (const [index, kind] of component.props.kinds.entries()) {
    const value = values[index];
    if (value === undefined || value === kind.settings.fallbackValue) continue;
    const written = kind.rules.write(value);
    if (written === null) continue;
    const name = attributeOf(component.props.names[index] as string);
    text += written === '' ? ` ${name}` : ` ${name}="${escapeAttribute(written)}"`;
  }
  return text;
}
