import { newElement, safe } from './dom.js';
import type { Feature, Instance } from './instance.js';

/**
 * For components with an `<output>`: when its form is reset, its content is replaced by a new text
 * (https://html.spec.whatwg.org/#the-output-element:concept-form-reset-control), which no update would reach. Engines
 * that leave an unchanged text alone are not interfered with.
 */
export function outputs(): (instance: Instance) => Feature {
  return ({ host }) => {
    host.shadowRoot?.addEventListener('reset', (event) => {
      doesReplace ??= replacesAll();
      if (!doesReplace) return;
      const kept = [...safe(event.target as HTMLFormElement).elements].flatMap((one) => {
        if (!(one instanceof HTMLOutputElement)) return [];
        const content = new DocumentFragment();
        content.append(...one.childNodes);
        return [[one, content] as const];
      });
      // The reset follows the event. Until it is over, updates find their nodes in the fragments.
      setTimeout(() => {
        for (const [output, content] of kept) output.replaceChildren(content);
      });
    });
    return {};
  };
}

let doesReplace: boolean | undefined;

/** Returns whether a reset replaces even a text that is the default already. */
function replacesAll(): boolean {
  const form = newElement('form') as HTMLFormElement;
  const output = newElement('output');
  const text = new Text('0');
  output.append(text);
  form.append(output);
  form.reset();
  return output.firstChild !== text;
}
