import type { FieldRules } from '../component/core.js';
import type { Instance } from './instance.js';

/** An element's part in its form: value and validity follow what is shown. */
export class Field {
  readonly #rules: FieldRules;
  readonly #instance: Instance;
  readonly #internals: ElementInternals;

  constructor(rules: FieldRules, instance: Instance, internals: ElementInternals) {
    this.#rules = rules;
    this.#instance = instance;
    this.#internals = internals;
  }

  get value(): string | null {
    return this.#rules.value(this.#instance.context as never);
  }

  /** Tells the form the value and what is wrong with it. The first control shows what a browser says of it. */
  sync(): void {
    const { value } = this;
    this.#internals.setFormValue(value, value);
    const fault = this.#rules.fault?.(this.#instance.context as never);
    const anchor = this.#instance.host.shadowRoot?.querySelector<HTMLElement>(
      'input, select, textarea, button, [tabindex]',
    );
    if (fault === undefined) this.#internals.setValidity({});
    else this.#internals.setValidity({ customError: true }, fault, anchor ?? undefined);
  }

  restore(text: string): void {
    const changes = this.#rules.restore?.(text);
    if (changes) this.#instance.change(changes);
  }
}

/** Gives a form-associated class what form controls have (https://html.spec.whatwg.org/#dom-elementinternals-form). */
export function fieldMembers(
  element: { prototype: object },
  internalsOf: (host: never) => ElementInternals,
  fieldOf: (host: never) => Field,
): void {
  const read = (
    name: 'form' | 'validity' | 'validationMessage' | 'willValidate' | 'labels',
  ): PropertyDescriptor => ({
    configurable: true,
    get(this: never) {
      return internalsOf(this)[name];
    },
  });
  Object.defineProperties(element.prototype, {
    form: read('form'),
    validity: read('validity'),
    validationMessage: read('validationMessage'),
    willValidate: read('willValidate'),
    labels: read('labels'),
    name: {
      configurable: true,
      get(this: HTMLElement) {
        return this.getAttribute('name') ?? '';
      },
      set(this: HTMLElement, name: string) {
        this.setAttribute('name', name);
      },
    },
    value: {
      configurable: true,
      get(this: never) {
        return fieldOf(this).value;
      },
      set(this: never, text: string) {
        fieldOf(this).restore(String(text));
      },
    },
    checkValidity: {
      configurable: true,
      value(this: never) {
        return internalsOf(this).checkValidity();
      },
    },
    reportValidity: {
      configurable: true,
      value(this: never) {
        return internalsOf(this).reportValidity();
      },
    },
  });
}
