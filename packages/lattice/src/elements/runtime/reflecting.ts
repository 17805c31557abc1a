import type { Feature, Instance } from './instance.js';
import type { LiveProp } from './live.js';

/** Writes attributes when props change by property, as those of native elements do. */
export function reflecting(...names: readonly string[]): (instance: Instance) => Feature {
  return (instance) => {
    const { host, live, scope } = instance;
    const write = (prop: string): void => {
      const index = live.props.findIndex(({ name }) => name === prop);
      const { attribute = prop, fallback, rule } = live.props[index] as LiveProp;
      const value = scope.props[index];
      const before = host.getAttribute(attribute);
      // What an author wrote stays as it is written, while it means the same.
      const known = before === null ? fallback : rule.read(before);
      if (textOf(known) === textOf(value)) return;
      const text = textOf(value);
      if (text === undefined) host.removeAttribute(attribute);
      else host.setAttribute(attribute, text);
    };
    return {
      before: () => names.forEach(write),
      changed(prop) {
        if (names.includes(prop)) write(prop);
      },
    };
  };
}

/** A value as an attribute's text; undefined where the attribute is left out. */
function textOf(value: unknown): string | undefined {
  if (value === undefined || value === false) return undefined;
  if (value === true) return '';
  return value instanceof Date ? value.toISOString() : String(value);
}
