import { attributeOf, type ComponentCore } from '../component/index.js';
import { nearestOr } from '../problem/index.js';
import { isBlank } from '../template/blank.js';
import { unknownAttribute } from '../tree/index.js';
import type { Feature, Instance } from './runtime/instance.js';

/**
 * Says on the console, during development, what a page's markup gives to an element and the element does not take:
 * content without a slot for it, slots and attributes by names it does not have, and what works as HTML text alone, such
 * as a `<template>` for a slot that hands no data.
 */
export function markupRead(core: ComponentCore): (instance: Instance) => Feature {
  return (instance) => {
    let isRead = false;
    const read = (): void => {
      if (isRead) return;
      isRead = true;
      for (const child of instance.host.childNodes) readChild(child, core, instance);
      for (const { name } of instance.host.attributes) readAttribute(name, core, instance);
      // Content that comes later is as much without a place.
      new MutationObserver((records) => {
        for (const { addedNodes } of records)
          for (const child of addedNodes)
            if (child.parentNode === instance.host) readChild(child, core, instance);
      }).observe(instance.host, { childList: true });
    };
    // Those who make an element may give it its content just after.
    return { enter: () => queueMicrotask(read) };
  };
}

function readChild(child: Node, core: ComponentCore, instance: Instance): void {
  const { slots } = core;
  if (!(child instanceof Element)) {
    const isText = child instanceof Text && !isBlank(child.data);
    if (isText && !slots.at.has('default'))
      instance.tell('markup-unread', {
        what: `received the text ${short(child.data)}`,
        hint: noPlace(core),
      });
    return;
  }
  const name = child.getAttribute('slot');
  const index = slots.at.get(name ?? 'default');
  const tag = child.localName;
  if (index === undefined)
    instance.tell('markup-unread', {
      what: `received <${tag}${name === null ? '' : ` slot="${name}"`}>`,
      hint: name === null ? noPlace(core) : nearestOr(name, slots.names, noPlace(core)),
    });
  else if (child instanceof HTMLTemplateElement && name !== null && !slots.kinds[index]?.hands)
    instance.tell('markup-unread', {
      what: `received a <template> for its slot "${name}"`,
      hint:
        name === 'default'
          ? 'Write the content itself, without the template.'
          : `Write the content itself, in an element that names the slot: <span slot="${name}">…</span>.`,
    });
  else if (name === 'default')
    instance.tell('markup-unread', {
      what: `received <${tag} slot="default">`,
      hint: 'Leave the slot attribute out: what has none goes to the default slot.',
    });
}

function short(text: string): string {
  const words = text.trim().replace(/\s+/g, ' ');
  return JSON.stringify(words.length > 40 ? `${words.slice(0, 39)}…` : words);
}

/** What to do with content that no slot takes. */
function noPlace({ slots }: ComponentCore): string {
  const named = slots.names.filter((name) => name !== 'default').map((name) => `"${name}"`);
  if (named.length === 0 && slots.at.has('default'))
    return 'It has the default slot alone: leave the slot attribute out.';
  return named.length === 0
    ? 'It has no slots. Declare one, slots: { default: slot() }, and place it in its template.'
    : `Its slots are ${named.join(', ')}: name one in a slot attribute, or declare slots: { default: slot() }.`;
}

function readAttribute(attribute: string, core: ComponentCore, instance: Instance): void {
  const own = core.props.names.map(attributeOf);
  if (attribute === 'slot' || own.some((name) => name.toLowerCase() === attribute)) return;
  if (core.accepts !== undefined) {
    instance.tell('markup-unread', {
      what: `received the attribute ${attribute} for the element that it renders as`,
      hint: 'Pass it by a prop that the component declares, or use the component in a template or as HTML text.',
    });
    return;
  }
  const isFormField = core.field !== undefined && /^(?:name|form|disabled)$/.test(attribute);
  if (isFormField || !unknownAttribute('div', attribute)) return;
  const meant = own.find((name) => name.replaceAll('-', '') === attribute.replaceAll('-', ''));
  instance.tell('markup-unread', {
    what: `received the attribute ${attribute}`,
    hint:
      meant === undefined
        ? nearestOr(attribute, own, 'It has no such prop. Data of your own goes into data- attributes.')
        : `HTML does not tell capitals apart: the attribute of that prop is ${meant}.`,
  });
}
