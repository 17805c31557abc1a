import type { Feature, Instance } from './instance.js';

/** Writes attributes when props change by property, as those of native elements do. */
export function reflecting(...names: readonly string[]): (instance: Instance) => Feature {
  return (instance) => {
    const { host, live, scope } = instance;
    const write = (name: string): void => {
      const index = live.props.findIndex((one) => one.name === name);
      const { attribute = name, fallback } = live.props[index] as (typeof live.props)[number];
      const value = scope.props[index];
      const before = host.getAttribute(attribute);
      const isLeftOut =
        value === undefined || value === false || (before === null && Object.is(value, fallback));
      const text = value === true ? '' : value instanceof Date ? value.toISOString() : String(value);
      if (isLeftOut) host.removeAttribute(attribute);
      else if (before !== text) host.setAttribute(attribute, text);
    };
    return {
      before: () => names.forEach(write),
      changed(prop) {
        if (names.includes(prop)) write(prop);
      },
    };
  };
}
