import { controlText } from '../../template/control-text.js';
import type { Scope } from '../../template/scope.js';
import { type Attach, follow, keep } from './block.js';
import type { Instance } from './instance.js';
import type { Get } from './text.js';

type Control = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;
type Whole = Readonly<Record<string, unknown>>;

/** What is tied to a control: the field of the state, and how it is shown. */
interface Bound {
  readonly name: string;
  readonly run: () => void;
}

const tied = new WeakMap<Element, Bound>();
const followed = new WeakSet<Instance>();

/**
 * Ties a form control to a field of the state, or to a part of one: it shows in the control, and what is typed goes to
 * the state.
 *
 * @param path the way from the field to the part: keys of records, and the numbers of rows
 */
export function bind(
  name: string,
  get: Get,
  mask: number,
  level = 0,
  path: readonly (string | Get)[] = [],
): Attach {
  return (node, scopes, block, instance) => {
    const control = node as Control;
    const scope = (): Scope => scopes[level] as Scope;
    const value = (): unknown => get(scope());
    /** Whether an option stood for the value when it was shown last. */
    let isThere = false;
    const run = (): void => {
      showIn(control, value());
      isThere = isChosen(control, value());
    };
    const keys = (): readonly PropertyKey[] =>
      path.map((key) => (typeof key === 'string' ? key : (key(scope()) as number)));
    /** What the control holds goes to the state. */
    const take = (): void => {
      const first = (): unknown => part(firstState(instance)[name], keys());
      const next = read(control, value(), first);
      instance.change({ [name]: replaced((instance.scope.state as Whole)[name], keys(), next) });
      isThere = isChosen(control, next);
    };
    tied.set(control, { name, run });
    followResets(instance);
    control.addEventListener(eventOf(control), take);
    const { adoption } = instance;
    if (adoption && isTouched(control)) {
      // What a visitor did before the script ran is not shown over. It goes to the state once all is hydrated.
      if (control.type !== 'radio' || (control as HTMLInputElement).checked)
        queueMicrotask(() => control.isConnected && take());
      follow(block, level, mask, run);
    } else {
      // Options of a select come after it, so its choice is shown once they are there.
      if (control instanceof HTMLSelectElement && !adoption) queueMicrotask(run);
      keep(block, level, mask, run);
    }
    if (control instanceof HTMLSelectElement)
      new MutationObserver(() => {
        // The option that was chosen is gone, and the browser shows another: what is seen counts.
        if (isThere && control.length > 0 && !isChosen(control, value())) take();
        else if (control.length > 0) run();
      }).observe(control, {
        attributeFilter: ['value'],
        characterData: true,
        childList: true,
        subtree: true,
      });
  };
}

function firstState({ live, props }: Instance): Whole {
  return (live.state?.(props) ?? {}) as Whole;
}

/** A reset of a form sets the fields that its controls are tied to back, and the controls with them. */
function followResets(instance: Instance): void {
  if (followed.has(instance)) return;
  followed.add(instance);
  const root = instance.host.shadowRoot as ShadowRoot;
  root.addEventListener('reset', (event) => {
    if (event.defaultPrevented) return;
    const controls = [...root.querySelectorAll<Control>('input, select, textarea')];
    const own = controls.filter(({ form }) => form === event.target).flatMap((one) => tied.get(one) ?? []);
    const first = firstState(instance);
    instance.change(Object.fromEntries(own.map(({ name }) => [name, first[name]])));
    // The browser sets the controls back after the event, to what is written in them.
    setTimeout(() => {
      for (const { run } of own) run();
    });
  });
}

function part(whole: unknown, keys: readonly PropertyKey[]): unknown {
  return keys.reduce((of, key) => (of as Record<PropertyKey, unknown> | undefined)?.[key], whole);
}

/** The same data with one part of it replaced: what holds it is made anew, so that it counts as changed. */
function replaced(whole: unknown, keys: readonly PropertyKey[], value: unknown): unknown {
  const [key, ...more] = keys;
  if (key === undefined) return value;
  const copy: Record<PropertyKey, unknown> = Array.isArray(whole)
    ? ([...whole] as never)
    : { ...(whole as object) };
  copy[key] = replaced(copy[key], more, value);
  return copy;
}

function eventOf(control: Control): string {
  return control instanceof HTMLSelectElement || /^(checkbox|radio|file)$/.test(control.type)
    ? 'change'
    : 'input';
}

/** Whether an option stands for each value that is chosen. */
function isChosen(control: Control, value: unknown): boolean {
  if (!(control instanceof HTMLSelectElement)) return false;
  const values = new Set(Array.from(control.options, (option) => option.value));
  return [value].flat().every((one) => values.has(String(one)));
}

/** Whether a control holds something else than what the server wrote in it. */
function isTouched(control: Control): boolean {
  if (control instanceof HTMLSelectElement) {
    const options = [...control.options];
    if (control.multiple) return options.some((one) => one.selected !== one.defaultSelected);
    const first = options.findLast((one) => one.defaultSelected) ?? firstOf(control, options);
    return control.selectedIndex !== (first ? first.index : -1);
  }
  if (control instanceof HTMLTextAreaElement)
    return control.value !== control.defaultValue.replace(/\r\n?/g, '\n');
  const { checked, defaultChecked, defaultValue, files, type, value } = control;
  if (/^(?:checkbox|radio)$/.test(type)) return checked !== defaultChecked;
  if (type === 'file') return (files?.length ?? 0) > 0;
  if (value === defaultValue) return false;
  // A browser may show a default in another way (https://html.spec.whatwg.org/#value-sanitization-algorithm).
  const fresh = Document.prototype.createElement.call(document, 'input') as HTMLInputElement;
  for (const { name, value } of control.attributes)
    if (/^[\w-]+$/.test(name)) fresh.setAttribute(name, value);
  return value !== fresh.value;
}

/** The option that a select shows while none was chosen (https://html.spec.whatwg.org/#selectedness-setting-algorithm). */
function firstOf(
  { size }: HTMLSelectElement,
  options: readonly HTMLOptionElement[],
): HTMLOptionElement | undefined {
  return size > 1 ? undefined : options.find((one) => !one.matches(':disabled'));
}

/** Shows a value, without touching a control that shows it already: its caret stays where it is. */
function showIn(control: Control, value: unknown): void {
  if (control instanceof HTMLSelectElement && control.multiple) {
    const chosen = new Set(Array.isArray(value) ? value.map(String) : []);
    for (const option of control.options) option.selected = chosen.has(option.value);
  } else if (control.type === 'checkbox') (control as HTMLInputElement).checked = value === true;
  else if (control.type === 'radio') (control as HTMLInputElement).checked = control.value === String(value);
  else if (control.type === 'file') {
    // Files can be chosen by people alone; that there are none can be shown.
    if (!value || (Array.isArray(value) && value.length === 0)) control.value = '';
  } else {
    const text = controlText(value, control.type);
    const isSameNumber = typeof value === 'number' && control.value !== '' && Number(control.value) === value;
    if (control.value !== text && !isSameNumber && !isUnfinished(control, value)) control.value = text;
  }
}

/** Whether a date is being typed that is none as yet: a control with nothing to give may not be emptied. */
function isUnfinished({ type, validity }: Control, value: unknown): boolean {
  return validity.badInput && (value === null || (type === 'number' && typeof value === 'number'));
}

function read(control: Control, before: unknown, first: () => unknown): unknown {
  if (control instanceof HTMLSelectElement) {
    return control.multiple ? [...control.selectedOptions].map((option) => option.value) : control.value;
  }
  const { type, value } = control;
  const input = control as HTMLInputElement;
  if (type === 'checkbox') return input.checked;
  if (type === 'file') return input.multiple ? [...(input.files ?? [])] : (input.files?.[0] ?? null);
  if (typeof before === 'number' || /^(number|range)$/.test(type)) {
    const number = input.valueAsNumber;
    if (!Number.isNaN(number)) return number;
    // A number that may be empty is so at first; any other stays as it was.
    return typeof before === 'number' && typeof first() === 'number' ? before : null;
  }
  if (/^(date|datetime-local|month|time|week)$/.test(type) && typeof before !== 'string')
    return value === '' ? null : type === 'datetime-local' ? new Date(value) : input.valueAsDate;
  return value;
}
