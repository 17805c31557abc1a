import type { Scope } from '../../template/scope.js';
import { type Attach, follow } from './block.js';
import type { Get } from './text.js';

type Control = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;

/** Ties a form control to a field of the state: the field shows in the control, and what is typed goes to the field. */
export function bind(name: string, get: Get, mask: number, level = 0): Attach {
  return (node, scopes, block, instance) => {
    const control = node as Control;
    const value = (): unknown => get(scopes[level] as Scope);
    const run = (): void => show(control, value());
    // Options of a select come after it, so its choice is shown once they are there.
    if (control instanceof HTMLSelectElement) queueMicrotask(run);
    run();
    control.addEventListener(eventOf(control), () => instance.change({ [name]: read(control, value()) }));
    follow(block, level, mask, run);
  };
}

function eventOf(control: Control): string {
  return control instanceof HTMLSelectElement || /^(checkbox|radio)$/.test(control.type) ? 'change' : 'input';
}

/** Shows a value, without touching a control that shows it already: its caret stays where it is. */
function show(control: Control, value: unknown): void {
  if (control instanceof HTMLSelectElement && control.multiple) {
    const chosen = new Set(Array.isArray(value) ? value.map(String) : []);
    for (const option of control.options) option.selected = chosen.has(option.value);
  } else if (control.type === 'checkbox') (control as HTMLInputElement).checked = value === true;
  else if (control.type === 'radio') (control as HTMLInputElement).checked = control.value === String(value);
  else {
    const text = value === null || value === undefined ? '' : String(value);
    const isSameNumber = typeof value === 'number' && control.value !== '' && Number(control.value) === value;
    if (control.value !== text && !isSameNumber) control.value = text;
  }
}

function read(control: Control, before: unknown): unknown {
  if (control instanceof HTMLSelectElement) {
    return control.multiple ? [...control.selectedOptions].map((option) => option.value) : control.value;
  }
  if (control.type === 'checkbox') return (control as HTMLInputElement).checked;
  if (typeof before === 'number' || /^(number|range)$/.test(control.type)) {
    const { valueAsNumber } = control as HTMLInputElement;
    return Number.isNaN(valueAsNumber) ? (typeof before === 'number' ? before : null) : valueAsNumber;
  }
  return control.value;
}
