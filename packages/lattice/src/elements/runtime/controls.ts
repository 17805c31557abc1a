import { controlText, plainText } from '../../template/control-text.js';

export type Control = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;

/** What is particular to a kind of control: a page has those that its templates use. */
export interface ControlKind {
  /** The event by which it says that it holds something else. */
  readonly event: 'input' | 'change';
  /** Whether it holds something else than what the server wrote in it. */
  isTouched(control: Control): boolean;
  /** Shows a value, without touching a control that shows it already: its caret stays where it is. */
  show(control: Control, value: unknown): void;
  /** What the state is to hold; `before` is what it holds now, `first` what it held at the beginning. */
  read(control: Control, before: unknown, first: () => unknown): unknown;
  /** Looks after a control that changes by itself; `isNew` says that no server wrote it. */
  watch?(control: Control, value: () => unknown, run: () => void, take: () => void, isNew: boolean): void;
  /** The kind of a control whose type is known in the page alone. */
  of?(control: Control): ControlKind;
}

/** Texts and numbers, in an `input`. */
export const entered: ControlKind = {
  event: 'input',
  isTouched: isRewritten,
  show(control, value) {
    showText(control, value, plainText(value));
  },
  read: readText,
};

/** A `textarea`. */
export const written: ControlKind = {
  event: 'input',
  isTouched: (control) =>
    control.value !== (control as HTMLTextAreaElement).defaultValue.replace(/\r\n?/g, '\n'),
  show: entered.show,
  read: readText,
};

/** Days, months, weeks and times. */
export const dated: ControlKind = {
  event: 'input',
  isTouched: isRewritten,
  show(control, value) {
    showText(control, value, controlText(value, control.type));
  },
  read(control, before, first) {
    const { type, value, valueAsDate } = control as HTMLInputElement;
    if (typeof before === 'number') return readText(control, before, first);
    if (typeof before === 'string') return value;
    return value === '' ? null : type === 'datetime-local' ? new Date(value) : valueAsDate;
  },
};

export const marked: ControlKind = {
  event: 'change',
  isTouched: isToggled,
  show(control, value) {
    (control as HTMLInputElement).checked = value === true;
  },
  read: (control) => (control as HTMLInputElement).checked,
};

/** One radio button of several. */
export const picked: ControlKind = {
  event: 'change',
  isTouched: isToggled,
  show(control, value) {
    (control as HTMLInputElement).checked = control.value === String(value);
  },
  // Another one of the group tells what is picked.
  read: (control, before) => ((control as HTMLInputElement).checked ? control.value : before),
};

export const files: ControlKind = {
  event: 'change',
  isTouched: (control) => ((control as HTMLInputElement).files?.length ?? 0) > 0,
  show(control, value) {
    // Files can be chosen by people alone; that there are none can be shown.
    if (!value || (Array.isArray(value) && value.length === 0)) control.value = '';
  },
  read(control) {
    const { files, multiple } = control as HTMLInputElement;
    return multiple ? [...(files ?? [])] : (files?.[0] ?? null);
  },
};

/** Those in which an option stood for the value when it was last shown or read. */
const there = new WeakSet<Control>();

/** A `select`. */
export const chosen: ControlKind = {
  event: 'change',
  isTouched(control) {
    const { multiple, options, selectedIndex } = control as HTMLSelectElement;
    const all = [...options];
    if (multiple) return all.some((one) => one.selected !== one.defaultSelected);
    const first = all.findLast((one) => one.defaultSelected) ?? firstOf(control as HTMLSelectElement, all);
    return selectedIndex !== (first ? first.index : -1);
  },
  show(control, value) {
    const select = control as HTMLSelectElement;
    if (select.multiple) {
      const values = new Set(Array.isArray(value) ? value.map(String) : []);
      for (const option of select.options) option.selected = values.has(option.value);
    } else showText(control, value, plainText(value));
    noteChoice(select, value);
  },
  read(control) {
    const select = control as HTMLSelectElement;
    const value = select.multiple ? [...select.selectedOptions].map((option) => option.value) : select.value;
    noteChoice(select, value);
    return value;
  },
  watch(control, value, run, take, isNew) {
    const select = control as HTMLSelectElement;
    // Options come after their select, so its choice is shown once they are there.
    if (isNew) queueMicrotask(run);
    new MutationObserver(() => {
      // The option that was chosen is gone, and the browser shows another: what is seen counts.
      if (select.length > 0) there.has(select) && !isChosen(select, value()) ? take() : run();
    }).observe(select, { attributeFilter: ['value'], characterData: true, childList: true, subtree: true });
  },
};

/** Any of them: what it is can be asked in the page alone. */
export const anyControl: ControlKind = {
  event: 'input',
  isTouched: isRewritten,
  show: entered.show,
  read: readText,
  of(control) {
    if (control instanceof HTMLSelectElement) return chosen;
    if (control instanceof HTMLTextAreaElement) return written;
    const { type } = control;
    if (type === 'checkbox') return marked;
    if (type === 'radio') return picked;
    if (type === 'file') return files;
    return /^(date|datetime-local|month|time|week)$/.test(type) ? dated : entered;
  },
};

function isToggled(control: Control): boolean {
  const { checked, defaultChecked } = control as HTMLInputElement;
  return checked !== defaultChecked;
}

function isRewritten(control: Control): boolean {
  const { attributes, defaultValue, value } = control as HTMLInputElement;
  if (value === defaultValue) return false;
  // A browser may show a default in another way (https://html.spec.whatwg.org/#value-sanitization-algorithm).
  const fresh = Document.prototype.createElement.call(document, 'input') as HTMLInputElement;
  for (const { name, value } of attributes) if (/^[\w-]+$/.test(name)) fresh.setAttribute(name, value);
  return value !== fresh.value;
}

function showText(control: Control, value: unknown, text: string): void {
  const now = control.value;
  const isSameNumber = typeof value === 'number' && now !== '' && Number(now) === value;
  if (now !== text && !isSameNumber && !isUnfinished(control, value)) control.value = text;
}

/** Whether a date is being typed that is none as yet: a control with nothing to give may not be emptied. */
function isUnfinished({ type, validity }: Control, value: unknown): boolean {
  return validity.badInput && (value === null || (type === 'number' && typeof value === 'number'));
}

function readText(control: Control, before: unknown, first: () => unknown): unknown {
  if (typeof before !== 'number' && !/^(number|range)$/.test(control.type)) return control.value;
  const number = (control as HTMLInputElement).valueAsNumber;
  if (!Number.isNaN(number)) return number;
  // A number that may be empty is so at first; any other stays as it was.
  return typeof before === 'number' && typeof first() === 'number' ? before : null;
}

/** The option that a select shows while none was chosen (https://html.spec.whatwg.org/#selectedness-setting-algorithm). */
function firstOf(
  { size }: HTMLSelectElement,
  options: readonly HTMLOptionElement[],
): HTMLOptionElement | undefined {
  return size > 1 ? undefined : options.find((one) => !one.matches(':disabled'));
}

function noteChoice(select: HTMLSelectElement, value: unknown): void {
  if (isChosen(select, value)) there.add(select);
  else there.delete(select);
}

/** Whether an option stands for each value that is chosen. */
function isChosen({ options }: HTMLSelectElement, value: unknown): boolean {
  const values = new Set(Array.from(options, (option) => option.value));
  return [value].flat().every((one) => values.has(String(one)));
}
