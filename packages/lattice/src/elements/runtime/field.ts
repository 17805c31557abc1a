import type { FieldRules } from '../../component/core.js';
import { instanceOf } from './element.js';
import type { Feature, Instance } from './instance.js';
import { internalsOf } from './internals.js';
import type { LiveClass } from './live.js';

interface FieldHost extends HTMLElement {
  readonly [instanceOf]: Instance;
}

/** The message that a page has set with `setCustomValidity`. */
const custom = new WeakMap<Instance, string>();

/** A value that was set before the element was shown. */
const early = new WeakMap<Instance, string>();

/** What gives the control that a component names, where it names one. */
const chosen = new WeakMap<Instance, () => HTMLElement | undefined>();

/** Brings value and validity up to what the element holds now. */
const telling = new WeakMap<Instance, () => void>();

/** An element's part in its form: value and validity follow its state and its props at once, as those of a native control. */
export function fieldFeature(rules: FieldRules): (instance: Instance) => Feature {
  return (instance) => {
    const { host } = instance;
    const form = internalsOf(instance);
    /** Tells the form the value and what is wrong with it. The first control shows what a browser says of it. */
    const tell = (): void => {
      if (!instance.block) return;
      const context = instance.context() as never;
      const value = rules.value(context);
      if (typeof value === 'object' && value)
        form.setFormValue(entriesOf(value, host), JSON.stringify(value));
      else form.setFormValue(value, value);
      const fault = custom.get(instance) || rules.fault?.(context);
      const faults = Object.entries(typeof fault === 'object' ? fault : { customError: fault }).filter(
        ([, message]) => message,
      );
      form.setValidity(
        Object.fromEntries(faults.map(([flag]) => [flag, true])),
        faults[0]?.[1] || undefined,
        chosen.get(instance)?.() ??
          host.shadowRoot?.querySelector<HTMLElement>('input, select, textarea, button, [tabindex]') ??
          undefined,
      );
    };
    host.addEventListener('keydown', (event) => {
      if (event.key === 'Enter' && !event.isComposing && !event.defaultPrevented) submit(event, form.form);
    });
    telling.set(instance, tell);
    return {
      after() {
        const text = early.get(instance);
        early.delete(instance);
        if (text !== undefined) restoreTo(instance, rules, text);
        tell();
      },
      shown: tell,
      stated: tell,
      changed(prop) {
        // A fieldset around it may still disable it.
        if (prop === 'disabled' && host.matches(':disabled')) disable(instance, true);
        tell();
      },
    };
  };
}

/** The entries of a form that a field with several values sends: each by the field's name and its own. */
function entriesOf(values: Readonly<Record<string, string>>, host: HTMLElement): FormData {
  const all = new FormData();
  const name = host.getAttribute('name');
  if (name) for (const [key, value] of Object.entries(values)) all.append(`${name}-${key}`, value);
  return all;
}

/** Has a field hold a value that it had before; several values come as JSON. */
function restoreTo(instance: Instance, rules: FieldRules, text: string): void {
  const isSeveral = typeof rules.value(instance.context() as never) === 'object' && text.startsWith('{');
  instance.change(isSeveral ? rules.restore?.('', JSON.parse(text)) : rules.restore?.(text, {}));
}

/** Submits a form as Enter in one of its own controls does (https://html.spec.whatwg.org/#implicit-submission). */
function submit(event: KeyboardEvent, form: HTMLFormElement | null): void {
  const [control] = event.composedPath();
  if (!form || !(control instanceof HTMLInputElement)) return;
  if (/^(?:button|checkbox|color|file|image|radio|range|reset|submit)$/.test(control.type)) return;
  const all = [...form.elements] as (Element & { readonly type?: string; readonly disabled?: boolean })[];
  const button = all.find(
    (one) => /^(?:submit|image)$/.test(one.type ?? '') && /^(?:button|input)$/.test(one.localName),
  );
  if (!button) form.requestSubmit();
  else if (!button.disabled) (button as HTMLElement).click();
}

/** Gives the template's prop `disabled` what the element, its attribute and the fieldsets around it come to. */
function disable(instance: Instance, isDisabled: boolean): void {
  const index = instance.live.props.findIndex(({ name }) => name === 'disabled');
  if (index >= 0) instance.take(index, isDisabled);
}

/** Gives the focus of an element, and the browser's messages, to one of its nodes. */
export function focusing(name: string): (instance: Instance) => Feature {
  return (instance) => {
    const { host } = instance;
    const control = (): HTMLElement | undefined =>
      (instance.context() as { nodes?: Record<string, HTMLElement> }).nodes?.[name];
    chosen.set(instance, control);
    host.focus = (options) => control()?.focus(options);
    // A click on its label is one on the element itself.
    host.addEventListener('click', (event) => {
      if (event.composedPath()[0] === host) host.focus();
    });
    return {};
  };
}

/**
 * Gives a form-associated class what form controls have (https://html.spec.whatwg.org/#dom-elementinternals-form). A prop
 * of such a name is the component's own, but for `disabled`: that is an attribute first, as it is of every control.
 */
export function fieldMembers(rules: FieldRules): (made: LiveClass) => void {
  const of = (host: FieldHost): ElementInternals => internalsOf(host[instanceOf]);
  const restore = (host: FieldHost, text: unknown): void => {
    if (typeof text !== 'string') return;
    const instance = host[instanceOf];
    if (instance.block) restoreTo(instance, rules, text);
    else early.set(instance, text);
  };
  const read = (
    name: 'form' | 'validity' | 'validationMessage' | 'willValidate' | 'labels',
  ): PropertyDescriptor => ({
    configurable: true,
    get(this: FieldHost) {
      return of(this)[name];
    },
  });
  const method = (value: (this: FieldHost, ...args: unknown[]) => unknown): PropertyDescriptor => ({
    configurable: true,
    value,
  });
  const members: PropertyDescriptorMap = {
    form: read('form'),
    validity: read('validity'),
    validationMessage: read('validationMessage'),
    willValidate: read('willValidate'),
    labels: read('labels'),
    name: {
      configurable: true,
      get(this: FieldHost) {
        return this.getAttribute('name') ?? '';
      },
      set(this: FieldHost, name: string) {
        this.setAttribute('name', name);
      },
    },
    type: {
      configurable: true,
      get(this: FieldHost) {
        return this.localName;
      },
    },
    disabled: {
      configurable: true,
      get(this: FieldHost) {
        return this.hasAttribute('disabled');
      },
      set(this: FieldHost, isDisabled: unknown) {
        this.toggleAttribute('disabled', !!isDisabled);
      },
    },
    value: {
      configurable: true,
      get(this: FieldHost) {
        const instance = this[instanceOf];
        const text = early.get(instance);
        if (text !== undefined) return text;
        const { context, live, scope } = instance;
        const state = scope.state ?? live.state?.(instance.props);
        const value = rules.value({ ...context, state } as never) ?? '';
        return typeof value === 'object' ? JSON.stringify(value) : value;
      },
      set(this: FieldHost, text: unknown) {
        restore(this, text === null ? '' : String(text));
      },
    },
    setCustomValidity: method(function setCustomValidity(message: unknown) {
      custom.set(this[instanceOf], String(message));
      telling.get(this[instanceOf])?.();
    }),
    checkValidity: method(function checkValidity() {
      return of(this).checkValidity();
    }),
    reportValidity: method(function reportValidity() {
      return of(this).reportValidity();
    }),
    // A reset of the form brings back the first state.
    formResetCallback: method(function formResetCallback() {
      const instance = this[instanceOf];
      instance.change(instance.live.state?.(instance.props));
    }),
    formDisabledCallback: method(function formDisabledCallback(disabled: unknown) {
      disable(this[instanceOf], disabled === true);
    }),
    formStateRestoreCallback: method(function formStateRestoreCallback(text: unknown) {
      restore(this, text);
    }),
  };
  return (made) => {
    (made as { formAssociated?: boolean }).formAssociated = true;
    for (const [name, member] of Object.entries(members))
      if (name === 'disabled' || !Object.hasOwn(made.prototype, name))
        Object.defineProperty(made.prototype, name, member);
  };
}
