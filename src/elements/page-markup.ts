import { attributeOf, type ComponentCore } from '../component/index.js';
import type { Feature, Instance } from './runtime/instance.js';

/**
 * Says on the console, while developing, what a page's markup gives to an element and the element cannot take, though the
 * same markup works as HTML text: a `<template>` for a slot that hands no data, a slot named `default`, attributes for
 * the element that the component renders as.
 */
export function markupRead(core: ComponentCore): (instance: Instance) => Feature {
  return (instance) => {
    let isRead = false;
    const read = (): void => {
      if (isRead) return;
      isRead = true;
      for (const child of instance.host.children) readChild(child, core, instance);
      if (core.accepts !== undefined) readAttributes(core, instance);
    };
    // Those who make an element may give it its content just after.
    return { enter: () => queueMicrotask(read) };
  };
}

function readChild(child: Element, { slots }: ComponentCore, instance: Instance): void {
  const name = child.getAttribute('slot');
  const index = name === null ? undefined : slots.at.get(name);
  if (child instanceof HTMLTemplateElement && index !== undefined && !slots.kinds[index]?.hands)
    return instance.tell('markup-unread', {
      what: `was given a <template> for its slot "${name}"`,
      hint:
        name === 'default'
          ? 'Write the content itself, without the template.'
          : `Write the content itself, in an element that names the slot: <span slot="${name}">…</span>.`,
    });
  if (name === 'default' && index !== undefined)
    instance.tell('markup-unread', {
      what: `was given <${child.localName} slot="default">`,
      hint: 'Leave the slot attribute out: what has none goes to the default slot.',
    });
}

function readAttributes({ props }: ComponentCore, instance: Instance): void {
  const own = new Set(['slot', ...props.names.map((name) => attributeOf(name).toLowerCase())]);
  for (const { name } of instance.host.attributes)
    if (!own.has(name))
      instance.tell('markup-unread', {
        what: `was given the attribute ${name} for the element that it renders as`,
        hint: 'Give it by a prop that the component declares, or use the component in a template or as HTML text.',
      });
}
