import type { FieldRules } from '../../component/core.js';
import { instanceOf } from './element.js';
import type { Feature, Instance } from './instance.js';
import type { LiveClass } from './live.js';

interface FieldHost extends HTMLElement {
  readonly [instanceOf]: Instance;
}

/** What forms know of an element, by its instance. */
const internals = new WeakMap<Instance, ElementInternals>();

/** An element's part in its form: value and validity follow what is shown. */
export function fieldFeature(rules: FieldRules): (instance: Instance) => Feature {
  return (instance) => {
    const form = instance.host.attachInternals();
    internals.set(instance, form);
    /** Tells the form the value and what is wrong with it. The first control shows what a browser says of it. */
    const tell = (): void => {
      const context = instance.context as never;
      const value = rules.value(context);
      form.setFormValue(value, value);
      const fault = rules.fault?.(context);
      const anchor = instance.host.shadowRoot?.querySelector<HTMLElement>(
        'input, select, textarea, button, [tabindex]',
      );
      if (fault === undefined) form.setValidity({});
      else form.setValidity({ customError: true }, fault, anchor ?? undefined);
    };
    return { after: tell, shown: tell };
  };
}

/** Gives a form-associated class what form controls have (https://html.spec.whatwg.org/#dom-elementinternals-form). */
export function fieldMembers(rules: FieldRules): (made: LiveClass) => void {
  const of = (host: FieldHost): ElementInternals => internals.get(host[instanceOf]) as ElementInternals;
  const restore = (host: FieldHost, text: unknown): void => {
    if (typeof text === 'string') host[instanceOf].change(rules.restore?.(text));
  };
  const read = (
    name: 'form' | 'validity' | 'validationMessage' | 'willValidate' | 'labels',
  ): PropertyDescriptor => ({
    configurable: true,
    get(this: FieldHost) {
      return of(this)[name];
    },
  });
  const method = (value: (this: FieldHost, ...args: never[]) => unknown): PropertyDescriptor => ({
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
    value: {
      configurable: true,
      get(this: FieldHost) {
        return rules.value(this[instanceOf].context as never);
      },
      set(this: FieldHost, text: string) {
        restore(this, String(text));
      },
    },
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
    formDisabledCallback: method(function formDisabledCallback(disabled: boolean) {
      const instance = this[instanceOf];
      const index = instance.live.props.findIndex(({ name }) => name === 'disabled');
      if (index >= 0) instance.take(index, disabled);
    }),
    formStateRestoreCallback: method(function formStateRestoreCallback(text: unknown) {
      restore(this, text);
    }),
  };
  return (made) => {
    (made as { formAssociated?: boolean }).formAssociated = true;
    // A prop of such a name is the component's own.
    for (const [name, member] of Object.entries(members)) Object.defineProperty(made.prototype, name, member);
  };
}
